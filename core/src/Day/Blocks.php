<?php

declare(strict_types=1);

namespace Apalos\Core\Day;

/**
 * What windows tie together is planned as one: the strongly connected components of the arcs (Tarjan 1972), each with what it
 * waits for. Coats whose windows are short are one block; the jacket, which may come any time later, is another.
 */
final readonly class Blocks
{
    /**
     * @param  list<list<int>>  $members  operations of each block, one at least, what is waited for before what waits
     * @param  list<list<int>>  $before  numbers of the blocks each one waits for
     * @param  list<list<array{0: int, 1: int, 2: float}>>  $within  arcs between members
     * @param  list<list<array{0: int, 1: int, 2: float}>>  $into  arcs from elsewhere
     * @param  list<int>  $order  every operation after what it waits for, else as they came
     */
    private function __construct(
        public array $members,
        public array $before,
        public array $within,
        public array $into,
        public array $order,
    ) {}

    public static function of(DayGraph $graph): self
    {
        $next = array_fill(0, $graph->count, []);
        foreach ($graph->arcs as [$a, $b]) {
            $next[$a][] = $b;
        }
        $walk = new class($next)
        {
            /** @var array<int, int> */
            public array $block = [];

            public int $blocks = 0;

            /** @var array<int, int> */
            private array $index = [];

            /** @var array<int, int> */
            private array $low = [];

            /** @var list<int> */
            private array $open = [];

            /** @param  list<list<int>>  $next */
            public function __construct(private readonly array $next)
            {
                foreach (array_keys($next) as $i) {
                    isset($this->index[$i]) || $this->visit($i);
                }
            }

            private function visit(int $i): void
            {
                $this->index[$i] = $this->low[$i] = count($this->index);
                $this->open[] = $i;
                foreach ($this->next[$i] as $j) {
                    if (! isset($this->index[$j])) {
                        $this->visit($j);
                        $this->low[$i] = min($this->low[$i], $this->low[$j]);
                    } elseif (! isset($this->block[$j])) {
                        $this->low[$i] = min($this->low[$i], $this->index[$j]);
                    }
                }
                if ($this->low[$i] === $this->index[$i]) {
                    do {
                        $j = (int) array_pop($this->open);
                        $this->block[$j] = $this->blocks;
                    } while ($j !== $i);
                    $this->blocks++;
                }
            }
        };

        return self::sorted($graph, $walk->block, $walk->blocks);
    }

    /** @param  array<int, int>  $block  by operation; numbered from what nothing waits for */
    private static function sorted(DayGraph $graph, array $block, int $count): self
    {
        $members = $before = $within = $into = array_fill(0, $count, []);
        $order = self::inOrder($graph);
        foreach ($order as $i) {
            $members[$block[$i]][] = $i;
        }
        foreach ($graph->arcs as [$a, $b, $w]) {
            if ($block[$a] === $block[$b]) {
                $within[$block[$b]][] = [$a, $b, $w];
            } else {
                $into[$block[$b]][] = [$a, $b, $w];
                $before[$block[$b]][$block[$a]] = $block[$a];
            }
        }

        return new self($members, array_map(array_values(...), $before), $within, $into, $order);
    }

    /** @return list<int> every operation after what it waits for, else as they came */
    private static function inOrder(DayGraph $graph): array
    {
        [$waits, $left] = [array_fill(0, $graph->count, []), array_fill(0, $graph->count, 0)];
        foreach ($graph->arcs as [$a, $b, $w]) {
            // An arc of no length runs both ways when a window is one moment wide; the wait comes first in the list.
            if ($w > 0.0 || ($w === 0.0 && ! in_array($a, $waits[$b], true))) {
                $waits[$a][] = $b;
                $left[$b]++;
            }
        }
        $order = [];
        $ready = array_keys(array_filter($left, static fn (int $n): bool => $n === 0));
        while ($ready !== []) {
            $i = (int) array_shift($ready);
            $order[] = $i;
            foreach ($waits[$i] as $b) {
                if (--$left[$b] === 0) {
                    $ready[] = $b;
                }
            }
        }

        return $order;
    }

    /**
     * The same order, with every block after those it waits for.
     *
     * @param  list<int>  $order
     * @return list<int>
     */
    public function possible(array $order): array
    {
        $done = [];
        $visit = function (int $block) use (&$visit, &$done): void {
            if (isset($done[$block])) {
                return;
            }
            foreach ($this->before[$block] as $earlier) {
                $visit($earlier);
            }
            $done[$block] = $block;
        };
        foreach ($order as $block) {
            $visit($block);
        }

        return array_values($done);
    }
}
