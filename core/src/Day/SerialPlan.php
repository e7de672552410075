<?php

declare(strict_types=1);

namespace Apalos\Core\Day;

use Apalos\Core\Result\Budget;

/**
 * Block after block in a given order, each as early as what is taken already allows (a serial schedule with windows): where a
 * window would shut before the hands are free, what opens it is pushed later and the block is laid anew.
 */
final readonly class SerialPlan
{
    /** So often a block is laid anew before it counts as not to be laid. */
    private const MOST_TIMES = 400;

    /** Steps it takes to lay one operation. */
    private const MEMBER = 12;

    /** @var list<list<array{0: int, 1: float}>> by operation: what pushes it within its block, and by how much */
    private array $pushes;

    public function __construct(private DayGraph $graph, public Blocks $blocks, private Budget $budget)
    {
        $pushes = array_fill(0, $graph->count, []);
        foreach ($blocks->within as $arcs) {
            foreach ($arcs as [$a, $b, $w]) {
                $pushes[$b][] = [$a, $w];
            }
        }
        $this->pushes = $pushes;
    }

    /**
     * @param  list<int>  $order  of blocks; those that others wait for go first all the same
     * @return list<float>|null starts by operation; null where something found no place, or nobody may look any longer
     */
    public function starts(array $order): ?array
    {
        $line = Timeline::of($this->graph, $this->budget);
        $starts = [];
        if (! $this->budget->spend(2 * count($this->graph->arcs))) {
            return null;
        }
        foreach ($this->blocks->possible($order) as $block) {
            $laid = $this->lay($block, $line, $starts);
            if ($laid === null) {
                return null;
            }
            $starts = $laid;
        }
        ksort($starts);

        return array_values($starts);
    }

    /**
     * @param  array<int, float>  $starts
     * @return array<int, float>|null
     */
    private function lay(int $block, Timeline &$line, array $starts): ?array
    {
        $least = [];
        foreach ($this->blocks->members[$block] as $i) {
            $least[$i] = $this->graph->earliest[$i];
        }
        foreach ($this->blocks->into[$block] as [$a, $b, $w]) {
            $least[$b] = max($least[$b], $starts[$a] + $w);
        }
        $within = $this->blocks->within[$block];
        for ($time = 0; $time < self::MOST_TIMES && $this->budget->spend(2 * count($within) + self::MEMBER * count($least)); $time++) {
            $trial = count($least) > 1 ? clone $line : $line;
            $at = [];
            foreach ($this->blocks->members[$block] as $i) {
                $from = $least[$i];
                foreach ($this->pushes[$i] as [$a, $w]) {
                    if (isset($at[$a]) && $from < $at[$a] + $w) {
                        $from = $at[$a] + $w;
                    }
                }
                $fixed = $this->graph->fixed[$i];
                if ($fixed !== null && $from > $fixed + DayGraph::SAME) {
                    return null;
                }
                $at[$i] = $fixed ?? $trial->fit($i, $from);
                if ($at[$i] === INF) {
                    return null;
                }
                $fixed !== null || $trial->take($i, $at[$i]);
            }
            $moved = false;
            foreach ($within as [$a, $b, $w]) {
                if ($at[$a] + $w > $at[$b] + DayGraph::SAME) {
                    $least[$b] = max($least[$b], $at[$a] + $w);
                    $moved = true;
                }
            }
            if (! $moved) {
                $line = $trial;

                return $at + $starts;
            }
        }

        return null;
    }
}
