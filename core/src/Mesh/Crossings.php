<?php

declare(strict_types=1);

namespace Apalos\Core\Mesh;

/**
 * Where the surfaces of two bodies cut each other: the points in which an edge of one pierces a facet of the other, and the segments
 * between them, facet by facet. Whether an edge pierces is asked once for every edge and facet, always of the same corners in the same
 * order, so that facets that share an edge never disagree about it.
 */
final class Crossings
{
    /** Facets a cell of the grid holds, about. */
    private const A_CELL = 4.0;

    /** @var array<int, list<list<int>>> the points of a facet's segments, in pairs */
    public array $segments = [];

    /** @var array<int, array<int, true>> the points on an edge, by its key */
    public array $onEdge = [];

    /** @var array<int, array<int, int>> the point in which an edge pierces a facet, -1 where it does not */
    private array $pierced = [];

    private int $vertices;

    /**
     * @param  list<float>  $x  of all vertices; the points found are appended
     * @param  list<float>  $y
     * @param  list<float>  $z
     * @param  list<int>  $corners
     */
    private function __construct(public array $x, public array $y, public array $z, private array $corners)
    {
        $this->vertices = count($x);
    }

    /**
     * @param  list<int>  $one  facets of the one
     * @param  list<int>  $other  and of the other
     * @return self|null null where they do not lie in general position: an edge on an edge, a corner on a facet
     */
    public static function between(Mesh $mesh, array $one, array $other): ?self
    {
        $found = new self($mesh->x, $mesh->y, $mesh->z, $mesh->corners);
        foreach ($found->near($one, $other) as [$f, $g]) {
            $ends = array_values(
                array_filter([...$found->through($f, $g), ...$found->through($g, $f)], static fn (int $point): bool => $point >= 0),
            );
            if (count($ends) === 2 && $ends[0] !== $ends[1]) {
                $found->segments[$f][] = $ends;
                $found->segments[$g][] = $ends;
            } elseif ($ends !== []) {
                return null;
            }
        }

        return $found;
    }

    /** An edge, whichever way it runs. */
    public function edge(int $a, int $b): int
    {
        return $a < $b ? $a * $this->vertices + $b : $b * $this->vertices + $a;
    }

    /** @return list<int> for each edge of the first the point in which it pierces the second */
    private function through(int $f, int $g): array
    {
        [$a, $b, $c] = [$this->corners[3 * $f], $this->corners[3 * $f + 1], $this->corners[3 * $f + 2]];

        return [$this->pierce($a, $b, $g), $this->pierce($b, $c, $g), $this->pierce($c, $a, $g)];
    }

    private function pierce(int $p, int $q, int $facet): int
    {
        $edge = $this->edge($p, $q);
        if (isset($this->pierced[$edge][$facet])) {
            return $this->pierced[$edge][$facet];
        }
        [$p, $q] = $p < $q ? [$p, $q] : [$q, $p];
        [$a, $b, $c] = [$this->corners[3 * $facet], $this->corners[3 * $facet + 1], $this->corners[3 * $facet + 2]];
        $above = $this->side($a, $b, $c, $p);
        $below = $this->side($a, $b, $c, $q);
        if ($above > 0.0 === $below > 0.0 || ! $this->isWithin($p, $q, $a, $b, $c)) {
            return $this->pierced[$edge][$facet] = -1;
        }
        $t = $above / ($above - $below);
        $this->x[] = $this->x[$p] + $t * ($this->x[$q] - $this->x[$p]);
        $this->y[] = $this->y[$p] + $t * ($this->y[$q] - $this->y[$p]);
        $this->z[] = $this->z[$p] + $t * ($this->z[$q] - $this->z[$p]);
        $point = count($this->x) - 1;
        $this->onEdge[$edge][$point] = true;

        return $this->pierced[$edge][$facet] = $point;
    }

    /** Whether the line p–q runs between the edges of a facet: on the same side of all three. */
    private function isWithin(int $p, int $q, int $a, int $b, int $c): bool
    {
        $first = $this->past($p, $q, $a, $b);

        return $first === $this->past($p, $q, $b, $c) && $first === $this->past($p, $q, $c, $a);
    }

    /** On which side the line p–q passes a–b. Asked the other way round it is the other side, whatever the rounding. */
    private function past(int $p, int $q, int $a, int $b): bool
    {
        return $a < $b ? $this->side($p, $q, $a, $b) > 0.0 : ! ($this->side($p, $q, $b, $a) > 0.0);
    }

    /** Six times the volume of a tetrahedron: positive where the last lies on the side a, b, c run anticlockwise as seen from. */
    private function side(int $a, int $b, int $c, int $d): float
    {
        [$x, $y, $z] = [$this->x[$d], $this->y[$d], $this->z[$d]];
        [$ax, $ay, $az] = [$this->x[$a] - $x, $this->y[$a] - $y, $this->z[$a] - $z];
        [$bx, $by, $bz] = [$this->x[$b] - $x, $this->y[$b] - $y, $this->z[$b] - $z];
        [$cx, $cy, $cz] = [$this->x[$c] - $x, $this->y[$c] - $y, $this->z[$c] - $z];

        return $ax * ($by * $cz - $bz * $cy) + $ay * ($bz * $cx - $bx * $cz) + $az * ($bx * $cy - $by * $cx);
    }

    /**
     * Pairs whose boxes meet, by a grid over the room both have in common.
     *
     * @param  list<int>  $one
     * @param  list<int>  $other
     * @return \Generator<array{int, int}>
     */
    private function near(array $one, array $other): \Generator
    {
        $common = self::common($this->spanOf($one), $this->spanOf($other));
        $boxes = $cells = [];
        $one = $this->reaching($one, $common, $boxes);
        $other = $this->reaching($other, $common, $boxes);
        if ($one === [] || $other === []) {
            return;
        }
        $sizes = [$common[3] - $common[0], $common[4] - $common[1], $common[5] - $common[2]];
        $a = max(1, (int) round((count($other) / self::A_CELL) ** 0.5));
        $step = max(max($sizes) / $a, 1e-12);
        $counts = array_map(static fn (float $size): int => max(1, (int) ceil($size / $step)), $sizes);
        foreach ($other as $g) {
            foreach (self::cells($boxes[$g], $common, $step, $counts) as $cell) {
                $cells[$cell][] = $g;
            }
        }
        foreach ($one as $f) {
            $met = [];
            foreach (self::cells($boxes[$f], $common, $step, $counts) as $cell) {
                foreach ($cells[$cell] ?? [] as $g) {
                    if (! isset($met[$g]) && self::meet($boxes[$f], $boxes[$g])) {
                        $met[$g] = true;
                        yield [$f, $g];
                    }
                }
            }
        }
    }

    /**
     * @param  list<float>  $box
     * @param  list<float>  $common
     * @param  list<int>  $counts  cells along each axis
     * @return \Generator<int>
     */
    private static function cells(array $box, array $common, float $step, array $counts): \Generator
    {
        $at = static fn (float $mm, int $axis): int => max(0, min($counts[$axis] - 1, (int) floor(($mm - $common[$axis]) / $step)));
        for ($i = $at($box[0], 0), $i1 = $at($box[3], 0); $i <= $i1; $i++) {
            for ($j = $at($box[1], 1), $j1 = $at($box[4], 1); $j <= $j1; $j++) {
                for ($k = $at($box[2], 2), $k1 = $at($box[5], 2); $k <= $k1; $k++) {
                    yield ($i * $counts[1] + $j) * $counts[2] + $k;
                }
            }
        }
    }

    /**
     * @param  list<int>  $facets
     * @param  list<float>  $common
     * @param  array<int, list<float>>  $boxes  theirs are added
     * @return list<int> those that reach into what is common
     */
    private function reaching(array $facets, array $common, array &$boxes): array
    {
        $out = [];
        foreach ($facets as $f) {
            $box = $this->spanOf([$f]);
            if (self::meet($box, $common)) {
                $boxes[$f] = $box;
                $out[] = $f;
            }
        }

        return $out;
    }

    /**
     * @param  list<int>  $facets
     * @return list<float> least x, y, z, most x, y, z
     */
    private function spanOf(array $facets): array
    {
        $box = [INF, INF, INF, -INF, -INF, -INF];
        foreach ($facets as $f) {
            for ($h = 3 * $f; $h < 3 * $f + 3; $h++) {
                $v = $this->corners[$h];
                [$x, $y, $z] = [$this->x[$v], $this->y[$v], $this->z[$v]];
                $box = [
                    $x < $box[0] ? $x : $box[0], $y < $box[1] ? $y : $box[1], $z < $box[2] ? $z : $box[2], $x > $box[3] ? $x : $box[3],
                    $y > $box[4] ? $y : $box[4], $z > $box[5] ? $z : $box[5],
                ];
            }
        }

        return $box;
    }

    /**
     * @param  list<float>  $a
     * @param  list<float>  $b
     * @return list<float>
     */
    private static function common(array $a, array $b): array
    {
        return [max($a[0], $b[0]), max($a[1], $b[1]), max($a[2], $b[2]), min($a[3], $b[3]), min($a[4], $b[4]), min($a[5], $b[5])];
    }

    /**
     * @param  list<float>  $a
     * @param  list<float>  $b
     */
    private static function meet(array $a, array $b): bool
    {
        return $a[0] <= $b[3] && $b[0] <= $a[3] && $a[1] <= $b[4] && $b[1] <= $a[4] && $a[2] <= $b[5] && $b[2] <= $a[5];
    }
}
