<?php

declare(strict_types=1);

namespace Apalos\Core\Units;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\HasUnit;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;

/** A density in grams per millilitre (the same number as a specific gravity), above zero. */
final readonly class Density implements HasUnit
{
    private function __construct(public float $gPerMl) {}

    /** @throws BadInput when the value is not above zero */
    public static function of(float $gPerMl): self
    {
        if (! is_finite($gPerMl) || $gPerMl <= 0.0) {
            throw BadInput::at('sg', Phrase::of('units.no_density'));
        }

        return new self($gPerMl);
    }

    /**
     * Of several poured together: each keeps its own volume. What reacts may come out denser by a little; then the sheet says what it
     * is mixed.
     *
     * @param  list<array{float, self}>  $parts  of each so many parts by mass, not below zero, some of it above
     */
    public static function together(array $parts): self
    {
        $volume = array_sum(array_map(static fn (array $part): float => $part[0] / $part[1]->gPerMl, $parts));

        return self::of(array_sum(array_column($parts, 0)) / $volume);
    }

    public function quantity(): Quantity
    {
        return Quantity::density($this->gPerMl);
    }
}
