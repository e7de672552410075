<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Piece;

use Apalos\Core\Mesh\Direction;
use Apalos\Core\Mesh\Mesh;
use Apalos\Core\Piece\Sight;
use Apalos\Core\Tests\Mesh\Shapes;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What a pull sees, against the slow way: every facet in many small parts, each with a ray against all the others. */
final class SightTest extends TestCase
{
    /** @return iterable<string, array{Mesh}> */
    public static function pieces(): iterable
    {
        yield 'a bumpy ball' => [self::bumpy(18)];
        yield 'a ring' => [Shapes::torus(20.0, 8.0, 14)];
        yield 'a mushroom' => [Shapes::mushroom(6.0, 15.0, 14.0, 9.0, 3.0)];
        yield 'a block of few large facets' => [Shapes::hornedBlock()];
    }

    private static function bumpy(int $steps): Mesh
    {
        $ball = Shapes::sphere(1.0, $steps);
        $out = [[], [], []];
        for ($v = 0; $v < $ball->vertices(); $v++) {
            [$x, $y, $z] = $ball->at($v);
            $r = 20.0 * (1.0 + 0.25 * sin(5 * $x) * cos(4 * $y) + 0.1 * sin(6 * $z));
            $out[0][] = $r * $x;
            $out[1][] = $r * $y;
            $out[2][] = $r * $z;
        }

        return new Mesh($out[0], $out[1], $out[2], $ball->corners);
    }

    #[DataProvider('pieces')]
    public function test_it_agrees_with_rays_against_everything(Mesh $mesh): void
    {
        foreach ([[0.2, 0.1, 1.0], [1.0, -0.6, 0.25]] as $way) {
            foreach ([false, true] as $onePart) {
                self::assertEqualsWithDelta(
                    self::slowly($mesh, Direction::of(...$way), $onePart), Sight::of($mesh, Direction::of(...$way), $onePart, true)->pct(),
                    1.0,
                );
            }
        }
    }

    #[DataProvider('pieces')]
    public function test_a_pull_and_its_opposite_hide_the_same_and_a_mesh_that_leaks_is_seen_alike(Mesh $mesh): void
    {
        $way = Direction::of(0.3, 0.5, 0.7);
        $pct = Sight::of($mesh, $way, false, true)->pct();

        self::assertEqualsWithDelta($pct, Sight::of($mesh, $way->back(), false, true)->pct(), 0.05);
        self::assertEqualsWithDelta($pct, Sight::of($mesh, $way, false, false)->pct(), 0.05);
    }

    private static function slowly(Mesh $mesh, Direction $d, bool $onePart): float
    {
        [$u, $v] = $d->across();
        $places = array_map(
            static fn (int $i): array => [self::dot($mesh->at($i), $u), self::dot($mesh->at($i), $v), self::dot($mesh->at($i), $d)],
            range(0, $mesh->vertices() - 1),
        );
        $lowest = min(array_column($places, 2));
        $facets = array_map(
            static fn (array $three): array => array_map(static fn (int $i): array => $places[$i], $three), array_chunk($mesh->corners, 3),
        );
        $hidden = $all = 0.0;
        foreach ($facets as [$a, $b, $c]) {
            $n = [
                ($b[1] - $a[1]) * ($c[2] - $a[2]) - ($b[2] - $a[2]) * ($c[1] - $a[1]),
                ($b[2] - $a[2]) * ($c[0] - $a[0]) - ($b[0] - $a[0]) * ($c[2] - $a[2]),
                ($b[0] - $a[0]) * ($c[1] - $a[1]) - ($b[1] - $a[1]) * ($c[0] - $a[0]),
            ];
            $twice = sqrt($n[0] ** 2 + $n[1] ** 2 + $n[2] ** 2);
            $lean = $n[2] / $twice;
            if ($onePart && $lean < -0.02 && max($a[2], $b[2], $c[2]) <= $lowest + 0.5) {
                continue;
            }
            $parts = count($facets) < 100 ? 12 : 2;
            for ($i = 0; $i < $parts; $i++) {
                for ($j = 0; $j < $parts - $i; $j++) {
                    foreach ($i + $j < $parts - 1 ? [1 / 3, 2 / 3] : [1 / 3] as $in) {
                        [$s, $t] = [($i + $in) / $parts, ($j + $in) / $parts];
                        $p = array_map(
                            static fn (int $k): float => $a[$k] + $s * ($b[$k] - $a[$k]) + $t * ($c[$k] - $a[$k]) + 2e-3 * $n[$k] / $twice,
                            [0, 1, 2],
                        );
                        $all += $twice / $parts ** 2;
                        $up = self::isFree($facets, $p, 1);
                        $isSeen = match (true) {
                            $onePart => $lean >= -0.02 && $up,
                            $lean > 0.02 => $up,
                            $lean < -0.02 => self::isFree($facets, $p, -1),
                            default => $up || self::isFree($facets, $p, -1),
                        };
                        $hidden += $isSeen ? 0.0 : $twice / $parts ** 2;
                    }
                }
            }
        }

        return 100.0 * $hidden / $all;
    }

    /**
     * @param  list<array<array{float, float, float}>>  $facets
     * @param  array<float>  $p
     */
    private static function isFree(array $facets, array $p, int $sense): bool
    {
        foreach ($facets as [$a, $b, $c]) {
            $wa = ($b[0] - $p[0]) * ($c[1] - $p[1]) - ($b[1] - $p[1]) * ($c[0] - $p[0]);
            $wb = ($c[0] - $p[0]) * ($a[1] - $p[1]) - ($c[1] - $p[1]) * ($a[0] - $p[0]);
            $wc = ($a[0] - $p[0]) * ($b[1] - $p[1]) - ($a[1] - $p[1]) * ($b[0] - $p[0]);
            if (
                abs($wa + $wb + $wc) > 1e-12
                && (min($wa, $wb, $wc) >= 0 || max($wa, $wb, $wc) <= 0)
                && ($wa * $a[2] + $wb * $b[2] + $wc * $c[2]) / ($wa + $wb + $wc) * $sense > $p[2] * $sense + 1e-6
            ) {
                return false;
            }
        }

        return true;
    }

    /** @param  array{float, float, float}  $at */
    private static function dot(array $at, Direction $d): float
    {
        return $at[0] * $d->x + $at[1] * $d->y + $at[2] * $d->z;
    }
}
