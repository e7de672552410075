<?php

declare(strict_types=1);

namespace Apalos\Core\Day;

/** How good a day is: least lateness first, then the earliest end of it all, then the least sum of starts. Minutes. */
final readonly class Score
{
    public function __construct(public float $late, public float $end, public float $sum) {}

    public function beats(self $other): bool
    {
        foreach ([[$this->late, $other->late], [$this->end, $other->end], [$this->sum, $other->sum]] as [$mine, $theirs]) {
            if (abs($mine - $theirs) > DayGraph::SAME) {
                return $mine < $theirs;
            }
        }

        return false;
    }
}
