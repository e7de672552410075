<?php

declare(strict_types=1);

namespace Apalos\Core\Phrase;

use Apalos\Core\Units\Celsius;
use Apalos\Core\Units\Density;
use Apalos\Core\Units\Grams;
use Apalos\Core\Units\Millilitres;
use Apalos\Core\Units\Minutes;

/** A number with its unit, until it is said. */
final readonly class Quantity
{
    private function __construct(public Kind $kind, public float $value) {}

    public static function mass(Grams|float $grams): self
    {
        return new self(Kind::Mass, $grams instanceof Grams ? $grams->g : $grams);
    }

    public static function volume(Millilitres|float $ml): self
    {
        return new self(Kind::Volume, $ml instanceof Millilitres ? $ml->ml : $ml);
    }

    public static function length(float $mm): self
    {
        return new self(Kind::Length, $mm);
    }

    /** From square millimetres. */
    public static function area(float $mm2): self
    {
        return new self(Kind::Area, $mm2);
    }

    public static function temperature(Celsius|float $celsius): self
    {
        return new self(Kind::Temperature, $celsius instanceof Celsius ? $celsius->degrees : $celsius);
    }

    public static function duration(Minutes|float $minutes): self
    {
        return new self(Kind::Duration, $minutes instanceof Minutes ? $minutes->min : $minutes);
    }

    /** From grams a millilitre. */
    public static function density(Density|float $sg): self
    {
        return new self(Kind::Density, $sg instanceof Density ? $sg->gPerMl : $sg);
    }

    /** From millilitres a kilogram. */
    public static function yield(float $mlPerKg): self
    {
        return new self(Kind::Yield, $mlPerKg);
    }
}
