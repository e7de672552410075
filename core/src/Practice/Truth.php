<?php

declare(strict_types=1);

namespace Apalos\Core\Practice;

use Apalos\Core\Cure\CureSheet;
use Apalos\Core\Input\Fields;

/**
 * What really was, behind what sheet, scale and screen said. Minutes are those of the practice.
 *
 * @phpstan-import-type PotsShape from PotBench
 *
 * @phpstan-type Span array{from_min: float, to_min: float|null, by: float, of: string}
 */
final readonly class Truth
{
    private const FIELDS = ['times', 'room', 'ground', 'noticed', 'cups', 'rose_g', 'spans', 'lids', 'calls', 'pots'];

    private const MOST = 400;

    /**
     * @param  array<string, float>  $times  `pot_life`, `recoat`, `demould`: so many times as long as the sheet says
     * @param  list<array{from_min: float, c: float}>  $room
     * @param  string  $ground  what it lay against in the end, as the faults name it
     * @param  string|null  $noticed  what it lay on before somebody laid something else
     * @param  array<string, array<int, array<string, float>>>  $cups  grams that are in each cup of each run, by code
     * @param  array<string, array<int, float>>  $rose  grams that rose over the rim
     * @param  array<string, list<Span>>  $spans  `silent`, `leans`, `leak`, `tube`: from when until when, how far
     * @param  list<array{at_min: float, line: int, of: string, poured: bool}>  $lids  tubs that were the wrong one
     * @param  list<array{at_min: float, min: float, at: string, went: bool}>  $calls
     * @param  PotsShape  $pots  what was done to each pot, in seconds of the practice
     */
    public function __construct(
        public array $times = [], public array $room = [['from_min' => 0.0, 'c' => 23.0]], public string $ground = 'none',
        public ?string $noticed = null,
        public array $cups = [], public array $rose = [], public array $spans = [], public array $lids = [], public array $calls = [],
        public array $pots = [],
    ) {}

    public static function from(Fields $in): self
    {
        $in->only(...self::FIELDS);
        $objects = static fn (string $key): array => $in->has($key) ? $in->objects($key, self::MOST) : [];
        $times = $in->objectOrNull('times')?->only('pot_life', 'recoat', 'demould');
        $byRun = static function (string $key) use ($in): array {
            $runs = [];
            foreach ($in->objectOrNull($key)?->names() ?? [] as $of) {
                $runs[$of] = $in->object($key)->object($of);
            }

            return $runs;
        };
        [$cups, $rose, $spans] = [[], [], []];
        foreach ($byRun('cups') as $of => $run) {
            foreach ($run->names() as $batch) {
                foreach ($run->object($batch)->names() as $code) {
                    $cups[$of][(int) $batch][$code] = $run->object($batch)->number($code);
                }
            }
        }
        foreach ($byRun('rose_g') as $of => $run) {
            foreach ($run->names() as $batch) {
                $rose[$of][(int) $batch] = $run->number($batch);
            }
        }
        $pots = [];
        foreach ($byRun('pots') as $of => $run) {
            foreach ($run->names() as $batch) {
                $pots[$of][(int) $batch] = array_map(
                    static fn (Fields $one): array => [
                        'at_s' => $one->only('at_s', 'on', 'c')->number('at_s'), 'on' => $one->bool('on'),
                        'c' => $one->number('c', -60.0, 600.0),
                    ],
                    $run->objects($batch, self::MOST),
                );
            }
        }
        foreach ($in->objectOrNull('spans')?->only('silent', 'leans', 'leak', 'tube')->names() ?? [] as $what) {
            $spans[$what] = array_map(
                static fn (Fields $one): array => [
                    'from_min' => $one->only('from_min', 'to_min', 'by', 'of')->number('from_min'),
                    'to_min' => $one->numberOrNull('to_min'), 'by' => $one->numberOrNull('by') ?? 0.0,
                    'of' => $one->textOrNull('of') ?? 'pour',
                ],
                $in->object('spans')->objects($what, self::MOST),
            );
        }

        return new self(
            $times === null
                ? []
                : array_filter(
                    [
                        'pot_life' => $times->positiveOrNull('pot_life'), 'recoat' => $times->positiveOrNull('recoat'),
                        'demould' => $times->positiveOrNull('demould'),
                    ],
                    static fn (?float $one): bool => $one !== null,
                ),
            array_map(
                static fn (Fields $one): array => [
                    'from_min' => $one->only('from_min', 'c')->number('from_min'), 'c' => $one->number('c', -10.0, 45.0),
                ],
                $objects('room'),
            ) ?: [['from_min' => 0.0, 'c' => 23.0]],
            $in->textOrNull('ground') ?? 'none', $in->textOrNull('noticed'), $cups, $rose, $spans,
            array_map(
                static fn (Fields $one): array => [
                    'at_min' => $one->only('at_min', 'line', 'of', 'poured')->number('at_min'), 'line' => (int) $one->number('line'),
                    'of' => $one->textOrNull('of') ?? 'pour', 'poured' => $one->bool('poured'),
                ],
                $objects('lids'),
            ),
            array_map(
                static fn (Fields $one): array => [
                    'at_min' => $one->only('at_min', 'min', 'at', 'went')->number('at_min'), 'min' => $one->number('min'),
                    'at' => $one->text('at'), 'went' => $one->bool('went'),
                ],
                $objects('calls'),
            ),
            $pots,
        );
    }

    public function clock(CureSheet $sheet): TrueClock
    {
        return new TrueClock($sheet, $this->times, $this->room);
    }

    /** @return list<Span> */
    public function spans(string $what, string $of): array
    {
        return array_values(array_filter($this->spans[$what] ?? [], static fn (array $one): bool => $one['of'] === $of));
    }

    /** @return array<string, mixed> as {@see self::from} reads it */
    public function toArray(): array
    {
        return array_filter([
            'times' => $this->times, 'room' => $this->room, 'ground' => $this->ground, 'noticed' => $this->noticed, 'cups' => $this->cups,
            'rose_g' => $this->rose, 'spans' => $this->spans, 'lids' => $this->lids, 'calls' => $this->calls, 'pots' => $this->pots,
        ], static fn (mixed $one): bool => $one !== [] && $one !== null);
    }
}
