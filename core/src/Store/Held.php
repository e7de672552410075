<?php

declare(strict_types=1);

namespace Apalos\Core\Store;

use Apalos\Core\Units\Grams;

/** What one lot has left of one part, as the book has it. */
final readonly class Held
{
    public function __construct(public int $lot, public Grams $left) {}
}
