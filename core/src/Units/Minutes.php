<?php

declare(strict_types=1);

namespace Apalos\Core\Units;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\HasUnit;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;

/** A length of time in minutes, zero or more. */
final readonly class Minutes implements HasUnit
{
    private function __construct(public float $min) {}

    /** @throws BadInput when the value is negative or not finite */
    public static function of(float $min): self
    {
        if (! is_finite($min) || $min < 0.0) {
            throw BadInput::at('minutes', Phrase::of('units.no_time'));
        }

        return new self($min);
    }

    /** Where so many minutes lie on a clock of milliseconds, also before its zero: a moment is never rounded otherwise. */
    public static function ms(float $minutes): int
    {
        return (int) round($minutes * 60_000.0);
    }

    public function times(float $factor): self
    {
        return self::of($this->min * $factor);
    }

    public function quantity(): Quantity
    {
        return Quantity::duration($this->min);
    }
}
