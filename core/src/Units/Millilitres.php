<?php

declare(strict_types=1);

namespace Apalos\Core\Units;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\HasUnit;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;

/** A volume in millilitres, zero or more. One cubic inch is 16.387 ml. */
final readonly class Millilitres implements HasUnit
{
    private function __construct(public float $ml) {}

    /** @throws BadInput when the value is negative or not finite */
    public static function of(float $ml): self
    {
        if (! is_finite($ml) || $ml < 0.0) {
            throw BadInput::at('volume_ml', Phrase::of('units.no_volume'));
        }

        return new self($ml);
    }

    public static function ofBox(float $lengthMm, float $widthMm, float $heightMm): self
    {
        return self::of($lengthMm * $widthMm * $heightMm / 1000.0);
    }

    public static function ofCylinder(float $diameterMm, float $heightMm): self
    {
        return self::of(M_PI * $diameterMm ** 2 / 4.0 * $heightMm / 1000.0);
    }

    public function times(float $factor): self
    {
        return self::of($this->ml * $factor);
    }

    public function massAt(Density $density): Grams
    {
        return Grams::of($this->ml * $density->gPerMl);
    }

    public function quantity(): Quantity
    {
        return Quantity::volume($this->ml);
    }
}
