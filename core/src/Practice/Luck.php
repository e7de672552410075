<?php

declare(strict_types=1);

namespace Apalos\Core\Practice;

/** Luck that can be told again: the same seed always draws the same numbers in the same order. */
final class Luck
{
    public function __construct(public readonly int $seed, private int $drawn = 0) {}

    /** Evenly between nought and one, one left out. */
    public function draw(): float
    {
        return hexdec(substr(hash('sha256', $this->seed.'/'.$this->drawn++), 0, 8)) / 4_294_967_296.0;
    }

    /** Round nought with a spread of one (Box–Muller). */
    public function bell(): float
    {
        return sqrt(-2.0 * log(max(1e-12, 1.0 - $this->draw()))) * cos(2.0 * M_PI * $this->draw());
    }

    public function drawn(): int
    {
        return $this->drawn;
    }
}
