<?php

declare(strict_types=1);

namespace Apalos\Core\Mix;

use Apalos\Core\Units\Grams;

/** One cup: what goes into it, in order. The mass is what the scale will show at the end. */
final readonly class Batch
{
    /** @param  list<Line>  $lines */
    public function __construct(public Grams $mass, public array $lines) {}

    /** @return array{mass_g: float, lines: list<array{add: string, grams: float, running: float}>} */
    public function toArray(): array
    {
        return [
            'mass_g' => $this->mass->g,
            'lines' => array_map(static fn (Line $line): array => $line->toArray(), $this->lines),
        ];
    }
}
