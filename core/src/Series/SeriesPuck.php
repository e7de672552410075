<?php

declare(strict_types=1);

namespace Apalos\Core\Series;

use Apalos\Core\Mix\Line;

/** One puck of a series: what it was meant to be, what goes into its cup, and what it will be with these rounded grams. */
final readonly class SeriesPuck
{
    /** @param  list<Line>  $lines */
    public function __construct(public float $wantedPct, public float $truePct, public float $massG, public array $lines) {}

    /** @return array{wanted_pct: float, true_pct: float, mass_g: float, lines: list<array{add: string, grams: float, running: float}>} */
    public function toArray(): array
    {
        return ['wanted_pct' => $this->wantedPct, 'true_pct' => $this->truePct, 'mass_g' => $this->massG, 'lines' => array_map(static fn (Line $line): array => $line->toArray(), $this->lines)];
    }
}
