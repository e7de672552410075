<?php

declare(strict_types=1);

namespace Apalos\Core\Units;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\HasUnit;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;

/** A mass in grams, zero or more. */
final readonly class Grams implements HasUnit
{
    private function __construct(public float $g) {}

    /** @throws BadInput when the value is negative or not finite */
    public static function of(float $g): self
    {
        if (! is_finite($g) || $g < 0.0) {
            throw BadInput::at('mass_g', Phrase::of('units.no_mass'));
        }

        return new self($g);
    }

    public function plus(self $other): self
    {
        return new self($this->g + $other->g);
    }

    public function times(float $factor): self
    {
        return self::of($this->g * $factor);
    }

    /** To the nearest step of a scale that shows steps of $division grams. */
    public function toDivision(self $division): self
    {
        return $division->g > 0.0 ? new self(round(round($this->g / $division->g) * $division->g, 6)) : $this;
    }

    public function volumeAt(Density $density): Millilitres
    {
        return Millilitres::of($this->g / $density->gPerMl);
    }

    public function quantity(): Quantity
    {
        return Quantity::mass($this->g);
    }
}
