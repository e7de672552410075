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
        return [Direction::of(0.0, 0.0, 1.0), Direction::of(0.0, 1.0, 0.0), Direction::of(1.0, 0.0, 0.0), Direction::of(0.0, 0.0, -1.0), Direction::of(0.0, -1.0, 0.0), Direction::of(-1.0, 0.0, 0.0)];
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
     * The axes the piece lies along: those of its spread, by Jacobi's rotations.
     *
     * @return list<Direction>
     */
    public static function own(Mesh $mesh): array
    {
        $n = max(1, $mesh->vertices());
        $axes = [$mesh->x, $mesh->y, $mesh->z];
        $mean = array_map(static fn (array $values): float => array_sum($values) / $n, $axes);
        $m = [[0.0, 0.0, 0.0], [0.0, 0.0, 0.0], [0.0, 0.0, 0.0]];
        for ($v = 0; $v < $n && $mesh->x !== []; $v++) {
            $d = [$axes[0][$v] - $mean[0], $axes[1][$v] - $mean[1], $axes[2][$v] - $mean[2]];
            foreach ([[0, 0], [0, 1], [0, 2], [1, 1], [1, 2], [2, 2]] as [$i, $j]) {
                $m[$i][$j] += $d[$i] * $d[$j];
            }
        }
        [$m[1][0], $m[2][0], $m[2][1]] = [$m[0][1], $m[0][2], $m[1][2]];
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
        return array_map(static fn (array $tips): Direction => $way->tipped($tips[0] * $degrees, $tips[1] * $degrees), [[1, 0], [-1, 0], [0, 1], [0, -1], [0.7, 0.7], [-0.7, -0.7], [0.7, -0.7], [-0.7, 0.7]]);
    }
}
