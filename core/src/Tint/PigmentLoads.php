<?php

declare(strict_types=1);

namespace Apalos\Core\Tint;

/** A recipe: loads in per cent by name, the colour it gives, and how far that is from what was wanted (ΔE00). */
final readonly class PigmentLoads
{
    /** @param  array<string, float>  $loads */
    public function __construct(public array $loads, public Lab $lab, public float $deltaE) {}

    /** @return array{loads: array<string, float>, lab: array{float, float, float}, srgb: string, delta_e: float} */
    public function toArray(): array
    {
        return ['loads' => $this->loads, 'lab' => $this->lab->toArray(), 'srgb' => $this->lab->srgb(), 'delta_e' => $this->deltaE];
    }
}
