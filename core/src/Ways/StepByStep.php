<?php

declare(strict_types=1);

namespace Apalos\Core\Ways;

use Apalos\Core\Day\WorkingHours;

/**
 * Steps one after the other in the hours of a shop. All constraints only push starts later, so the earliest of all at once is found by
 * going on step by step, and back a step wherever a window would have shut: that is the plan `schedule` finds best as well.
 */
final readonly class StepByStep
{
    /** Steps back and on; no chain of a mould and its casts needs so many. */
    private const TURNS = 20_000;

    private const SAME = 1e-9;

    public function __construct(private WorkingHours $hours) {}

    /**
     * @param  list<WayStep>  $steps
     * @return list<float>|null when each starts; null where the hours are too few
     */
    public function earliest(array $steps): ?array
    {
        $starts = $ends = [];
        $notBefore = array_fill(0, count($steps), 0.0);
        for ($i = 0, $turn = 0; $i < count($steps); $turn++) {
            $step = $steps[$i];
            $ready = $i === 0 ? 0.0 : $ends[$i - 1] + $step->from;
            $start = $this->hours->fit(max($ready, $notBefore[$i]), $step->minutes);
            if (is_infinite($start) || $turn > self::TURNS) {
                return null;
            }
            if ($i > 0 && $step->until !== null && $start > $ends[$i - 1] + $step->until + self::SAME) {
                $notBefore[$i - 1] = $start - $step->until - $steps[$i - 1]->minutes;
                $i--;

                continue;
            }
            [$starts[$i], $ends[$i]] = [$start, $start + $step->minutes];
            $i++;
        }
        ksort($starts);

        return array_slice($starts, 0, count($steps));
    }
}
