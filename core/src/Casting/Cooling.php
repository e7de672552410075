<?php

declare(strict_types=1);

namespace Apalos\Core\Casting;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;

/**
 * How long something cast hot stays in its mould: what its sheet says holds for a place so thick, and another takes as many times as long
 * as its square has it. Heat leaves by conduction, so that bodies of one shape cool alike at the same Fourier number αt/d²
 * (Carslaw & Jaeger, *Conduction of Heat in Solids*, 2nd ed. 1959, §3.3).
 *
 * @phpstan-type CoolingShape array{at_mm: float}
 */
final readonly class Cooling
{
    /** Thinner than this it is a film, and what holds it decides. */
    public const LEAST_MM = 0.5;

    public const MOST_MM = 300.0;

    /** @param  float  $at  how thick the place is that the sheet's times are for, mm */
    private function __construct(public float $at) {}

    /** @throws BadInput */
    public static function from(Fields $in): self
    {
        $in->only('at_mm');

        return new self($in->number('at_mm', self::LEAST_MM, self::MOST_MM));
    }

    /** @return CoolingShape */
    public function toArray(): array
    {
        return ['at_mm' => $this->at];
    }

    /** How many times as long as on its sheet, for a thickest place of so many mm; as there where nobody measured it. */
    public function times(?float $thickest): float
    {
        return $thickest === null ? 1.0 : ($thickest / $this->at) ** 2;
    }
}
