<?php

declare(strict_types=1);

namespace Apalos\Core\Mesh;

/** Two bodies in one mesh, the facets of the first before those of the other, and what is left of both where they are one. */
final class Joining
{
    /** @var array<int, true> edges along which the two surfaces cut each other */
    private array $seam = [];

    /** Of the edge of two vertices: more than there are of these. */
    private int $span = 0;

    public function __construct(private readonly Mesh $mesh, private readonly int $first) {}

    /** @return Mesh|false|null false where each lies outside the other; null where they do not lie in general position */
    public function one(): Mesh|false|null
    {
        $n = $this->mesh->facets();
        $cut = Crossings::between($this->mesh, range(0, $this->first - 1), range($this->first, $n - 1));
        if ($cut === null) {
            return null;
        }
        $this->span = count($cut->x);
        $a = $this->triangulated($cut, 0, $this->first);
        $b = $this->triangulated($cut, $this->first, $n);
        $whole = new Mesh($cut->x, $cut->y, $cut->z, []);
        $keptA = $this->outside($whole, $a, new Inside($this->mesh, $this->first, $n));
        $keptB = $this->outside($whole, $b, new Inside($this->mesh, 0, $this->first));
        if ($cut->segments === [] && count($keptA) === count($a) && count($keptB) === count($b)) {
            return false;
        }
        $corners = [];
        foreach ([...$keptA, ...$keptB] as [$p, $q, $r]) {
            array_push($corners, $p, $q, $r);
        }

        return (new Mesh($cut->x, $cut->y, $cut->z, $corners))->tidy();
    }

    /** @return list<array{int, int, int}> facets from the one to before the other, those that are cut in pieces */
    private function triangulated(Crossings $cut, int $from, int $to): array
    {
        $corners = $this->mesh->corners;
        $out = [];
        for ($f = $from; $f < $to; $f++) {
            [$a, $b, $c] = [$corners[3 * $f], $corners[3 * $f + 1], $corners[3 * $f + 2]];
            $segments = $cut->segments[$f] ?? [];
            $round = [...$this->along($cut, $a, $b), ...$this->along($cut, $b, $c), ...$this->along($cut, $c, $a)];
            if ($segments === [] && count($round) === 3) {
                $out[] = [$a, $b, $c];

                continue;
            }
            foreach ($segments as [$p, $q]) {
                $this->seam[$this->edge($p, $q)] = true;
            }
            array_push(
                $out,
                ...CutFacet::of(
                    $round, $segments, $this->mesh->normal($f), static fn (int $v): array => [$cut->x[$v], $cut->y[$v], $cut->z[$v]],
                ),
            );
        }

        return $out;
    }

    /** @return list<int> the first end of an edge and the points on it, in their order */
    private function along(Crossings $cut, int $a, int $b): array
    {
        $points = array_keys($cut->onEdge[$cut->edge($a, $b)] ?? []);
        if (count($points) > 1) {
            $far = static fn (int $p): float => ($cut->x[$p] - $cut->x[$a]) ** 2 + ($cut->y[$p] - $cut->y[$a]) ** 2
                + ($cut->z[$p] - $cut->z[$a]) ** 2;
            usort($points, static fn (int $p, int $q): int => $far($p) <=> $far($q));
        }

        return [$a, ...$points];
    }

    private function edge(int $a, int $b): int
    {
        return $a < $b ? $a * $this->span + $b : $b * $this->span + $a;
    }

    /**
     * Up to the seam a surface lies wholly outside the other body, or wholly in it: one triangle of each patch is asked, its largest.
     *
     * @param  list<array{int, int, int}>  $triangles
     * @return list<array{int, int, int}>
     */
    private function outside(Mesh $at, array $triangles, Inside $other): array
    {
        $patch = range(0, max(0, count($triangles) - 1));
        $root = static function (int $t) use (&$patch): int {
            while ($patch[$t] !== $t) {
                $t = $patch[$t] = $patch[$patch[$t]];
            }

            return $t;
        };
        $sides = [];
        foreach ($triangles as $t => [$a, $b, $c]) {
            foreach ([[$a, $b], [$b, $c], [$c, $a]] as [$p, $q]) {
                $edge = $this->edge($p, $q);
                if (isset($this->seam[$edge])) {
                    continue;
                }
                if (isset($sides[$edge])) {
                    $patch[$root($t)] = $root($sides[$edge]);
                } else {
                    $sides[$edge] = $t;
                }
            }
        }
        $largest = [];
        foreach ($triangles as $t => $triangle) {
            $r = $root($t);
            $size = self::size($at, $triangle);
            if (! isset($largest[$r]) || $size > $largest[$r][0]) {
                $largest[$r] = [$size, $triangle];
            }
        }
        $is = array_map(
            static fn (array $one): bool => ! $other->holds(
                array_map(
                    static fn (array $axis): float => ($axis[$one[1][0]] + $axis[$one[1][1]] + $axis[$one[1][2]]) / 3.0,
                    [$at->x, $at->y, $at->z],
                ),
            ),
            $largest,
        );

        return array_values(array_filter($triangles, static fn (int $t): bool => $is[$root($t)], ARRAY_FILTER_USE_KEY));
    }

    /** @param  array{int, int, int}  $triangle */
    private static function size(Mesh $at, array $triangle): float
    {
        [$nx, $ny, $nz] = (new Mesh($at->x, $at->y, $at->z, $triangle))->normal(0);

        return $nx * $nx + $ny * $ny + $nz * $nz;
    }
}
