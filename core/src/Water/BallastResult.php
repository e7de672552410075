<?php

declare(strict_types=1);

namespace Apalos\Core\Water;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Result\Warning;

/** The ballast a body needs, where it goes, and how it then sinks. */
final readonly class BallastResult
{
    /**
     * @param  float  $forgetful  what one gets who forgets that ballast takes the place of resin, or of water
     * @param  array{float, float, float}|null  $at
     * @param  list<array{mass_g: float, at_mm: array{float, float, float}}>|null  $split
     * @param  list<Warning>  $warnings
     * @param  array{up: array{float, float, float}, trim_deg: float, lean_deg: float}|null  $hangs  under water
     * @param  array{float, float, float}|null  $centre  of all its weight, mm; where the body's own is known
     */
    public function __construct(
        public float $resinSg,
        public float $ballast,
        public float $forgetful,
        public ?array $at,
        public ?array $split,
        public float $whole,
        public ?float $sinks,
        public array $warnings,
        public ?array $centre = null,
        public ?array $hangs = null,
    ) {}

    /**
     * @return array{
     *     resin_sg: float, ballast_g: float, without_displacement_g: float, at_mm: array{float, float, float}|null,
     *     split: list<array{mass_g: float, at_mm: array{float, float, float}}>|null, whole_g: float, sinks_mm_s: float|null,
     *     centre_mm: array{float, float, float}|null, hangs: array{up: array{float, float, float}, trim_deg: float, lean_deg: float}|null,
     *     warnings: list<array{code: string, message: Phrase}>,
     * }
     */
    public function toArray(): array
    {
        return [
            'resin_sg' => $this->resinSg, 'ballast_g' => $this->ballast, 'without_displacement_g' => $this->forgetful, 'at_mm' => $this->at,
            'split' => $this->split,
            'whole_g' => $this->whole, 'sinks_mm_s' => $this->sinks, 'centre_mm' => $this->centre, 'hangs' => $this->hangs,
            'warnings' => Warning::all($this->warnings),
        ];
    }
}
