<?php

declare(strict_types=1);

namespace App\PourSheets;

/** What goes into one cup, in grams, and how many such cups there are. */
final readonly class EqualCups
{
    public function __construct(public float $each, public int $cups) {}
}
