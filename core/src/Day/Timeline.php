<?php

declare(strict_types=1);

namespace Apalos\Core\Day;

use Apalos\Core\Result\Budget;

/** Who has what when: for each unit of each resource the stretches that are taken, in order. */
final class Timeline
{
    /** Steps of a look at one unit. */
    private const LOOK = 8;

    /** @param  list<list<list<array{0: float, 1: float}>>>  $taken  by resource, by unit; units nobody has had yet are not in it */
    private function __construct(private readonly DayGraph $graph, private array $taken, private readonly Budget $budget) {}

    /** With only what has begun on it. */
    public static function of(DayGraph $graph, Budget $budget): self
    {
        $line = new self($graph, array_map(static fn (): array => [], $graph->capacity), $budget);
        $begun = array_filter($graph->fixed, static fn (?float $at): bool => $at !== null);
        asort($begun);
        foreach ($begun as $i => $at) {
            $line->take($i, $at);
        }

        return $line;
    }

    /** The first moment from $at on at which operation $i has all it needs; INF where there is none, or nobody may look any longer. */
    public function fit(int $i, float $at): float
    {
        $minutes = $this->graph->minutes[$i];
        do {
            $start = $at;
            if ($this->graph->byHand[$i]) {
                $at = $this->graph->hours->fit($at, $minutes);
                if ($at === INF) {
                    return INF;
                }
            }
            foreach ($this->graph->uses[$i] as $resource) {
                if (count($this->taken[$resource]) < $this->graph->capacity[$resource]) {
                    continue;
                }
                $soonest = INF;
                foreach ($this->taken[$resource] as $stretches) {
                    $soonest = min($soonest, $this->free($stretches, $at, $minutes));
                    if ($soonest <= $at) {
                        break;
                    }
                }
                $at = $soonest;
            }
            if (! $this->budget->spend(self::LOOK)) {
                return INF;
            }
        } while ($at > $start);

        return $at;
    }

    /** A unit that is free for it is taken; the last one where none is (two begun things that share one pair of hands). */
    public function take(int $i, float $at): void
    {
        $ends = $at + $this->graph->minutes[$i];
        if ($ends <= $at) {
            return;
        }
        $minutes = $ends - $at;
        foreach ($this->graph->uses[$i] as $resource) {
            $ends = $at + $minutes;
            $unit = min(count($this->taken[$resource]), $this->graph->capacity[$resource] - 1);
            foreach ($this->taken[$resource] as $number => $stretches) {
                if ($this->free($stretches, $at, $minutes) <= $at) {
                    $unit = $number;
                    break;
                }
            }
            $this->taken[$resource][$unit] ??= [];
            $stretches = &$this->taken[$resource][$unit];
            $place = count($stretches);
            while ($place > 0 && $stretches[$place - 1][0] > $at) {
                $place--;
            }
            // Two begun things may share a unit: what is taken twice is free when both have ended.
            $ends = max($ends, $place > 0 ? $stretches[$place - 1][1] : $ends);
            array_splice($stretches, $place, 0, [[$at, $ends]]);
            unset($stretches);
        }
    }

    /** @return list<list<list<array{0: float, 1: float}>>> by resource, by unit */
    public function stretches(): array
    {
        return array_map(
            static fn (array $units, int $capacity): array => array_pad($units, $capacity, []), $this->taken, $this->graph->capacity,
        );
    }

    /** @param  list<array{0: float, 1: float}>  $stretches */
    private function free(array $stretches, float $at, float $minutes): float
    {
        $low = 0;
        $high = count($stretches);
        while ($low < $high) {
            $middle = ($low + $high) >> 1;
            if ($stretches[$middle][1] > $at + DayGraph::SAME) {
                $high = $middle;
            } else {
                $low = $middle + 1;
            }
        }
        $from = $low;
        for (; isset($stretches[$low]); $low++) {
            if ($at + $minutes <= $stretches[$low][0] + DayGraph::SAME) {
                break;
            }
            $at = max($at, $stretches[$low][1]);
        }
        $this->budget->spend(self::LOOK + $low - $from);

        return $at;
    }
}
