<?php

declare(strict_types=1);

namespace Apalos\Core\Day;

/**
 * No plan is better than this. On one machine, work that may be torn apart, shortest rest first, ends no k-th operation later than
 * any plan (Schrage 1968): that bounds the sum of starts, the end and, paired with the due times in order, the lateness (Chu 1992).
 */
final readonly class LowerBound
{
    public function __construct(private DayGraph $graph) {}

    /**
     * @param  list<float>  $starts  least starts so far
     * @param  list<int>  $rest  what is not in order yet
     */
    public function of(array $starts, array $rest): Score
    {
        $bound = $this->graph->score($starts);
        [$late, $end, $sum] = [$bound->late, $bound->end, $bound->sum];
        foreach ($this->graph->capacity as $resource => $units) {
            $crowd = array_values(array_filter($rest, fn (int $i): bool => in_array($resource, $this->graph->uses[$i], true)));
            if (count($crowd) < 2) {
                continue;
            }
            $ends = $this->tornApart($starts, $crowd, $units);
            $due = [];
            [$ownLate, $ownSum, $minutes] = [0.0, 0.0, 0.0];
            foreach ($crowd as $i) {
                $due[] = $this->graph->due[$i] ?? INF;
                $ownLate += max(0.0, $starts[$i] + $this->graph->minutes[$i] - ($this->graph->due[$i] ?? INF));
                $ownSum += $starts[$i];
                $minutes += $this->graph->minutes[$i];
            }
            sort($due);
            $torn = 0.0;
            foreach ($ends as $k => $at) {
                $torn += max(0.0, $at - $due[$k]);
            }
            $late = max($late, $bound->late - $ownLate + $torn);
            $end = max($end, $ends[count($ends) - 1]);
            $sum = max($sum, $bound->sum - $ownSum + array_sum($ends) - $minutes);
        }

        return new Score($late, $end, $sum);
    }

    /**
     * Ends of work that may be torn apart, always the one with the least left first: in order, each no later than in any plan.
     *
     * @param  list<float>  $starts
     * @param  list<int>  $crowd
     * @return list<float>
     */
    private function tornApart(array $starts, array $crowd, int $units): array
    {
        $left = [];
        foreach ($crowd as $i) {
            // Several units are no quicker than one that is so many times as quick.
            $left[$i] = $this->graph->minutes[$i] / $units;
        }
        $ends = [];
        $now = -INF;
        while ($left !== []) {
            $least = null;
            $next = INF;
            foreach ($left as $i => $minutes) {
                if ($starts[$i] > $now + DayGraph::SAME) {
                    $next = min($next, $starts[$i]);
                } elseif ($least === null || $minutes < $left[$least]) {
                    $least = $i;
                }
            }
            if ($least === null) {
                $now = $next;

                continue;
            }
            $until = min($now + $left[$least], $next);
            $left[$least] -= $until - $now;
            $now = $until;
            if ($left[$least] <= DayGraph::SAME) {
                unset($left[$least]);
                $ends[] = $now;
            }
        }

        return $ends;
    }
}
