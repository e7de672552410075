<?php

declare(strict_types=1);

namespace Apalos\Core\Scale;

use Apalos\Core\Units\Grams;

/** What a display must show while one line is poured: what it read before, how far it is to rise, and in which steps it counts. In g. */
final readonly class Expected
{
    /**
     * @param  float  $anchor  what it reads with nothing of the line in yet; below zero where a lighter cup stands on it than was tared
     * @param  float  $to  the most that is right
     * @param  float  $grams  of the line
     */
    public function __construct(public float $anchor, public float $to, public float $grams, public Grams $division) {}
}
