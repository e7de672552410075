<?php

declare(strict_types=1);

namespace Apalos\Core\Day;

/**
 * Block after block in a given order, each as early as what is taken already allows (a serial schedule with windows): where a
 * window would shut before the hands are free, what opens it is pushed later and the block is laid anew.
 */
final readonly class SerialPlan
{
    /** So often a block is laid anew before it counts as not to be laid. */
    private const MOST_TIMES = 400;

    public function __construct(private DayGraph $graph, public Blocks $blocks) {}

    /**
     * @param  list<int>  $order  of blocks; those that others wait for go first all the same
     * @return list<float>|null starts by operation; null where something found no place
     */
    public function starts(array $order): ?array
    {
        $line = Timeline::of($this->graph);
        $starts = [];
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
        for ($time = 0; $time < self::MOST_TIMES; $time++) {
            $trial = count($least) > 1 ? clone $line : $line;
            $at = [];
            foreach ($this->blocks->members[$block] as $i) {
                $from = $least[$i];
                foreach ($within as [$a, $b, $w]) {
                    if ($b === $i && isset($at[$a]) && $from < $at[$a] + $w) {
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
