<?php

declare(strict_types=1);

namespace Apalos\Core\Fill;

use Apalos\Core\Units\Millilitres;
use Apalos\Core\Units\Minutes;

/**
 * Which of the small things that wait for left-over rubber take the most of what is in the cup, in the minutes that remain. A thing is
 * filled whole or not at all. Exact: every set that fits is reached, to the tenth of a millilitre.
 */
final readonly class LeftOver
{
    /** Turning from one thing to the next. */
    private const EACH_MIN = 0.25;

    private const STEP_ML = 0.1;

    private const MOST_ML = 5_000.0;

    /**
     * @param  list<array{name: string, ml: float}>  $waiting
     * @param  float  $mlPerMinute  how fast it is poured
     * @return list<int> which of them, by their place in the list
     */
    public function fill(Millilitres $left, Minutes $remain, float $mlPerMinute, array $waiting): array
    {
        $within = min($left->ml, self::MOST_ML);
        /** @var array<int, array{list<int>, float}> $reached by tenths of a millilitre: which, and the minutes it takes */
        $reached = [0 => [[], 0.0]];
        foreach ($waiting as $i => $thing) {
            $steps = (int) ceil($thing['ml'] / self::STEP_ML - 1e-6);
            $minutes = self::EACH_MIN + $thing['ml'] / $mlPerMinute;
            foreach ($reached as $tenths => [$which, $taken]) {
                $sum = $tenths + $steps;
                $fits = $steps > 0 && $sum * self::STEP_ML <= $within + 1e-6 && $taken + $minutes <= $remain->min;
                if ($fits && $taken + $minutes < ($reached[$sum][1] ?? INF)) {
                    $reached[$sum] = [[...$which, $i], $taken + $minutes];
                }
            }
        }

        ksort($reached);

        return $reached[array_key_last($reached)][0] ?? [];
    }
}
