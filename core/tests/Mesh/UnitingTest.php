<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Mesh;

use Apalos\Core\Mesh\Mesh;
use Apalos\Core\Mesh\Survey;
use Apalos\Core\Mesh\Surveyor;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Parts drawn into each other are one piece once cast: what lies in two of them is counted once. */
final class UnitingTest extends TestCase
{
    private static function joined(Mesh ...$meshes): Mesh
    {
        [$x, $y, $z, $corners] = [[], [], [], []];
        foreach ($meshes as $mesh) {
            $from = count($x);
            $corners = [...$corners, ...array_map(static fn (int $v): int => $v + $from, $mesh->corners)];
            [$x, $y, $z] = [[...$x, ...$mesh->x], [...$y, ...$mesh->y], [...$z, ...$mesh->z]];
        }

        return new Mesh($x, $y, $z, $corners);
    }

    private static function shifted(Mesh $mesh, float $x, float $y = 0.0, float $z = 0.0): Mesh
    {
        $by = static fn (array $all, float $mm): array => array_map(static fn (float $one): float => $one + $mm, $all);

        return new Mesh($by($mesh->x, $x), $by($mesh->y, $y), $by($mesh->z, $z), $mesh->corners);
    }

    private static function inverted(Mesh $mesh): Mesh
    {
        return new Mesh($mesh->x, $mesh->y, $mesh->z, array_merge(...array_map(array_reverse(...), array_chunk($mesh->corners, 3))));
    }

    private static function survey(Mesh ...$parts): Survey
    {
        return (new Surveyor)->survey(self::joined(...$parts));
    }

    /**
     * Worked out on paper, in mm³ and mm².
     *
     * @return iterable<string, array{list<Mesh>, float, float, int}>
     */
    public static function boxes(): iterable
    {
        $box = static fn (
            float $l, float $w, float $h, float $x = 0.0, float $y = 0.0, float $z = 0.0,
        ): Mesh => Shapes::box($l, $w, $h, $x, $y, $z);
        yield 'corner in corner' => [[$box(10, 10, 10), $box(10, 10, 10, 7, 6, 5)], 2000.0 - 3 * 4 * 5, 1200.0 - 2 * (12 + 15 + 20), 1];
        yield 'a cross of two bars, through each other' => [
            [$box(40, 10, 10), $box(10, 40, 10, 15, -15, 0.0)], 8000.0 - 1000.0, 2 * 1800.0 - 4 * 100.0 - 2 * 100.0, 1,
        ];
        yield 'a peg stuck through a plate' => [
            [$box(40, 40, 5), $box(4, 6, 30, 10, 12, -10)], 8000.0 + 4 * 6 * 25, 4000.0 + 2 * (24 + 120 + 180) - 2 * 24 - 20 * 5, 1,
        ];
        yield 'side by side, half a face in common' => [[$box(10, 10, 10), $box(10, 10, 10, 5, 0, 0)], 1500.0, 800.0, 1];
        yield 'the same twice' => [[$box(10, 10, 10), $box(10, 10, 10)], 1000.0, 600.0, 1];
        yield 'one wholly in the other' => [[$box(10, 10, 10), $box(4, 4, 4, 3, 3, 3)], 1000.0, 600.0, 1];
        yield 'three in a row' => [
            [$box(10, 10, 10), $box(10, 8, 8, 8, 1, 1), $box(10, 6, 6, 16, 2, 2)], 1000.0 + 8 * 64 + 8 * 36, 600.0 + 8 * 32 + 8 * 24, 2,
        ];
        yield 'a bar that joins two that stand apart' => [
            [$box(10, 10, 10), $box(10, 10, 10, 30, 0, 0), $box(24, 4, 4, 8, 3, 3)], 2000.0 + 20 * 16, 1200.0 + 20 * 16 - 2 * 16, 2,
        ];
        yield 'three through one corner' => [
            [$box(20, 6, 6), $box(6, 20, 6, -1, 1, 1), $box(6, 6, 20, 1, -1, 2)], 2400 + 2400 - 0 + 0.0, -1.0, 2,
        ];
    }

    /** @param  list<Mesh>  $parts */
    #[DataProvider('boxes')]
    public function test_boxes_in_boxes_as_worked_out_on_paper(array $parts, float $mm3, float $mm2, int $united): void
    {
        $survey = self::survey(...$parts);
        self::assertTrue($survey->watertight());
        self::assertFalse($survey->apart);
        self::assertSame([$united, 0], [$survey->united, $survey->overlapping]);
        if ($mm2 >= 0.0) {
            self::assertEqualsWithDelta($mm3 / 1000.0, $survey->volume, 1e-5 * $mm3 / 1000.0);
            self::assertEqualsWithDelta($mm2, $survey->area, 1e-4 * $mm2);
        } else {
            self::assertEqualsWithDelta(self::counted($parts) / 1000.0, $survey->volume, 1e-5 * $survey->volume);
        }
    }

    /**
     * By another route: boxes along the axes cut the room into cells, and each cell is in one of them or in none.
     *
     * @param  list<Mesh>  $boxes
     */
    private static function counted(array $boxes): float
    {
        $spans = array_map(
            static fn (Mesh $box): array => [[min($box->x), max($box->x)], [min($box->y), max($box->y)], [min($box->z), max($box->z)]],
            $boxes,
        );
        $cuts = array_map(static function (int $axis) use ($spans): array {
            $at = array_values(array_unique(array_merge(...array_map(static fn (array $span): array => $span[$axis], $spans))));
            sort($at);

            return $at;
        }, [0, 1, 2]);
        $sum = 0.0;
        for ($i = 1; $i < count($cuts[0]); $i++) {
            for ($j = 1; $j < count($cuts[1]); $j++) {
                for ($k = 1; $k < count($cuts[2]); $k++) {
                    $in = array_filter(
                        $spans,
                        static fn (array $span): bool => $span[0][0] < $cuts[0][$i]
                            && $span[0][1] >= $cuts[0][$i]
                            && $span[1][0] < $cuts[1][$j]
                            && $span[1][1] >= $cuts[1][$j]
                            && $span[2][0] < $cuts[2][$k]
                            && $span[2][1] >= $cuts[2][$k],
                    );
                    $sum += $in === []
                        ? 0.0
                        : ($cuts[0][$i] - $cuts[0][$i - 1]) * ($cuts[1][$j] - $cuts[1][$j - 1]) * ($cuts[2][$k] - $cuts[2][$k - 1]);
                }
            }
        }

        return $sum;
    }

    public function test_boxes_at_random_turned_any_way(): void
    {
        mt_srand(23);
        for ($round = 0; $round < 12; $round++) {
            $boxes = array_map(
                static fn (): Mesh => Shapes::box(
                    mt_rand(4, 20), mt_rand(4, 20), mt_rand(4, 20), mt_rand(0, 12), mt_rand(0, 12), mt_rand(0, 12),
                ),
                range(1, 2 + $round % 4),
            );
            $survey = (new Surveyor)->survey(Shapes::turned(self::joined(...$boxes), Shapes::turning($round)));
            self::assertTrue($survey->watertight(), "Round {$round}");
            self::assertEqualsWithDelta(self::counted($boxes) / 1000.0, $survey->volume, 1e-4 * $survey->volume, "Round {$round}");
        }
    }

    public function test_two_balls_meet_in_a_lens(): void
    {
        [$r, $apart] = [10.0, 12.0];
        $ball = Shapes::sphere($r, 64);
        $survey = self::survey($ball, self::shifted($ball, $apart));
        // As polyhedra they are a little less than balls; the lens by the formula of two caps, scaled likewise.
        $lens = M_PI * (4 * $r + $apart) * (2 * $r - $apart) ** 2 / 12.0;
        $whole = 4 / 3 * M_PI * $r ** 3;
        $scale = $ball->volume() / $whole;
        self::assertTrue($survey->watertight());
        self::assertSame([1, 1], [$survey->shells, $survey->united]);
        self::assertEqualsWithDelta($scale * (2 * $whole - $lens) / 1000.0, $survey->volume, 0.003 * $survey->volume);
        self::assertEqualsWithDelta($apart / 2.0, $survey->centre[0], 1e-4);
    }

    public function test_a_room_stays_a_room_and_what_is_let_into_it_fills_it(): void
    {
        $hollow = [Shapes::box(20.0, 20.0, 20.0), self::inverted(Shapes::box(10.0, 10.0, 10.0, 5.0, 5.0, 5.0))];
        self::assertEqualsWithDelta(7.0, self::survey(...$hollow)->volume, 1e-9, 'Nothing is joined, nothing is moved.');
        $pegged = self::survey(...[...$hollow, Shapes::box(4.0, 4.0, 30.0, 8.0, 8.0, -5.0)]);
        self::assertTrue($pegged->watertight());
        self::assertEqualsWithDelta(7.0 + 0.016 * 20.0, $pegged->volume, 1e-4, 'Ten of its thirty run through the room, ten stand out.');
        $loose = self::survey(...[...$hollow, Shapes::box(2.0, 2.0, 2.0, 9.0, 9.0, 9.0)]);
        self::assertSame([0, 0], [$loose->united, $loose->overlapping]);
        self::assertEqualsWithDelta(7.008, $loose->volume, 1e-9);
    }

    public function test_what_stands_apart_is_not_touched_by_a_hair(): void
    {
        $parts = [Shapes::sphere(10.0, 24), self::shifted(Shapes::sphere(10.0, 24), 20.5), Shapes::box(5.0, 5.0, 5.0, -20.0)];
        $survey = self::survey(...$parts);
        self::assertSame(self::joined(...$parts)->x, $survey->mesh->x);
        self::assertSame([3, 0], [$survey->shells, $survey->united]);
    }

    /** More of one thing is never less, and never more than both. */
    public function test_whatever_is_stuck_together(): void
    {
        mt_srand(7);
        $any = static fn (): Mesh => match (mt_rand(0, 3)) {
            0 => Shapes::sphere(mt_rand(4, 9), 12 + 2 * mt_rand(0, 6)),
            1 => Shapes::torus(mt_rand(6, 9), mt_rand(2, 4), 16),
            2 => Shapes::mushroom(3.0, 8.0, 7.0, 4.0, 1.5),
            default => Shapes::cup(8.0, 10.0, 2.0, 2.0, 2.0),
        };
        for ($round = 0; $round < 10; $round++) {
            [$a, $b] = [
                Shapes::turned($any(), Shapes::turning($round)),
                self::shifted(
                    Shapes::turned($any(), Shapes::turning($round + 50)), mt_rand(-60, 60) / 10, mt_rand(-60, 60) / 10,
                    mt_rand(-60, 60) / 10,
                ),
            ];
            $survey = self::survey($a, $b);
            self::assertFalse($survey->apart, "Round {$round}");
            self::assertTrue($survey->watertight(), "Round {$round}");
            self::assertGreaterThan(max($a->volume(), $b->volume()) / 1000.0 - 1e-6, $survey->volume);
            self::assertLessThan(($a->volume() + $b->volume()) / 1000.0 + 1e-6, $survey->volume);
            self::assertEqualsWithDelta(self::byRays($a, $b), $survey->volume, 0.03 * $survey->volume, "Round {$round}");
        }
    }

    /** By slow rays: columns of a grid, each as long as what it is in, of either. */
    private static function byRays(Mesh $a, Mesh $b): float
    {
        $step = 0.7;
        $both = self::joined($a, $b);
        [$box, $sum] = [$both->bounds(), 0.0];
        for ($x = $box->least[0] + 0.0137; $x < $box->most[0]; $x += $step) {
            for ($y = $box->least[1] + 0.0171; $y < $box->most[1]; $y += $step) {
                $ends = [];
                foreach (array_chunk($both->corners, 3) as [$p, $q, $r]) {
                    [[$px, $py, $pz], [$qx, $qy, $qz], [$rx, $ry, $rz]] = [$both->at($p), $both->at($q), $both->at($r)];
                    $d = ($qx - $px) * ($ry - $py) - ($rx - $px) * ($qy - $py);
                    if ($d === 0.0) {
                        continue;
                    }
                    $u = (($x - $px) * ($ry - $py) - ($rx - $px) * ($y - $py)) / $d;
                    $v = (($qx - $px) * ($y - $py) - ($x - $px) * ($qy - $py)) / $d;
                    if ($u >= 0.0 && $v >= 0.0 && $u + $v <= 1.0) {
                        $ends[] = [$pz + $u * ($qz - $pz) + $v * ($rz - $pz), $d > 0.0 ? -1 : 1];
                    }
                }
                sort($ends);
                $deep = 0;
                foreach ($ends as $i => [$z, $by]) {
                    $sum += $deep > 0 ? $z - $ends[$i - 1][0] : 0.0;
                    $deep += $by;
                }
            }
        }

        return $sum * $step * $step / 1000.0;
    }
}
