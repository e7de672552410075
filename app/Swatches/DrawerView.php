<?php

declare(strict_types=1);

namespace App\Swatches;

use Apalos\Core\Harden\JudgedPuck;
use Apalos\Core\Phrase\Measures;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Result\Warning;
use Apalos\Core\Tint\Backings;
use Apalos\Core\Tint\Lab;
use App\Library\Library;
use App\Lists\Rows;
use App\Lists\Slice;
use App\Models\SwatchDigest;
use App\Models\SwatchReading;
use App\Types\View;
use Carbon\CarbonImmutable;

/**
 * The swatch drawer.
 *
 * @phpstan-import-type DrawerRow from DrawerQuery
 *
 * @phpstan-type ReadingShape array{id: int, kind: string, at_ms: int, after_min: float|null, text: string, source: string, left_out: bool}
 * @phpstan-type SwatchShape array{
 *     id: int, name: string, base: Phrase|string, formula: string, formula_href: string, inside: Phrase,
 *     hardness: array{scale: '00'|'A', reading: float, written: string, spread: float, count: int}|null,
 *     white: string|null, black: string|null, lab: array{float, float, float}|null, within: float|null,
 *     translucency: array{words: Phrase, ratio: float, delta_e: float}|null,
 *     delta_e: float|null, points: float|null,
 *     edition: int, thickness_mm: float|null, poured_ms: int, demoulded_ms: int|null, note: string, photo: bool,
 *     readings: list<ReadingShape>, questions: list<array{code: string, message: Phrase}>
 * }
 */
final readonly class DrawerView implements View
{
    /**
     * @param  array{rows: list<DrawerRow>, slice: Slice, found: int}  $answer
     * @param  array{q: string, base: string, hardness: string, colour: string}  $filter
     */
    public function __construct(
        private array $answer,
        private int $total,
        private array $filter,
        private ?Phrase $wrong,
        private Library $library,
    ) {}

    /**
     * @return array{
     *     swatches: list<SwatchShape>, total: int, pages: array{page: int, pages: int, total: int},
     *     filter: array{q: string, base: string, hardness: string, colour: string}, wrong: Phrase|null,
     *     cards: array{white: array{float, float, float}, black: array{float, float, float}},
     *     bases: array<string, string>, targets: list<array{id: int, edition: int, name: string, lab: array{float, float, float}}>
     * }
     */
    public function toArray(): array
    {
        return [
            'swatches' => array_map($this->swatch(...), $this->answer['rows']), 'total' => $this->total,
            'pages' => $this->answer['slice']->toArray($this->answer['found']), 'filter' => $this->filter, 'wrong' => $this->wrong,
            'cards' => ['white' => self::card('white'), 'black' => self::card('black')],
            'bases' => array_map(static fn ($base): string => $base->name, $this->library->shelf()->bases),
            'targets' => self::targets(),
        ];
    }

    /** @return list<array{id: int, edition: int, name: string, lab: array{float, float, float}}> */
    private static function targets(): array
    {
        $targets = [];
        foreach (Rows::of('colour_targets')->orderBy('name')->get(['id', 'edition', 'name', 'lab']) as $row) {
            $lab = self::lab($row->lab);
            if ($lab !== null) {
                $targets[] = ['id' => (int) $row->id, 'edition' => (int) $row->edition, 'name' => (string) $row->name, 'lab' => $lab];
            }
        }

        return $targets;
    }

    /**
     * The card of the last colour that was read on it, else the usual one.
     *
     * @param  'white'|'black'  $backing
     * @return array{float, float, float}
     */
    private static function card(string $backing): array
    {
        $last = Rows::of('swatch_readings')->where('backing', $backing)->orderByDesc('at')->orderByDesc('id')->value('card_lab');

        return self::lab($last) ?? Backings::usual($backing)->toArray();
    }

    /** @return array{float, float, float}|null a colour as a column keeps it */
    private static function lab(mixed $kept): ?array
    {
        $lab = is_string($kept) ? json_decode($kept, true) : null;

        return is_array($lab) && count($lab) === 3 ? [(float) $lab[0], (float) $lab[1], (float) $lab[2]] : null;
    }

    /**
     * @param  DrawerRow  $row
     * @return SwatchShape
     */
    private function swatch(array $row): array
    {
        $known = $row['known'];
        $swatch = $known->swatch;
        $hardness = $known->hardness();
        $through = $known->translucency();
        $last = $known->last('hardness');
        [$demoulded, $readings] = [$swatch->demoulded_at, $swatch->readings];
        $after = $last === null ? null : self::after($demoulded, $last);

        return [
            'id' => $swatch->id, 'edition' => $swatch->edition, 'name' => $swatch->name,
            'base' => $known->recipe->base->name ?? Phrase::of('bench.no_longer_shelf'),
            'formula' => $row['formula'], 'formula_href' => $row['formula_href'], 'inside' => self::inside($known),
            'hardness' => $hardness === null
                ? null
                : [
                    ...$hardness->median()->toArray(), 'written' => $hardness->median()->written(), 'spread' => $hardness->spread(),
                    'count' => count($hardness->readings),
                ],
            'white' => $known->over('white')?->srgb(), 'black' => $known->over('black')?->srgb(), 'lab' => $known->colour()?->toArray(),
            'within' => ($known->last('colour', 'white') ?? $known->last('colour'))?->within_delta_e,
            'translucency' => $through === null
                ? null
                : ['words' => $through->inWords(), 'ratio' => $through->contrastRatio, 'delta_e' => $through->deltaE],
            'delta_e' => $row['delta_e'], 'points' => $row['points'],
            'thickness_mm' => $swatch->thickness_mm, 'poured_ms' => (int) $swatch->poured_at->getTimestampMs(),
            'demoulded_ms' => $demoulded === null ? null : (int) $demoulded->getTimestampMs(),
            'note' => $swatch->note ?? '', 'photo' => $swatch->photo !== null,
            'readings' => array_values(
                $readings->map(static fn (SwatchReading $reading): array => self::reading($reading, $demoulded))->all(),
            ),
            'questions' => $hardness === null
                ? []
                : Warning::all([
                    ...array_filter([self::contradiction($row['digest'])]), ...$hardness->questions($swatch->thickness_mm, $after),
                ]),
        ];
    }

    private static function contradiction(SwatchDigest $digest): ?Warning
    {
        $puck = $digest->puck();

        return $puck === null || $digest->off_sd === null ? null : (new JudgedPuck($puck, $digest->off_sd, true))->question();
    }

    private static function inLab(?Lab $lab): string
    {
        return vsprintf(
            'L %s a %s b %s',
            array_map(static fn (float $v): string => str_replace('-', '−', Measures::figure($v)), $lab?->toArray() ?? [0.0, 0.0, 0.0]),
        );
    }

    private static function inside(KnownSwatch $known): Phrase
    {
        $inside = $known->inside();

        return match (true) {
            $known->recipe === null => Phrase::written(''),
            $inside === [] => Phrase::of('bench.only_the_base'),
            default => Phrase::of('bench.all_inside', ['all' => $inside]),
        };
    }

    /** How long after it came out of its mould it was read, in minutes. */
    private static function after(?CarbonImmutable $demoulded, SwatchReading $reading): ?float
    {
        return $demoulded === null
            ? null
            : max(0.0, ((int) $reading->at->getTimestampMs() - (int) $demoulded->getTimestampMs()) / 60_000.0);
    }

    /** @return ReadingShape */
    private static function reading(SwatchReading $reading, ?CarbonImmutable $demoulded): array
    {
        [$hardness, $card, $at] = [$reading->hardness(), $reading->card(), (int) $reading->at->getTimestampMs()];
        $text = $hardness !== null
            ? ($reading->scale === 'A' ? 'A ' : '00-').implode(
                ', ', array_map(static fn (float $r): string => Measures::figure($r), $hardness->readings),
            )
            : self::inLab($reading->colour())." over {$reading->backing}".(
                $card === null ? '' : ', the card itself '.self::inLab($card)
            );

        return [
            'id' => $reading->id, 'kind' => $reading->kind, 'at_ms' => $at,
            'after_min' => self::after($demoulded, $reading),
            'text' => $text,
            'source' => $reading->source === 'photo'
                ? 'off a photo'.(
                    $reading->within_delta_e === null ? '' : sprintf(', within ΔE %s', Measures::figure($reading->within_delta_e))
                )
                : '',
            'left_out' => $reading->left_out,
        ];
    }
}
