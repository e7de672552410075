<?php

declare(strict_types=1);

namespace Apalos\Core\Fill;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Result\Warning;

/** How long a mould takes to fill, or what gets in until the mix sets; and the narrowest sprue that serves. */
final readonly class SpoutResult
{
    /** @param  list<Warning>  $warnings */
    public function __construct(public ?float $fillMin, public float $filledMl, public ?float $leastDiameter, public array $warnings) {}

    /**
     * @return array{
     *     fill_min: float|null, filled_ml: float, least_diameter_mm: float|null, warnings: list<array{code: string, message: Phrase}>,
     * }
     */
    public function toArray(): array
    {
        return [
            'fill_min' => $this->fillMin, 'filled_ml' => $this->filledMl, 'least_diameter_mm' => $this->leastDiameter,
            'warnings' => Warning::all($this->warnings),
        ];
    }
}
