<?php

declare(strict_types=1);

namespace Apalos\Core\Scale;

/**
 * One look at the display: so many grams, at rest or not. Null grams where it shows another unit. `at` is when it was answered, in
 * seconds; seen was it somewhen in the `took` seconds before.
 */
final readonly class Seen
{
    public function __construct(
        public ?float $grams,
        public bool $stable,
        public float $at,
        public string $unit = 'g',
        public float $took = 0.0,
    ) {}
}
