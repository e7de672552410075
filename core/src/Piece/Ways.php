<?php

declare(strict_types=1);

namespace Apalos\Core\Piece;

use Apalos\Core\Mesh\Direction;
use Apalos\Core\Mesh\Mesh;

/** The directions a search looks along: the model's own axes, those the piece lies along, and evenly all round. */
final class Ways
{
    /** @return list<Direction> */
    public static function axes(): array
    {
        return [
            Direction::of(0.0, 0.0, 1.0), Direction::of(0.0, 1.0, 0.0), Direction::of(1.0, 0.0, 0.0), Direction::of(0.0, 0.0, -1.0),
            Direction::of(0.0, -1.0, 0.0), Direction::of(-1.0, 0.0, 0.0),
        ];
    }

    /**
     * Evenly over the sphere by the golden angle; over half of it where a way and its opposite are one.
     *
     * @return list<Direction>
     */
    public static function around(int $many, bool $half): array
    {
        $ways = [];
        for ($i = 0; $i < $many; $i++) {
            $z = $half ? 1.0 - ($i + 0.5) / $many : 1.0 - 2.0 * ($i + 0.5) / $many;
            $angle = $i * M_PI * (3.0 - sqrt(5.0));
            $ways[] = Direction::of(sqrt(1.0 - $z * $z) * cos($angle), sqrt(1.0 - $z * $z) * sin($angle), $z);
        }

        return $ways;
    }

    /**
     * The axes the piece lies along: those of the spread of its surface, by Jacobi's rotations. Of what was turned on a lathe one is
     * its axis, however it was cut into facets.
     *
     * @return list<Direction>
     */
    public static function own(Mesh $mesh): array
    {
        $m = self::spread($mesh);
        $own = [[1.0, 0.0, 0.0], [0.0, 1.0, 0.0], [0.0, 0.0, 1.0]];
        for ($sweep = 0; $sweep < 12; $sweep++) {
            foreach ([[0, 1], [0, 2], [1, 2]] as [$p, $q]) {
                if (abs($m[$p][$q]) < 1e-12) {
                    continue;
                }
                $angle = 0.5 * atan2(2.0 * $m[$p][$q], $m[$q][$q] - $m[$p][$p]);
                [$c, $s] = [cos($angle), sin($angle)];
                for ($k = 0; $k < 3; $k++) {
                    [$m[$k][$p], $m[$k][$q]] = [$c * $m[$k][$p] - $s * $m[$k][$q], $s * $m[$k][$p] + $c * $m[$k][$q]];
                }
                for ($k = 0; $k < 3; $k++) {
                    [$m[$p][$k], $m[$q][$k]] = [$c * $m[$p][$k] - $s * $m[$q][$k], $s * $m[$p][$k] + $c * $m[$q][$k]];
                    [$own[$k][$p], $own[$k][$q]] = [$c * $own[$k][$p] - $s * $own[$k][$q], $s * $own[$k][$p] + $c * $own[$k][$q]];
                }
            }
        }

        return array_map(static fn (int $k): Direction => Direction::of($own[0][$k], $own[1][$k], $own[2][$k]), [0, 1, 2]);
    }

    /**
     * A little to each side.
     *
     * @return list<Direction>
     */
    public static function near(Direction $way, float $degrees): array
    {
        return array_map(
            static fn (array $tips): Direction => $way->tipped($tips[0] * $degrees, $tips[1] * $degrees),
            [[1, 0], [-1, 0], [0, 1], [0, -1], [0.7, 0.7], [-0.7, -0.7], [0.7, -0.7], [-0.7, 0.7]],
        );
    }

    /** @return list<list<float>> second moments of the surface about its middle */
    private static function spread(Mesh $mesh): array
    {
        [$x, $y, $z, $corners] = [$mesh->x, $mesh->y, $mesh->z, $mesh->corners];
        $area = 0.0;
        $first = [0.0, 0.0, 0.0];
        $second = [0.0, 0.0, 0.0, 0.0, 0.0, 0.0];
        for ($h = 0, $n = count($corners); $h < $n; $h += 3) {
            [$a, $b, $c] = [$corners[$h], $corners[$h + 1], $corners[$h + 2]];
            [$nx, $ny, $nz] = $mesh->normal(intdiv($h, 3));
            $weight = sqrt($nx * $nx + $ny * $ny + $nz * $nz) / 24.0;
            $sx = $x[$a] + $x[$b] + $x[$c];
            $sy = $y[$a] + $y[$b] + $y[$c];
            $sz = $z[$a] + $z[$b] + $z[$c];
            $area += $weight;
            $first[0] += $weight * $sx;
            $first[1] += $weight * $sy;
            $first[2] += $weight * $sz;
            $second[0] += $weight * ($sx * $sx + $x[$a] * $x[$a] + $x[$b] * $x[$b] + $x[$c] * $x[$c]);
            $second[1] += $weight * ($sx * $sy + $x[$a] * $y[$a] + $x[$b] * $y[$b] + $x[$c] * $y[$c]);
            $second[2] += $weight * ($sx * $sz + $x[$a] * $z[$a] + $x[$b] * $z[$b] + $x[$c] * $z[$c]);
            $second[3] += $weight * ($sy * $sy + $y[$a] * $y[$a] + $y[$b] * $y[$b] + $y[$c] * $y[$c]);
            $second[4] += $weight * ($sy * $sz + $y[$a] * $z[$a] + $y[$b] * $z[$b] + $y[$c] * $z[$c]);
            $second[5] += $weight * ($sz * $sz + $z[$a] * $z[$a] + $z[$b] * $z[$b] + $z[$c] * $z[$c]);
        }
        $whole = max(12.0 * $area, 1e-12);
        $mean = array_map(static fn (float $sum): float => 4.0 * $sum / $whole, $first);
        $m = [[0.0, 0.0, 0.0], [0.0, 0.0, 0.0], [0.0, 0.0, 0.0]];
        foreach ([[0, 0], [0, 1], [0, 2], [1, 1], [1, 2], [2, 2]] as $k => [$i, $j]) {
            $m[$i][$j] = $m[$j][$i] = $second[$k] / $whole - $mean[$i] * $mean[$j];
        }

        return $m;
    }

    /**
     * The ways its large flats face, the largest first: a wall that stands upright to one of them hides as soon as the pull leans.
     *
     * @return list<Direction>
     */
    public static function faces(Mesh $mesh, int $many): array
    {
        $sums = [];
        $whole = 0.0;
        for ($h = 0, $n = count($mesh->corners); $h < $n; $h += 3) {
            [$nx, $ny, $nz] = $mesh->normal(intdiv($h, 3));
            $twice = sqrt($nx * $nx + $ny * $ny + $nz * $nz);
            if ($twice <= 0.0) {
                continue;
            }
            [$nx, $ny, $nz, $area] = [$nx / $twice, $ny / $twice, $nz / $twice, $twice / 2.0];
            $whole += $area;
            // A way and its opposite are one here.
            $sign = $nz < -1e-6 || (abs($nz) <= 1e-6 && ($ny < -1e-6 || (abs($ny) <= 1e-6 && $nx < 0.0))) ? -1.0 : 1.0;
            $key = ((int) round(25.0 * $sign * $nx)).' '.((int) round(25.0 * $sign * $ny)).' '.((int) round(25.0 * $sign * $nz));
            $there = $sums[$key] ?? [0.0, 0.0, 0.0, 0.0];
            $sums[$key] = [
                $there[0] + $sign * $area * $nx, $there[1] + $sign * $area * $ny, $there[2] + $sign * $area * $nz, $there[3] + $area,
            ];
        }
        usort($sums, static fn (array $a, array $b): int => $b[3] <=> $a[3]);
        $faces = [];
        foreach (array_slice($sums, 0, $many) as [$x, $y, $z, $area]) {
            if ($area > 0.01 * $whole && hypot(hypot($x, $y), $z) > 0.0) {
                $faces[] = Direction::of($x, $y, $z);
            }
        }

        return $faces;
    }
}
