<?php

declare(strict_types=1);

namespace Apalos\Core\Day;

use Apalos\Core\Result\Budget;

/**
 * The best day of all, for a handful of operations. What shares a resource is put in order of its start, one after the other;
 * for the order so far every wait only pushes starts later, so the least fixed point is at once the earliest of all and a bound
 * on whatever follows (branch and bound, see {@see LowerBound} for the rest of it). Of two beginnings with the same operations, one that is
 * nowhere later makes the other needless.
 */
final class ExactSearch
{
    /** So many beginnings with the same operations are remembered. */
    private const MOST_SEEN = 60;

    /** Steps of a look at one beginning, beside what it takes to settle it; and to find the place of one operation. */
    private const LOOK = 400;

    private const FIT = 12;

    /** @var array<int, list<array{0: list<float>, 1: list<float>}>> by what is placed, as bits */
    private array $seen = [];

    /** @var list<int> */
    private array $shared;

    /** @var list<list<list<array{0: float, 1: float}>>> */
    private readonly array $taken;

    private readonly LowerBound $bound;

    private readonly bool $windows;

    /** @var array<int, bool> whether the units of a resource are alike */
    private array $alike = [];

    /** @param  list<float>|null  $best  a plan to beat */
    private function __construct(
        private readonly DayGraph $graph,
        private ?array $best,
        private ?Score $score,
        private readonly Budget $budget,
    ) {
        $this->bound = new LowerBound($graph);
        $this->windows = array_filter($graph->arcs, static fn (array $arc): bool => $arc[2] <= 0.0) !== [];
        $this->shared = array_values(
            array_filter(range(0, $graph->count - 1), static fn (int $i): bool => $graph->uses[$i] !== [] && $graph->fixed[$i] === null),
        );
        $this->taken = Timeline::of($graph, $budget)->stretches();
    }

    /**
     * @param  list<float>|null  $known  a plan to beat
     * @return list<float>|null the best, or null where there is none; where nobody may look any longer, the best so far
     */
    public static function over(DayGraph $graph, ?array $known, Budget $budget): ?array
    {
        if ($graph->count === 0) {
            return [];
        }
        $search = new self($graph, $known, $known === null ? null : $graph->score($known), $budget);
        $starts = $search->settled($graph->earliest, [], []);
        $starts === null
            || $search->place(
                0, $starts, [], array_map(static fn (int $units): array => array_fill(0, $units, null), $graph->capacity), [],
            );

        return $search->best;
    }

    /**
     * @param  list<float>  $starts  least starts so far
     * @param  list<array{0: int, 1: int, 2: float}>  $arcs  that the order so far adds
     * @param  array<int, array<int, int|null>>  $last  who was last on each unit of each resource
     * @param  array<int, array<int, int>>  $unit  by operation and resource
     */
    private function place(int $placed, array $starts, array $arcs, array $last, array $unit, ?int $previous = null): void
    {
        $rest = array_values(array_filter($this->shared, static fn (int $i): bool => ($placed >> $i & 1) === 0));
        if ($rest === []) {
            $score = $this->graph->score($starts);
            if ($this->score === null || $score->beats($this->score)) {
                [$this->best, $this->score] = [$starts, $score];
            }

            return;
        }
        if (
            ! $this->budget->spend(self::LOOK)
            || ($this->score !== null && ! $this->bound->of($starts, $rest)->beats($this->score))
            || $this->isNeedless($placed, $starts, $last)
        ) {
            return;
        }
        usort(
            $rest,
            fn (int $a, int $b): int => [
                $starts[$a], $this->graph->due[$a] ?? INF, $this->graph->minutes[$a],
            ] <=> [$starts[$b], $this->graph->due[$b] ?? INF, $this->graph->minutes[$b]],
        );
        foreach ($rest as $next) {
            if ($this->waitsForOneOf($next, $placed)) {
                continue;
            }
            foreach ($this->ways($next, $last, $starts) as $on) {
                // In the order of starts, and on each unit one after the other.
                $more = $previous === null ? $arcs : [...$arcs, [$previous, $next, 0.0]];
                $then = $last;
                foreach ($on as $resource => $number) {
                    if ($last[$resource][$number] !== null) {
                        $more[] = [$last[$resource][$number], $next, $this->graph->minutes[$last[$resource][$number]]];
                    }
                    $then[$resource][$number] = $next;
                }
                $units = [$next => $on] + $unit;
                $settled = $this->settled($starts, $more, $units);
                $settled = $settled === null ? null : $this->settled($this->raised($settled, $rest, $next), $more, $units);
                if ($settled !== null) {
                    $this->place($placed | 1 << $next, $settled, $more, $then, $units, $next);
                }
            }
        }
    }

    /**
     * What is still to be placed starts no earlier than this one, and where they share the only one of something, not before its end.
     *
     * @param  list<float>  $starts
     * @param  list<int>  $rest
     * @return list<float>
     */
    private function raised(array $starts, array $rest, int $next): array
    {
        foreach ($rest as $later) {
            if ($later !== $next) {
                $alone = array_filter(
                    array_intersect($this->graph->uses[$next], $this->graph->uses[$later]),
                    fn (int $r): bool => $this->graph->capacity[$r] === 1,
                );
                $starts[$later] = max($starts[$later], $starts[$next] + ($alone === [] ? 0.0 : $this->graph->minutes[$next]));
            }
        }

        return array_values($starts);
    }

    private function waitsForOneOf(int $next, int $placed): bool
    {
        foreach ($this->graph->arcs as [$a, $b, $w]) {
            if (
                $b === $next && $w > 0.0 && ($placed >> $a & 1) === 0 && $this->graph->fixed[$a] === null && $this->graph->uses[$a] !== []
            ) {
                return true;
            }
        }

        return false;
    }

    /**
     * Every choice of units, but of units that are alike only one. Where no window pushes what is placed, the one that is free first
     * will do: all that comes later starts later.
     *
     * @param  list<float>  $starts
     * @param  array<int, array<int, int|null>>  $last
     * @return list<array<int, int>> units by resource
     */
    private function ways(int $i, array $last, array $starts): array
    {
        $ways = [[]];
        foreach ($this->graph->uses[$i] as $resource) {
            [$alike, $first] = [[], INF];
            foreach ($last[$resource] as $number => $who) {
                $free = $who === null ? -INF : $starts[$who] + $this->graph->minutes[$who];
                if (! $this->windows && $this->isAlike($resource)) {
                    if ($alike === [] || $free < $first) {
                        [$alike, $first] = [[$number], $free];
                    }

                    continue;
                }
                $alike[$who === null ? 'free'.json_encode($this->taken[$resource][$number]) : "after{$who}"] ??= $number;
            }
            $ways = array_merge(
                ...array_map(
                    static fn (array $way): array => array_map(
                        static fn (int $number): array => [$resource => $number] + $way, array_values($alike),
                    ),
                    $ways,
                ),
            );
        }

        return $ways;
    }

    private function isAlike(int $resource): bool
    {
        return $this->alike[$resource] ??= count(array_unique(array_map(json_encode(...), $this->taken[$resource]))) === 1;
    }

    /**
     * The least fixed point: nobody starts earlier than every wait, order, stretch of work and begun operation allows.
     *
     * @param  list<float>  $starts
     * @param  list<array{0: int, 1: int, 2: float}>  $order
     * @param  array<int, array<int, int>>  $unit
     * @return list<float>|null null where it has none
     */
    private function settled(array $starts, array $order, array $unit): ?array
    {
        [$arcs, $checked] = [[...$this->graph->arcs, ...$order], false];
        for ($round = 0; $this->budget->spend(2 * count($arcs) + self::FIT * count($starts)); $round++) {
            $moved = false;
            foreach ($starts as $i => $at) {
                if ($this->graph->fixed[$i] === null) {
                    $fits = $this->fit($i, $at, $unit[$i] ?? []);
                    if ($fits === INF) {
                        return null;
                    }
                    if ($fits > $at + DayGraph::SAME) {
                        $starts[$i] = $fits;
                        $moved = true;
                    }
                }
            }
            foreach ($arcs as [$a, $b, $w]) {
                if ($starts[$a] + $w > $starts[$b] + DayGraph::SAME) {
                    if ($this->graph->fixed[$b] !== null) {
                        return null;
                    }
                    $starts[$b] = $starts[$a] + $w;
                    $moved = true;
                }
            }
            if (! $moved) {
                return array_values($starts);
            }
            if (! $checked && $round > $this->graph->count) {
                // Long pushing is a ring that pushes itself for ever, or a way through many short stretches.
                $checked = true;
                if (DayGraph::pushesForEver($this->graph->count, $arcs, $this->budget)) {
                    return null;
                }
            }
        }

        return null;
    }

    /** @param  array<int, int>  $on  units by resource, once they are chosen */
    private function fit(int $i, float $at, array $on): float
    {
        $minutes = $this->graph->minutes[$i];
        do {
            $from = $at;
            $at = $this->graph->byHand[$i] ? $this->graph->hours->fit($at, $minutes) : $at;
            foreach ($this->graph->uses[$i] as $resource) {
                $number = $on[$resource] ?? ($this->graph->capacity[$resource] === 1 ? 0 : null);
                foreach ($number === null ? [] : $this->taken[$resource][$number] as [$begins, $ends]) {
                    if ($at < $ends - DayGraph::SAME && $at + $minutes > $begins + DayGraph::SAME) {
                        $at = $ends;
                    }
                }
            }
        } while ($at > $from && $at < INF);

        return $at;
    }

    /**
     * @param  list<float>  $starts
     * @param  array<int, array<int, int|null>>  $last
     */
    private function isNeedless(int $placed, array $starts, array $last): bool
    {
        // What is placed may still be pushed by a window towards what is not: then its place matters too.
        foreach ($this->graph->arcs as [$a, $b, $w]) {
            if ($w <= 0.0 && ($placed >> $b & 1) === 1 && ($placed >> $a & 1) === 0) {
                return false;
            }
        }
        [$late, $end, $sum, $then] = [0.0, -INF, 0.0, []];
        foreach ($starts as $i => $at) {
            if (($placed >> $i & 1) === 1) {
                $ends = $at + $this->graph->minutes[$i];
                $late += max(0.0, $ends - ($this->graph->due[$i] ?? INF));
                $end = max($end, $ends);
                $sum += $at;
            } else {
                $then[] = $at;
            }
        }
        foreach ($last as $resource => $units) {
            $free = array_map(fn (?int $who): float => $who === null ? -INF : $starts[$who] + $this->graph->minutes[$who], $units);
            // Which of two units is free first does not matter where both are taken alike.
            $this->isAlike($resource) && sort($free);
            array_push($then, ...array_values($free));
        }
        [$mine, $seen] = [[$late, $end, $sum], $this->seen[$placed] ?? []];
        $this->budget->spend(4 * count($then) + 8 * count($seen));
        foreach ($seen as [$theirs, $theirThen]) {
            if (self::nowhereLater($theirs, $mine) && self::nowhereLater($theirThen, $then)) {
                return true;
            }
        }
        count($seen) < self::MOST_SEEN && $this->seen[$placed][] = [$mine, $then];

        return false;
    }

    /**
     * @param  list<float>  $one
     * @param  list<float>  $other
     */
    private static function nowhereLater(array $one, array $other): bool
    {
        foreach ($one as $k => $at) {
            if ($at > $other[$k] + DayGraph::SAME) {
                return false;
            }
        }

        return true;
    }
}
