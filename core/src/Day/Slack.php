<?php

declare(strict_types=1);

namespace Apalos\Core\Day;

/** How much later one operation alone could start, all others as they stand: no window broken, nothing else later, nor the end of it all. */
final readonly class Slack
{
    /**
     * @param  list<float>  $starts
     * @return list<float> minutes, 0 or more
     */
    public static function of(DayGraph $graph, array $starts): array
    {
        $end = $graph->count === 0 ? 0.0 : $graph->score($starts)->end;
        $slack = [];
        foreach ($starts as $i => $start) {
            $slack[] = $graph->fixed[$i] !== null ? 0.0 : max(0.0, self::latest($graph, $starts, $i, $end) - $start);
        }

        return $slack;
    }

    /** @param  list<float>  $starts */
    private static function latest(DayGraph $graph, array $starts, int $i, float $end): float
    {
        $minutes = $graph->minutes[$i];
        // Being late already, it cannot be later without being more so.
        $latest = min($end, $graph->due[$i] ?? INF) - $minutes;
        foreach ($graph->arcs as [$a, $b, $w]) {
            if ($a === $i) {
                $latest = min($latest, $starts[$b] - $w);
            }
        }
        if ($graph->byHand[$i]) {
            $latest = min($latest, $graph->hours->closesAfter($starts[$i]) - $minutes);
        }
        foreach ($graph->uses[$i] as $resource) {
            $latest = min($latest, self::taken($graph, $starts, $i, $resource) - $minutes);
        }

        return $latest;
    }

    /**
     * From when on others need every unit of it.
     *
     * @param  list<float>  $starts
     */
    private static function taken(DayGraph $graph, array $starts, int $i, int $resource): float
    {
        $turns = [];
        foreach ($starts as $j => $at) {
            if ($j !== $i && $graph->minutes[$j] > 0.0 && in_array($resource, $graph->uses[$j], true) && $at + $graph->minutes[$j] > $starts[$i]) {
                $turns[] = [$at, 1];
                $turns[] = [$at + $graph->minutes[$j], -1];
            }
        }
        sort($turns);
        $busy = 0;
        foreach ($turns as [$at, $step]) {
            $busy += $step;
            if ($busy >= $graph->capacity[$resource] && $at >= $starts[$i] + $graph->minutes[$i] - DayGraph::SAME) {
                return $at;
            }
        }

        return INF;
    }
}
