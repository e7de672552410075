<?php

declare(strict_types=1);

namespace Apalos\Core\Day;

use Apalos\Core\Result\Budget;

/**
 * Lays out a day: the best there is for up to twelve operations, a good one for more. Whatever is asked, it is answered in about the
 * same time: where a question would take longer, the best so far is given, and the answer says so.
 */
final readonly class DayPlanner
{
    public const EXACT_UP_TO = 12;

    private const STEPS = 4_400_000;

    /** Where somebody waits. */
    private const STEPS_AT_ONCE = 1_200_000;

    /** The rest is for saying why nothing fits. */
    private const FOR_LAYING = 0.6;

    /** @param  bool  $thorough  false where somebody waits for it: fewer orders are looked at */
    public function __construct(private bool $thorough = true) {}

    public function plan(DayRequest $request): DayResult
    {
        $graph = DayGraph::of($request);
        $budget = $this->budget();
        $laying = $budget->part(self::FOR_LAYING);
        $starts = $this->starts($graph, $laying);

        return $starts === null
            ? DayResult::nothingFits((new Obstacle($this, $request, $budget))->found($laying->isShort()))
            : DayResult::of($graph, $starts, $laying->isShort());
    }

    /**
     * A plan that need not be the best, at once: for what moves under a finger.
     *
     * @param  array<string, float>  $as  starts of a plan before, whose order is kept; first come, first served where there is none
     * @return list<float>|null
     */
    public function quick(DayRequest $request, array $as = [], ?Budget $budget = null): ?array
    {
        $budget ??= new Budget(self::STEPS_AT_ONCE);
        $graph = DayGraph::of($request);
        if ($graph->contradictsItself($budget)) {
            return null;
        }
        $kept = $as === []
            ? null
            : RuleSearch::inOrder($graph, array_map(static fn (string $id): float => $as[$id] ?? INF, $graph->ids), $budget);

        return $kept ?? RuleSearch::firstCome($graph, $budget) ?? RuleSearch::over($graph, $budget, false);
    }

    /** @return list<float>|null null where nothing fits, or nothing was found before the budget was spent */
    public function starts(DayGraph $graph, ?Budget $budget = null): ?array
    {
        $budget ??= $this->budget();
        if ($graph->contradictsItself($budget)) {
            return null;
        }
        if ($graph->count > self::EXACT_UP_TO) {
            return RuleSearch::over($graph, $budget, $this->thorough);
        }

        return ExactSearch::over($graph, RuleSearch::over($graph, $budget->part(0.5), $this->thorough), $budget);
    }

    private function budget(): Budget
    {
        return new Budget($this->thorough ? self::STEPS : self::STEPS_AT_ONCE);
    }
}
