<?php

declare(strict_types=1);

namespace Apalos\Core\Day;

use Apalos\Core\Phrase\Phrase;

/** A moment of the plan as one says it: 10:20, or 10:20 on day 2. */
final readonly class DayTime
{
    public static function of(float $minutes): Phrase
    {
        // Tidied before it is cut, so that 59.9999 is the next hour.
        $whole = (int) round($minutes);
        $day = intdiv($whole - (($whole % 1440) + 1440) % 1440, 1440) + 1;
        $of = (($whole % 1440) + 1440) % 1440;
        $clock = sprintf('%02d:%02d', intdiv($of, 60), $of % 60);

        return $day === 1 ? Phrase::written($clock) : Phrase::of('day.on_day', ['clock' => $clock, 'day' => $day]);
    }
}
