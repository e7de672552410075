<?php

declare(strict_types=1);

namespace Apalos\Core\Series;

use Apalos\Core\Mix\Line;

/** One puck of a series: what it was meant to be, what goes into its cup, and what it will be with these rounded grams. */
final readonly class SeriesPuck
{
    /** @param  list<Line>  $lines */
    public function __construct(public float $wantedPct, public float $truePct, public float $massG, public array $lines) {}

    /**
     * The percentage it has with what the display really showed: what is counted rises as the grams of the rising thing do,
     * against those of the plain part, or in a ladder against everything.
     *
     * @param  list<Line>  $shown  as many as it has lines
     */
    public function shareOf(array $shown, bool $againstAll): float
    {
        [$rose, $plain] = self::apart($this->lines);
        [$roseNow, $plainNow] = self::apart($shown);
        if ($rose <= 0.0) {
            return $againstAll ? 0.0 : $this->truePct;
        }
        if ($againstAll) {
            return $roseNow + $plainNow <= 0.0
                ? $this->truePct
                : $this->truePct * ($roseNow / ($roseNow + $plainNow)) / ($rose / ($rose + $plain));
        }

        return $plain <= 0.0 || $plainNow <= 0.0 ? $this->truePct : $this->truePct * ($roseNow / $plainNow) / ($rose / $plain);
    }

    /**
     * @param  list<Line>  $lines
     * @return array{float, float} grams of what rises, and of the plain part
     */
    private static function apart(array $lines): array
    {
        $grams = static fn (bool $plain): float => array_sum(
            array_map(static fn (Line $line): float => ($line->code === SeriesPlanner::PLAIN) === $plain ? $line->grams->g : 0.0, $lines),
        );

        return [$grams(false), $grams(true)];
    }

    /** @return array{wanted_pct: float, true_pct: float, mass_g: float, lines: list<array{add: string, grams: float, running: float}>} */
    public function toArray(): array
    {
        return [
            'wanted_pct' => $this->wantedPct, 'true_pct' => $this->truePct, 'mass_g' => $this->massG,
            'lines' => array_map(static fn (Line $line): array => $line->toArray(), $this->lines),
        ];
    }
}
