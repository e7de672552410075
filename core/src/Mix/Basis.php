<?php

declare(strict_types=1);

namespace Apalos\Core\Mix;

use Apalos\Core\Phrase\Phrase;

/** What the amount of an additive is counted on. */
enum Basis: string
{
    case OfAB = 'pct_of_ab';
    case OfA = 'pct_of_a';
    case OfB = 'pct_of_b';
    case OfTotal = 'pct_of_total';
    case DropsPer100g = 'drops_per_100g';

    public function inWords(): Phrase
    {
        return Phrase::of("basis.{$this->value}");
    }
}
