<?php

declare(strict_types=1);

// How long it takes to lay out a day, and how good it is beside first come, first served, and beside what no plan can beat: the load
// of the hands. php bench/day.php. Ends with 1 where something is over its limit or worse than first come, first served.

use Apalos\Core\Day\DayGraph;
use Apalos\Core\Day\DayPlanner;
use Apalos\Core\Day\DayRequest;
use Apalos\Core\Day\RuleSearch;
use Apalos\Core\Input\Fields;
use Apalos\Core\Result\Budget;
use Random\Engine\Mt19937;
use Random\Randomizer;

require __DIR__.'/../vendor/autoload.php';

/** So many operations in chains of coats with their windows, every other chain due some day. */
$day = static function (int $count, int $days, int $seed): DayRequest {
    $chance = new Randomizer(new Mt19937($seed));
    $ops = [];
    for ($i = 0; $i < $count; $i++) {
        $from = $chance->getInt(25, 45);
        $ops[] = [
            'id' => "o{$i}", 'minutes' => $chance->getInt(4, 22), 'uses' => $chance->getInt(0, 5) === 0 ? ['hands', 'chamber'] : ['hands'],
            'after' => $i % 5 === 0
                ? []
                : [['op' => 'o'.($i - 1), 'from_min' => $from, 'until_min' => $i % 5 === 4 ? null : $from + $chance->getInt(30, 80)]],
            'due_min' => $i % 10 === 4 ? 1080 + 1440 * $chance->getInt(0, max(0, intdiv($days, 2))) : null,
        ];
    }

    return DayRequest::from(Fields::of([
        'now_min' => 480, 'days' => array_map(static fn (int $d): array => [480 + 1440 * $d, 1080 + 1440 * $d], range(0, $days - 1)),
        'resources' => ['hands' => 1, 'chamber' => 1], 'ops' => $ops,
    ]));
};
/** When the hands alone would be through, were there no waits at all. */
$load = static function (DayRequest $request): float {
    $left = array_sum(array_map(static fn ($one): float => $one->minutes, $request->operations));
    foreach ($request->hours->intervals as [$opens, $closes]) {
        if ($left <= $closes - $opens) {
            return $opens + $left;
        }
        $left -= $closes - $opens;
    }

    return INF;
};

$isOver = false;
printf("%-44s %8s %8s   %9s %9s   %7s %7s %7s\n", '', 'ms', 'limit', 'late', 'f.c.f.s.', 'end', 'f.c.f.s.', 'hands');
foreach ([
    ['twelve operations, the best there is', 12, 2, 2000.0, true], ['sixty operations over three days', 60, 4, 1000.0, true],
    ['two hundred over ten days', 200, 12, 5000.0, true], ['two hundred, under a finger', 200, 12, 100.0, false],
] as [$what, $count, $days, $limit, $whole]) {
    $took = [];
    for ($seed = 1; $seed <= 5; $seed++) {
        $request = $day($count, $days, $seed);
        $graph = DayGraph::of($request);
        $first = RuleSearch::firstCome($graph, new Budget(PHP_INT_MAX));
        $from = hrtime(true);
        $starts = $whole ? (new DayPlanner)->starts($graph) : (new DayPlanner)->quick($request, array_combine($graph->ids, (array) $first));
        $took[] = (hrtime(true) - $from) / 1e6;
        if ($starts === null) {
            continue;
        }
        [$mine, $theirs] = [$graph->score($starts), $first === null ? null : $graph->score($first)];
        $isOver = $isOver || ($whole && $theirs !== null && $theirs->beats($mine));
    }
    sort($took);
    $median = $took[2];
    $isOver = $isOver || $median > $limit;
    printf(
        "%-44s %8.1f %8.0f   %9.0f %9s   %7.0f %7s %7.0f%s\n", $what, $median, $limit, $mine->late ?? NAN,
        isset($theirs) ? sprintf('%.0f', $theirs->late) : 'none', $mine->end ?? NAN,
        isset($theirs) ? sprintf('%.0f', $theirs->end) : 'none', $load($request), $median > $limit ? '  over' : '',
    );
}
exit($isOver ? 1 : 0);
