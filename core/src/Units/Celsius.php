<?php

declare(strict_types=1);

namespace Apalos\Core\Units;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\HasUnit;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;

/** A room temperature in degrees Celsius, from 0 to 60: outside that range nobody pours, and a thermometer is wrong. */
final readonly class Celsius implements HasUnit
{
    public const COLDEST = 0.0;

    public const HOTTEST = 60.0;

    private function __construct(public float $degrees) {}

    /** @throws BadInput outside 0–60 °C */
    public static function of(float $degrees): self
    {
        if (! is_finite($degrees) || $degrees < self::COLDEST || $degrees > self::HOTTEST) {
            throw BadInput::at('room_c', Phrase::of('units.no_room'));
        }

        return new self($degrees);
    }

    /** Steps of ten degrees above (or, negative, below) the other temperature: the x of every rate rule. */
    public function tensAbove(self $reference): float
    {
        return ($this->degrees - $reference->degrees) / 10.0;
    }

    public function quantity(): Quantity
    {
        return Quantity::temperature($this->degrees);
    }
}
