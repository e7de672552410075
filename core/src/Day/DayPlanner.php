<?php

declare(strict_types=1);

namespace Apalos\Core\Day;

/** Lays out a day: the best there is for up to twelve operations, a good one for more. */
final readonly class DayPlanner
{
    public const EXACT_UP_TO = 12;

    /** So many orders are looked at where somebody waits. */
    private const LOOKS_AT_ONCE = 1500;

    /** @param  bool  $thorough  false where somebody waits for it: fewer orders are looked at */
    public function __construct(private bool $thorough = true) {}

    public function plan(DayRequest $request): DayResult
    {
        $graph = DayGraph::of($request);
        $starts = $this->starts($graph);

        return $starts === null
            ? DayResult::nothingFits((new Obstacle($this, $request))->found())
            : DayResult::of($graph, $starts);
    }

    /**
     * A plan that need not be the best, at once: for what moves under a finger.
     *
     * @param  array<string, float>  $as  starts of a plan before, whose order is kept; first come, first served where there is none
     * @return list<float>|null
     */
    public function quick(DayRequest $request, array $as = []): ?array
    {
        $graph = DayGraph::of($request);
        if ($graph->contradictsItself()) {
            return null;
        }
        $kept = $as === [] ? null : RuleSearch::inOrder($graph, array_map(static fn (string $id): float => $as[$id] ?? INF, $graph->ids));

        return $kept ?? RuleSearch::firstCome($graph) ?? RuleSearch::over($graph, false);
    }

    /** @return list<float>|null null where nothing fits */
    public function starts(DayGraph $graph): ?array
    {
        if ($graph->contradictsItself()) {
            return null;
        }
        $known = RuleSearch::over($graph, $this->thorough);

        return $graph->count <= self::EXACT_UP_TO ? ExactSearch::over($graph, $known, $this->thorough ? ExactSearch::MOST_LOOKS : self::LOOKS_AT_ONCE) : $known;
    }
}
