<?php

declare(strict_types=1);

namespace Apalos\Core\Mesh;

/**
 * Whether a point lies in a closed surface: a ray from it leaves it once more often than it comes in. Facets are kept by where the ray sees
 * them, in the cells of a grid square to it, so that asking often costs little.
 */
final class Inside
{
    /** Crooked, so that no edge is met. */
    private const WAY = [0.5377, 0.2931, 0.7905];

    /** Facets a cell, about; and cells beyond which a facet is asked every time. */
    private const A_CELL = 3.0;

    private const LARGE = 64;

    /** @var array<int, list<int>> */
    private array $cells = [];

    /** @var list<int> */
    private array $large = [];

    /** @var array{float, float, float, float} where the grid begins, its step, cells to a row */
    private array $grid = [0.0, 0.0, 1.0, 1.0];

    /**
     * @var array{array{float, float, float}, array{float, float, float}, array{float, float, float}} along the ray, and two ways square to
     *   it
     */
    private array $axes;

    /** Facets from the one to before the other. */
    public function __construct(private readonly Mesh $mesh, private readonly int $from, private readonly int $to)
    {
        [$x, $y, $z] = $way = Direction::of(...self::WAY)->toArray();
        $long = sqrt($x * $x + $y * $y);
        $this->axes = [$way, [-$y / $long, $x / $long, 0.0], [-$x * $z / $long, -$y * $z / $long, $long]];
        $this->sort();
    }

    /** @param  array{float, float, float}  $point */
    public function holds(array $point): bool
    {
        return array_sum($this->crossed($point, static fn (int $vertex): int => 0)) > 0;
    }

    /**
     * How often a ray leaves less how often it comes in, for each of what the vertices are told apart by.
     *
     * @param  array{float, float, float}  $point
     * @param  callable(int): int  $of  what a vertex belongs to; -1 leaves it out
     * @return array<int, int>
     */
    public function crossed(array $point, callable $of): array
    {
        [$px, $py, $pz] = $point;
        [[$dx, $dy, $dz], $u, $v] = $this->axes;
        [$left, $low, $step, $row] = $this->grid;
        $i = (int) floor(($px * $u[0] + $py * $u[1] + $pz * $u[2] - $left) / $step);
        $j = (int) floor(($px * $v[0] + $py * $v[1] + $pz * $v[2] - $low) / $step);
        $here = $i < 0 || $j < 0 || $i >= $row ? [] : $this->cells[$j * (int) $row + $i] ?? [];
        [$x, $y, $z, $corners] = [$this->mesh->x, $this->mesh->y, $this->mesh->z, $this->mesh->corners];
        $crossed = [];
        foreach ([$here, $this->large] as $facets) {
            foreach ($facets as $f) {
                [$a, $b, $c] = [$corners[3 * $f], $corners[3 * $f + 1], $corners[3 * $f + 2]];
                [$e1x, $e1y, $e1z] = [$x[$b] - $x[$a], $y[$b] - $y[$a], $z[$b] - $z[$a]];
                [$e2x, $e2y, $e2z] = [$x[$c] - $x[$a], $y[$c] - $y[$a], $z[$c] - $z[$a]];
                $qx = $dy * $e2z - $dz * $e2y;
                $qy = $dz * $e2x - $dx * $e2z;
                $qz = $dx * $e2y - $dy * $e2x;
                $det = $e1x * $qx + $e1y * $qy + $e1z * $qz;
                if (abs($det) < 1e-15) {
                    continue;
                }
                [$sx, $sy, $sz] = [$px - $x[$a], $py - $y[$a], $pz - $z[$a]];
                $s = ($sx * $qx + $sy * $qy + $sz * $qz) / $det;
                if ($s < 0.0 || $s > 1.0) {
                    continue;
                }
                $rx = $sy * $e1z - $sz * $e1y;
                $ry = $sz * $e1x - $sx * $e1z;
                $rz = $sx * $e1y - $sy * $e1x;
                $t = ($dx * $rx + $dy * $ry + $dz * $rz) / $det;
                if ($t < 0.0 || $s + $t > 1.0 || $e2x * $rx + $e2y * $ry + $e2z * $rz < 0.0 !== $det < 0.0) {
                    continue;
                }
                $other = $of($a);
                if ($other >= 0) {
                    // Seen from inside a facet runs clockwise: the ray leaves.
                    $crossed[$other] = ($crossed[$other] ?? 0) + ($det < 0.0 ? 1 : -1);
                }
            }
        }

        return $crossed;
    }

    private function sort(): void
    {
        [, [$ux, $uy], [$vx, $vy, $vz]] = $this->axes;
        [$x, $y, $z, $corners] = [$this->mesh->x, $this->mesh->y, $this->mesh->z, $this->mesh->corners];
        [$us, $vs] = [[], []];
        foreach ($x as $p => $at) {
            $us[] = $at * $ux + $y[$p] * $uy;
            $vs[] = $at * $vx + $y[$p] * $vy + $z[$p] * $vz;
        }
        if ($this->to <= $this->from || $us === []) {
            return;
        }
        [$left, $low] = [min($us), min($vs)];
        $cells = max(1.0, floor(sqrt(($this->to - $this->from) / self::A_CELL)));
        $step = max((max($us) - $left) / $cells, (max($vs) - $low) / $cells, 1e-9);
        $row = (int) $cells + 1;
        $this->grid = [$left, $low, $step, (float) $row];
        for ($f = $this->from; $f < $this->to; $f++) {
            [$a, $b, $c] = [$corners[3 * $f], $corners[3 * $f + 1], $corners[3 * $f + 2]];
            [$i0, $i1] = [
                (int) ((min($us[$a], $us[$b], $us[$c]) - $left) / $step), (int) ((max($us[$a], $us[$b], $us[$c]) - $left) / $step),
            ];
            [$j0, $j1] = [(int) ((min($vs[$a], $vs[$b], $vs[$c]) - $low) / $step), (int) ((max($vs[$a], $vs[$b], $vs[$c]) - $low) / $step)];
            if (($i1 - $i0 + 1) * ($j1 - $j0 + 1) > self::LARGE) {
                $this->large[] = $f;

                continue;
            }
            for ($j = $j0; $j <= $j1; $j++) {
                for ($i = $i0; $i <= $i1; $i++) {
                    $this->cells[$j * $row + $i][] = $f;
                }
            }
        }
    }
}
