<?php

declare(strict_types=1);

namespace Apalos\Core\Day;

use Apalos\Core\Result\Budget;

/**
 * A good day where there is too much for the best: first come, first served and the other rules of thumb, then the best of them
 * bettered by moving one block at a time (local search, with a jolt where it stands still). The same question has the same answer:
 * chance is counted out from a fixed seed, and the number of tries from the size alone.
 */
final class RuleSearch
{
    /** About as many operations laid in all as half a second of a small machine allows. */
    private const LAID = 17_000;

    /** Where the best day is looked for anyway, this only gives it something to beat. */
    private const TO_BEAT = 30;

    private const STILL = 60;

    private int $chance = 20_260_101;

    /** @var list<float>|null */
    private ?array $best = null;

    private ?Score $score = null;

    private function __construct(private readonly DayGraph $graph, private readonly SerialPlan $plan, private readonly Budget $budget) {}

    /** @return list<float>|null */
    public static function over(DayGraph $graph, Budget $budget, bool $thorough = true): ?array
    {
        $search = new self($graph, new SerialPlan($graph, Blocks::of($graph), $budget), $budget);
        $search->run($thorough);

        return $search->best;
    }

    /**
     * As they came: what one gets who begins whatever can be begun next.
     *
     * @return list<float>|null
     */
    public static function firstCome(DayGraph $graph, Budget $budget): ?array
    {
        $blocks = Blocks::of($graph);

        return (new SerialPlan($graph, $blocks, $budget))->starts(self::asTheyCame($blocks));
    }

    /**
     * In the order of these starts.
     *
     * @param  list<float>  $starts  by operation
     * @return list<float>|null
     */
    public static function inOrder(DayGraph $graph, array $starts, Budget $budget): ?array
    {
        $blocks = Blocks::of($graph);
        $first = array_map(
            static fn (array $members): float => array_reduce(
                $members, static fn (float $least, int $i): float => min($least, $starts[$i]), INF,
            ),
            $blocks->members,
        );
        $order = array_keys($blocks->members);
        usort($order, static fn (int $a, int $b): int => $first[$a] <=> $first[$b]);

        return (new SerialPlan($graph, $blocks, $budget))->starts($order);
    }

    /** @return list<int> */
    private static function asTheyCame(Blocks $blocks): array
    {
        $order = array_keys($blocks->members);
        $first = array_map(static fn (array $members): int => $members === [] ? 0 : min($members), $blocks->members);
        usort($order, static fn (int $a, int $b): int => $first[$a] <=> $first[$b]);

        return $order;
    }

    private function run(bool $thorough): void
    {
        $order = [];
        foreach ($this->rules() as $rule) {
            $this->better($rule) && $order = $rule;
        }
        $blocks = count($this->plan->blocks->members);
        if ($blocks < 2 || $this->graph->count === 0) {
            return;
        }
        $order = $order === [] ? self::asTheyCame($this->plan->blocks) : $order;
        $tries = ! $thorough || $this->graph->count <= DayPlanner::EXACT_UP_TO
            ? self::TO_BEAT
            : intdiv(self::LAID, $this->graph->count) + 60;
        for ($still = 0; $tries > 0 && ! $this->budget->isShort(); $tries--) {
            $trial = $this->moved($order, $still > self::STILL ? 4 : 1);
            if ($this->better($trial)) {
                [$order, $still] = [$trial, 0];
            } elseif (++$still > self::STILL + 1) {
                $still = 0;
            }
        }
    }

    /** @param  list<int>  $order */
    private function better(array $order): bool
    {
        $starts = $this->plan->starts($order);
        if ($starts === null) {
            return false;
        }
        $score = $this->graph->score($starts);
        if ($this->score !== null && ! $score->beats($this->score)) {
            return false;
        }
        [$this->best, $this->score] = [$starts, $score];

        return true;
    }

    /** @return list<list<int>> orders of blocks, first come first */
    private function rules(): array
    {
        $blocks = $this->plan->blocks;
        // What at least still hangs on each from its start on, and when it has to start so that nothing after it is late.
        $tail = $this->toldBack($this->graph->minutes, static fn (float $own, float $next, float $wait): float => max($own, $wait + $next));
        $latest = $this->toldBack(
            array_map(static fn (?float $due, float $minutes): float => ($due ?? INF) - $minutes, $this->graph->due, $this->graph->minutes),
            static fn (float $own, float $next, float $wait): float => min($own, $next - $wait),
        );
        $due = $earliest = $length = $longest = [];
        foreach ($blocks->members as $block => $members) {
            [$due[$block], $earliest[$block], $length[$block], $longest[$block]] = [INF, INF, 0.0, 0.0];
            foreach ($members as $i) {
                $due[$block] = min($due[$block], $latest[$i]);
                $earliest[$block] = min($earliest[$block], $this->graph->earliest[$i]);
                $length[$block] += $this->graph->minutes[$i];
                $longest[$block] = min($longest[$block], -$tail[$i]);
            }
        }
        $came = self::asTheyCame($blocks);
        $by = static function (array $key) use ($came): array {
            $place = array_flip($came);
            usort($came, static fn (int $a, int $b): int => [$key[$a], $place[$a]] <=> [$key[$b], $place[$b]]);

            return $came;
        };

        return [
            $came, $by($due), $by($longest), $by($length), $by($earliest),
            $by(array_map(static fn (float $d, float $l): float => $d - $l, $due, $length)),
        ];
    }

    /**
     * Told back along the waits, from what waits to what it waits for.
     *
     * @param  list<float>  $own  what each says by itself
     * @param  callable(float $own, float $next, float $wait): float  $told
     * @return list<float>
     */
    private function toldBack(array $own, callable $told): array
    {
        // From the last to the first: but for rings of waits of no length one round tells it all.
        $place = array_flip($this->plan->blocks->order);
        $arcs = array_filter($this->graph->arcs, static fn (array $arc): bool => $arc[2] >= 0.0);
        usort($arcs, static fn (array $one, array $other): int => ($place[$other[0]] ?? 0) <=> ($place[$one[0]] ?? 0));
        for ($round = 0; $round < $this->graph->count && $this->budget->spend(3 * count($arcs)); $round++) {
            $before = $own;
            foreach ($arcs as [$a, $b, $w]) {
                $own[$a] = $told($own[$a], $own[$b], $w);
            }
            if ($own === $before) {
                break;
            }
        }

        return array_values($own);
    }

    /**
     * @param  list<int>  $order
     * @return list<int>
     */
    private function moved(array $order, int $times): array
    {
        for ($k = 0; $k < $times; $k++) {
            $from = $this->pick(count($order));
            $to = $this->pick(count($order));
            $block = array_splice($order, $from, 1);
            array_splice($order, $to, 0, $block);
        }

        return $order;
    }

    private function pick(int $below): int
    {
        // Park and Miller 1988.
        $this->chance = $this->chance * 48_271 % 2_147_483_647;

        return $this->chance % $below;
    }
}
