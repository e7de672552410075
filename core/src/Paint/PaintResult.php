<?php

declare(strict_types=1);

namespace Apalos\Core\Paint;

use Apalos\Core\Mix\MixResult;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Result\Warning;
use Apalos\Core\Units\Grams;
use Apalos\Core\Units\Minutes;

/**
 * A pot of silicone paint: what to weigh, how thick it goes on wet, and how long to wait between coats.
 *
 * @phpstan-type PaintShape array{
 *     mass_g: float, dry_g: float, coats: int, wet_mm: float, ratio: array{silicone: float, pigment: float, solvent: float},
 *     flash_min: float|null, pot_life_min: float|null,
 *     lines: list<array{add: string, grams: float, running: float}>, warnings: list<array{code: string, message: Phrase}>
 * }
 */
final readonly class PaintResult
{
    /**
     * @param  array{silicone: float, pigment: float, solvent: float}  $ratio  by weight
     * @param  Minutes|null  $flash  until the solvent of a coat has left
     * @param  list<Warning>  $warnings
     */
    public function __construct(
        public MixResult $mix, public Grams $dry, public int $coats, public float $wetMm, public array $ratio, public ?Minutes $flash,
        public array $warnings,
    ) {}

    /** @return PaintShape */
    public function toArray(): array
    {
        return [
            'mass_g' => $this->mix->mass->g, 'dry_g' => $this->dry->g, 'coats' => $this->coats, 'wet_mm' => $this->wetMm,
            'ratio' => $this->ratio,
            'flash_min' => $this->flash?->min, 'pot_life_min' => $this->mix->potLife?->min,
            'lines' => $this->mix->batches[0]->toArray()['lines'],
            'warnings' => Warning::all([...$this->warnings, ...$this->mix->warnings]),
        ];
    }
}
