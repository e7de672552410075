<?php

declare(strict_types=1);

namespace Apalos\Core\Phrase;

use LogicException;

/** A number with its unit, until it is said. */
final readonly class Quantity
{
    private function __construct(public Kind $kind, public float $value) {}

    public static function mass(HasUnit|float $grams): self
    {
        return self::in(Kind::Mass, $grams);
    }

    public static function volume(HasUnit|float $ml): self
    {
        return self::in(Kind::Volume, $ml);
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

    public static function temperature(HasUnit|float $celsius): self
    {
        return self::in(Kind::Temperature, $celsius);
    }

    public static function duration(HasUnit|float $minutes): self
    {
        return self::in(Kind::Duration, $minutes);
    }

    /** From grams a millilitre. */
    public static function density(HasUnit|float $sg): self
    {
        return self::in(Kind::Density, $sg);
    }

    /** From millilitres a kilogram. */
    public static function yield(float $mlPerKg): self
    {
        return new self(Kind::Yield, $mlPerKg);
    }

    private static function in(Kind $kind, HasUnit|float $amount): self
    {
        $measured = $amount instanceof HasUnit ? $amount->quantity() : new self($kind, $amount);

        return $measured->kind === $kind
            ? $measured
            : throw new LogicException("A {$kind->value} was asked for, and it is a {$measured->kind->value}.");
    }
}
