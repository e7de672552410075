<?php

declare(strict_types=1);

namespace Apalos\Core\Mesh;

/** Which vertex has an edge to which: one flat list, cut by where each vertex' part begins. */
final readonly class Links
{
    /**
     * @param  list<int>  $begin  where the neighbours of a vertex begin; one more than there are vertices
     * @param  list<int>  $to
     */
    private function __construct(public array $begin, public array $to) {}

    public static function of(Mesh $mesh): self
    {
        $corners = $mesh->corners;
        $half = count($corners);
        $vertices = $mesh->vertices();
        $begin = array_fill(0, $vertices + 1, 0);
        for ($h = 0; $h < $half; $h++) {
            $begin[$corners[$h]]++;
        }
        $sum = 0;
        for ($v = 0; $v <= $vertices; $v++) {
            $sum += $begin[$v];
            $begin[$v] = $sum;
        }
        $to = $half === 0 ? [] : array_fill(0, $half, 0);
        // Filled from behind, each begin comes to stand where its part begins.
        for ($h = 0; $h < $half; $h += 3) {
            $a = $corners[$h];
            $b = $corners[$h + 1];
            $c = $corners[$h + 2];
            $to[--$begin[$a]] = $b;
            $to[--$begin[$b]] = $c;
            $to[--$begin[$c]] = $a;
        }

        return new self(array_values($begin), array_values($to));
    }

    /**
     * Edges that are not shared by just two facets that run along them opposite ways.
     *
     * @return array{open: int, crowded: int} and among them those more than two share
     */
    public function loose(): array
    {
        [$begin, $to] = [$this->begin, $this->to];
        $open = $crowded = 0;
        for ($a = 0, $n = count($begin) - 1; $a < $n; $a++) {
            $end = $begin[$a + 1];
            for ($i = $begin[$a]; $i < $end; $i++) {
                $b = $to[$i];
                $same = $back = 0;
                for ($j = $begin[$a]; $j < $end; $j++) {
                    if ($to[$j] === $b) {
                        $same++;
                    }
                }
                for ($j = $begin[$b], $last = $begin[$b + 1]; $j < $last; $j++) {
                    if ($to[$j] === $a) {
                        $back++;
                    }
                }
                if ($same === 1 && $back === 1) {
                    continue;
                }
                // Each such edge is met once for every facet along it; it counts once.
                $open += 1.0 / ($same + $back);
                $crowded += $same + $back > 2 ? 1.0 / ($same + $back) : 0.0;
            }
        }

        return ['open' => (int) round($open), 'crowded' => (int) round($crowded)];
    }

    /**
     * Which connected piece each vertex belongs to, counted from nought.
     *
     * @return array{list<int>, int} piece of each vertex, and how many there are
     */
    public function shells(Mesh $mesh): array
    {
        $vertices = $mesh->vertices();
        $parent = $vertices === 0 ? [] : range(0, $vertices - 1);
        $corners = $mesh->corners;
        for ($h = 0, $n = count($corners); $h < $n; $h += 3) {
            $a = $corners[$h];
            while ($parent[$a] !== $a) {
                $a = $parent[$a] = $parent[$parent[$a]];
            }
            foreach ([1, 2] as $k) {
                $b = $corners[$h + $k];
                while ($parent[$b] !== $b) {
                    $b = $parent[$b] = $parent[$parent[$b]];
                }
                if ($b !== $a) {
                    if ($b < $a) {
                        $parent[$a] = $b;
                        $a = $b;
                    } else {
                        $parent[$b] = $a;
                    }
                }
            }
        }
        $number = $shell = [];
        for ($v = 0; $v < $vertices; $v++) {
            for ($root = $v; $parent[$root] !== $root;) {
                $root = $parent[$root];
            }
            $parent[$v] = $root;
            $shell[] = $number[$root] ??= count($number);
        }

        return [$shell, count($number)];
    }
}
