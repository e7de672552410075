<?php

declare(strict_types=1);

namespace Apalos\Core\Day;

/**
 * How much later one operation alone could start, all others as they stand: no window broken, nothing else later, nor the end of it all.
 */
final readonly class Slack
{
    /**
     * @param  list<float>  $starts
     * @return list<float> minutes, 0 or more
     */
    public static function of(DayGraph $graph, array $starts): array
    {
        $end = $graph->count === 0 ? 0.0 : $graph->score($starts)->end;
        $turns = self::turns($graph, $starts);
        $next = array_fill(0, max(1, $graph->count), []);
        foreach ($graph->arcs as [$a, $b, $w]) {
            $next[$a][] = [$b, $w];
        }
        $slack = [];
        foreach ($starts as $i => $start) {
            $slack[] = $graph->fixed[$i] !== null ? 0.0 : max(0.0, self::latest($graph, $starts, $i, $end, $next[$i], $turns) - $start);
        }

        return $slack;
    }

    /**
     * @param  list<float>  $starts
     * @param  list<array{0: int, 1: float}>  $next  what waits for it, or whose window it keeps
     * @param  list<list<array{0: float, 1: int, 2: int}>>  $turns
     */
    private static function latest(DayGraph $graph, array $starts, int $i, float $end, array $next, array $turns): float
    {
        $minutes = $graph->minutes[$i];
        // Being late already, it cannot be later without being more so.
        $latest = min($end, $graph->due[$i] ?? INF) - $minutes;
        foreach ($next as [$b, $w]) {
            $latest = min($latest, $starts[$b] - $w);
        }
        if ($graph->byHand[$i]) {
            $latest = min($latest, $graph->hours->closesAfter($starts[$i]) - $minutes);
        }
        foreach ($graph->uses[$i] as $resource) {
            $latest = min($latest, self::taken($graph, $starts[$i], $i, $turns[$resource], $graph->capacity[$resource]) - $minutes);
        }

        return $latest;
    }

    /**
     * When each resource is taken and given back, in order.
     *
     * @param  list<float>  $starts
     * @return list<list<array{0: float, 1: int, 2: int}>> by resource: moment, +1 or -1, operation
     */
    private static function turns(DayGraph $graph, array $starts): array
    {
        $turns = array_map(static fn (): array => [], $graph->capacity);
        foreach ($starts as $j => $at) {
            foreach ($graph->minutes[$j] > 0.0 ? $graph->uses[$j] : [] as $resource) {
                $turns[$resource][] = [$at, 1, $j];
                $turns[$resource][] = [$at + $graph->minutes[$j], -1, $j];
            }
        }
        foreach ($turns as &$of) {
            sort($of);
        }

        return $turns;
    }

    /**
     * From when on others need every unit of it.
     *
     * @param  list<array{0: float, 1: int, 2: int}>  $turns
     */
    private static function taken(DayGraph $graph, float $start, int $i, array $turns, int $units): float
    {
        $busy = 0;
        $ends = $start + $graph->minutes[$i] - DayGraph::SAME;
        foreach ($turns as [$at, $step, $j]) {
            $busy += $j === $i ? 0 : $step;
            if ($busy >= $units && $j !== $i && $at >= $ends) {
                return $at;
            }
        }

        return INF;
    }
}
