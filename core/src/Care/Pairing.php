<?php

declare(strict_types=1);

namespace Apalos\Core\Care;

/** What is usual where this is cast in that: casts at the median, how far lives spread (of their logarithm), and what lengthens them. */
final readonly class Pairing
{
    public function __construct(public float $median, public float $spread, public string $longer) {}
}
