<?php

declare(strict_types=1);

namespace Apalos\Core\Tint;

/**
 * A recipe: loads in per cent by name, the colour it gives, how far that is from what was wanted (ΔE00), and how much of what lies
 * behind shows through it, in per cent.
 */
final readonly class PigmentLoads
{
    /**
     * @param  array<string, float>  $loads
     * @param  float  $miss  colour and depth together, as they were weighed against each other
     */
    public function __construct(
        public array $loads,
        public Lab $lab,
        public float $deltaE,
        public ?float $showsPct = null,
        public float $miss = 0.0,
    ) {}

    /** @return array{loads: array<string, float>, lab: array{float, float, float}, srgb: string, delta_e: float, shows_pct: float|null} */
    public function toArray(): array
    {
        return [
            'loads' => $this->loads, 'lab' => $this->lab->toArray(), 'srgb' => $this->lab->srgb(), 'delta_e' => $this->deltaE,
            'shows_pct' => $this->showsPct,
        ];
    }
}
