<?php

declare(strict_types=1);

namespace Apalos\Core\Build;

use Apalos\Core\Units\Grams;
use Apalos\Core\Units\Millilitres;

/** One coat of a brushed mould: how thick, how much of it, in how many cups. */
final readonly class Coat
{
    /**
     * @param  float  $thickness  mm
     * @param  Grams  $mass  with what stays in cup and brush
     * @param  float  $hands  minutes of mixing and brushing
     */
    public function __construct(
        public bool $isPrint,
        public float $thickness,
        public Millilitres $volume,
        public Grams $mass,
        public Grams $thickener,
        public ?string $tint,
        public int $cups,
        public float $hands,
    ) {}

    /**
     * @return array{
     *     kind: string, thickness_mm: float, volume_ml: float, mass_g: float, thickener_g: float, tint: string|null, cups: int,
     *     hands_min: float,
     * }
     */
    public function toArray(): array
    {
        return [
            'kind' => $this->isPrint ? 'print' : 'thick', 'thickness_mm' => $this->thickness, 'volume_ml' => $this->volume->ml,
            'mass_g' => $this->mass->g,
            'thickener_g' => $this->thickener->g, 'tint' => $this->tint, 'cups' => $this->cups, 'hands_min' => $this->hands,
        ];
    }
}
