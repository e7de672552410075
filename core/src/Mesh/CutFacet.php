<?php

declare(strict_types=1);

namespace Apalos\Core\Mesh;

/**
 * A facet cut along segments, in triangles. Its edges with the points on them and its segments are a flat map; each of its fields is
 * walked round, and cut up with the islands in it. Every edge of the map is kept, so that what was closed stays closed.
 */
final class CutFacet
{
    /** @var array<int, float> */
    private array $u = [];

    /** @var array<int, float> */
    private array $v = [];

    /** @var array<int, list<int>> whom each point has an edge to, anticlockwise */
    private array $to = [];

    /**
     * @param  list<int>  $round  its corners and the points on its edges, anticlockwise as seen from outside
     * @param  list<list<int>>  $segments
     * @param  array{float, float, float}  $normal
     * @param  callable(int): array{float, float, float}  $at
     * @return list<array{int, int, int}>
     */
    public static function of(array $round, array $segments, array $normal, callable $at): array
    {
        $cut = new self;
        foreach (array_unique([...$round, ...array_merge(...$segments)]) as $point) {
            [$cut->u[$point], $cut->v[$point]] = self::flat($at($point), $normal);
        }
        $edges = [];
        foreach ([
            ...array_map(static fn (int $i): array => [$round[$i], $round[($i + 1) % count($round)]], array_keys($round)), ...$segments,
        ] as [$a, $b]) {
            $edges["{$a} {$b}"] = [$a, $b];
            $edges["{$b} {$a}"] = [$b, $a];
        }
        foreach ($edges as [$a, $b]) {
            $cut->to[$a][] = $b;
        }
        foreach ($cut->to as $a => $others) {
            usort($others, fn (int $b, int $c): int => $cut->angle($a, $b) <=> $cut->angle($a, $c));
            $cut->to[$a] = $others;
        }

        return $cut->triangles(array_values($edges));
    }

    /**
     * The two axes on which it is seen largest, turned so that it runs anticlockwise.
     *
     * @param  array{float, float, float}  $p
     * @param  array{float, float, float}  $n
     * @return array{float, float}
     */
    private static function flat(array $p, array $n): array
    {
        [$x, $y, $z] = array_map(abs(...), $n);

        return match (true) {
            $z >= $x && $z >= $y => $n[2] > 0.0 ? [$p[0], $p[1]] : [$p[1], $p[0]],
            $x >= $y => $n[0] > 0.0 ? [$p[1], $p[2]] : [$p[2], $p[1]],
            default => $n[1] > 0.0 ? [$p[2], $p[0]] : [$p[0], $p[2]],
        };
    }

    private function angle(int $from, int $to): float
    {
        return atan2($this->v[$to] - $this->v[$from], $this->u[$to] - $this->u[$from]);
    }

    /**
     * @param  list<array{int, int}>  $edges  both ways
     * @return list<array{int, int, int}>
     */
    private function triangles(array $edges): array
    {
        [$fields, $outer, $walked] = [[], [], []];
        foreach ($edges as [$a, $b]) {
            if (isset($walked[$a][$b])) {
                continue;
            }
            $round = [];
            while (! isset($walked[$a][$b])) {
                $walked[$a][$b] = true;
                $round[] = $a;
                $others = $this->to[$b];
                $back = (int) array_search($a, $others, true);
                [$a, $b] = [$b, $others[($back + count($others) - 1) % count($others)]];
            }
            $area = $this->area($round);
            $area > 0.0
                ? $fields[] = ['round' => $round, 'area' => $area, 'islands' => []]
                : $outer[] = ['round' => $round, 'area' => -$area];
        }
        // The largest that runs the other way is the facet seen from without; any other is an island in a field.
        usort($outer, static fn (array $one, array $other): int => $other['area'] <=> $one['area']);
        usort($fields, static fn (array $one, array $other): int => $one['area'] <=> $other['area']);
        foreach (array_slice($outer, 1) as ['round' => $island, 'area' => $area]) {
            foreach ($fields as $i => $field) {
                if ($field['area'] > $area && ! in_array($island[0], $field['round'], true) && $this->holds($field['round'], $island[0])) {
                    $fields[$i]['islands'][] = $island;
                    break;
                }
            }
        }

        return array_merge(
            ...array_map(fn (array $field): array => EarClip::of($field['round'], $field['islands'], $this->u, $this->v), $fields),
        );
    }

    /** @param  list<int>  $round */
    private function area(array $round): float
    {
        $sum = 0.0;
        [$ou, $ov] = [$this->u[$round[0]], $this->v[$round[0]]];
        foreach ($round as $i => $a) {
            $b = $round[($i + 1) % count($round)];
            $sum += ($this->u[$a] - $ou) * ($this->v[$b] - $ov) - ($this->u[$b] - $ou) * ($this->v[$a] - $ov);
        }

        return $sum / 2.0;
    }

    /** @param  list<int>  $round */
    private function holds(array $round, int $point): bool
    {
        [$pu, $pv, $in] = [$this->u[$point], $this->v[$point], false];
        foreach ($round as $i => $a) {
            $b = $round[($i + 1) % count($round)];
            if (
                $pv < $this->v[$b] !== $this->v[$a] > $pv
                && $pu < $this->u[$a] + ($pv - $this->v[$a]) / ($this->v[$b] - $this->v[$a]) * ($this->u[$b] - $this->u[$a])
            ) {
                $in = ! $in;
            }
        }

        return $in;
    }
}
