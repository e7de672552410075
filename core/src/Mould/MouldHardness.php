<?php

declare(strict_types=1);

namespace Apalos\Core\Mould;

use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;

/** How hard the rubber of a mould should be, Shore A: by what it is of, what is cast in it, and what it has to be stretched over. */
final readonly class MouldHardness
{
    /**
     * @param list<array{
     *     chemistry: list<string>|null, casting: list<string>|null, undercuts: list<string>|null, tray: bool|null,
     *     casts_under: float|null, low: float, high: float, why: string,
     * }>  $lines
     *   the first that fits counts
     * @param  float  $manyCasts  over so many the softer end is better
     */
    private function __construct(private array $lines, private float $manyCasts, private float $softerBy) {}

    public static function from(Fields $in): self
    {
        $list = static fn (Fields $line, string $key): ?array => $line->has($key) ? $line->strings($key) : null;

        return new self(array_map(static fn (Fields $line): array => [
            'chemistry' => $list($line, 'chemistry'), 'casting' => $list($line, 'casting'), 'undercuts' => $list($line, 'undercuts'),
            'tray' => $line->has('tray') ? $line->bool('tray') : null,
            'casts_under' => $line->numberOrNull('casts_under'), 'low' => $line->number('low', 0.0, 100.0),
            'high' => $line->number('high', 0.0, 100.0), 'why' => $line->text('why'),
        ], $in->objects('hardness', 60)), $in->object('many_casts')->number('over'), $in->object('many_casts')->number('softer_by'));
    }

    /** @return array{low: float, high: float, why: Phrase}|null Shore A; null for what is rigid, or where no line fits */
    public function of(MouldKind $kind, string $chemistry, PieceRequest $piece): ?array
    {
        foreach ($kind->wall->isRigid ? [] : $this->lines as $line) {
            $fits = ($line['chemistry'] === null || in_array($chemistry, $line['chemistry'], true))
                && ($line['casting'] === null || in_array($piece->words['casting'], $line['casting'], true))
                && ($line['undercuts'] === null || in_array($piece->undercuts(), $line['undercuts'], true))
                    && ($line['tray'] === null || $line['tray'] === $kind->wall->isTray)
                && ($line['casts_under'] === null || $piece->casts < $line['casts_under']);
            if ($fits) {
                $many = $piece->casts > $this->manyCasts;

                return [
                    'low' => $line['low'],
                    'high' => ($many ? max($line['low'], $line['high'] - $this->softerBy) : $line['high']) + $kind->wall->harderBy,
                    'why' => Phrase::of(
                        $many ? self::FOR_MANY[$line['why']] ?? self::WHY['holds'] : self::WHY[$line['why']] ?? self::WHY['holds'],
                    ),
                ];
            }
        }

        return null;
    }

    private const WHY = [
        'holds' => 'mould.holds', 'stretches' => 'mould.stretches', 'flat' => 'mould.flat', 'abrades' => 'mould.abrades',
        'urethane' => 'mould.urethane',
    ];

    private const FOR_MANY = [
        'holds' => 'mould.holds_for_many', 'stretches' => 'mould.stretches_for_many', 'flat' => 'mould.flat_for_many',
        'abrades' => 'mould.abrades', 'urethane' => 'mould.urethane',
    ];
}
