<?php

declare(strict_types=1);

namespace Apalos\Core\Scale;

/** One look at the display: so many grams, at rest or not, at a moment in seconds. Null grams where it shows another unit. */
final readonly class Seen
{
    public function __construct(public ?float $grams, public bool $stable, public float $at, public string $unit = 'g') {}
}
