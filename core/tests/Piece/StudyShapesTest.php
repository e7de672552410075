<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Piece;

use Apalos\Core\Mesh\Clip;
use Apalos\Core\Mesh\Direction;
use Apalos\Core\Mesh\Mesh;
use Apalos\Core\Mesh\Surveyor;
use Apalos\Core\Piece\AirTraps;
use Apalos\Core\Piece\Girths;
use Apalos\Core\Piece\HidingDepth;
use Apalos\Core\Piece\Poured;
use Apalos\Core\Piece\Sight;
use Apalos\Core\Piece\Silhouette;
use Apalos\Core\Piece\Undercuts;
use Apalos\Core\Tests\Mesh\Shapes;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Shapes one can work out on paper, standing straight and turned any way: the answers turn with them. */
final class StudyShapesTest extends TestCase
{
    private const STRAIGHT = [[1.0, 0.0, 0.0], [0.0, 1.0, 0.0], [0.0, 0.0, 1.0]];

    /** @return iterable<string, array{array{list<float>, list<float>, list<float>}}> */
    public static function turnings(): iterable
    {
        yield 'straight' => [self::STRAIGHT];
        foreach ([3, 7, 19] as $seed) {
            yield "turned {$seed}" => [Shapes::turning($seed)];
        }
    }

    /**
     * @param  array{list<float>, list<float>, list<float>}  $by
     * @param  array{float, float, float}  $way
     */
    private static function pulled(Mesh $mesh, array $by, array $way, bool $onePart = false): Undercuts
    {
        return Sight::of(Shapes::turned($mesh, $by), Direction::of(...Shapes::turnedPlace($by, $way)), $onePart, true);
    }

    /**
     * @param  array{list<float>, list<float>, list<float>}  $by
     * @param  array{float, float, float}  $up
     */
    private static function poured(Mesh $mesh, array $by, array $up): Poured
    {
        $survey = (new Surveyor)->survey(Shapes::turned($mesh, $by));

        return AirTraps::of($survey->mesh, $survey->links, Direction::of(...Shapes::turnedPlace($by, $up)));
    }

    /** @param  array{list<float>, list<float>, list<float>}  $by */
    #[DataProvider('turnings')]
    public function test_a_sphere_comes_out_any_way_and_parts_in_the_middle(array $by): void
    {
        foreach ([[0.0, 0.0, 1.0], [1.0, 0.4, -0.3]] as $way) {
            $seen = self::pulled(Shapes::sphere(30.0), $by, $way);
            $parting = Silhouette::of($seen->facing);

            self::assertLessThan(0.5, $seen->pct());
            self::assertSame([true, 1], [$parting->flat, $parting->loops]);
            self::assertEqualsWithDelta(2.0 / 3.0 * M_PI * 27.0, Clip::above($seen->facing, $parting->plane), 0.3);
        }
        self::assertSame(0, self::poured(Shapes::sphere(30.0), $by, [0.2, 0.5, 1.0])->vents());
    }

    /**
     * Half of it faces away, and of that the cap within half a millimetre of the board is its base.
     *
     * @param  array{list<float>, list<float>, list<float>}  $by
     */
    #[DataProvider('turnings')]
    public function test_of_a_sphere_in_one_part_the_lower_half_hides(array $by): void
    {
        $seen = self::pulled(Shapes::sphere(30.0), $by, [0.0, 0.0, 1.0], true);
        $base = 2 * M_PI * 30.0 * 0.5;
        $half = 2 * M_PI * 900.0;

        // Archimedes: a zone has the area of its height. What leans less than 0.02 stands upright, and is seen.
        self::assertEqualsWithDelta(100.0 * ($half - $base - 0.02 * $half) / (2 * $half - $base), $seen->pct(), 1.0);
        // At the rim of the base one stands √(30² − 29.5²) from the axis, and the way out is at the equator.
        self::assertEqualsWithDelta(30.0 - sqrt(900.0 - 29.5 ** 2), (new HidingDepth)->of($seen)['mm'], 0.6);
    }

    /** @param  array{list<float>, list<float>, list<float>}  $by */
    #[DataProvider('turnings')]
    public function test_a_box_comes_out_along_every_axis(array $by): void
    {
        foreach ([[0.0, 0.0, 1.0], [0.0, 1.0, 0.0], [1.0, 0.0, 0.0]] as $axis) {
            foreach ([false, true] as $onePart) {
                $seen = self::pulled(Shapes::box(60.0, 40.0, 20.0), $by, $axis, $onePart);
                $parting = Silhouette::of($seen->facing);

                self::assertLessThan(1e-6, $seen->pct());
                self::assertSame([true, 1], [$parting->flat, $parting->loops]);
                self::assertEqualsWithDelta(0.0, Girths::of($seen->facing)['pct'], 0.01);
            }
        }
    }

    /** @param  array{list<float>, list<float>, list<float>}  $by */
    #[DataProvider('turnings')]
    public function test_a_ring_comes_out_along_its_axis_and_not_across_it(array $by): void
    {
        $lying = self::pulled(Shapes::torus(40.0, 10.0), $by, [0.0, 0.0, 1.0]);
        $parting = Silhouette::of($lying->facing);
        self::assertLessThan(0.2, $lying->pct());
        self::assertSame([true, 2], [$parting->flat, $parting->loops], 'The outer line and the inner one.');

        $standing = self::pulled(Shapes::torus(40.0, 10.0), $by, [1.0, 0.0, 0.0]);
        self::assertEqualsWithDelta(self::hiddenOfARing(40.0, 10.0), $standing->pct(), 1.0);
        self::assertFalse(Silhouette::of($standing->facing)->flat);
        // Standing, the hole lets air out sideways; lying, its whole top is one ridge.
        self::assertSame(0, self::poured(Shapes::torus(40.0, 10.0), $by, [1.0, 0.0, 0.0])->vents());
        self::assertSame(0, self::poured(Shapes::torus(40.0, 10.0), $by, [0.0, 0.0, 1.0])->vents());
    }

    /** By another route: rays along x against the equation of the ring, from places spread over it by its own angles. */
    private static function hiddenOfARing(float $ring, float $tube): float
    {
        $inside = static fn (float $x, float $y, float $z): bool => (hypot($x, $y) - $ring) ** 2 + $z ** 2 < $tube ** 2 - 1e-9;
        $hidden = $all = 0.0;
        for ($i = 0; $i < 120; $i++) {
            for ($j = 0; $j < 60; $j++) {
                [$a, $b] = [2 * M_PI * ($i + 0.5) / 120, 2 * M_PI * ($j + 0.5) / 60];
                [$x, $y, $z] = [($ring + $tube * cos($b)) * cos($a), ($ring + $tube * cos($b)) * sin($a), $tube * sin($b)];
                $lean = cos($b) * cos($a);
                $weight = $ring + $tube * cos($b);
                $all += $weight;
                $free = static function (int $sense) use ($inside, $x, $y, $z, $lean, $a, $b): bool {
                    for ($s = 0.05; $s < 110.0; $s += 0.25) {
                        if ($inside($x + 1e-3 * $lean + $s * $sense, $y + 1e-3 * cos($b) * sin($a), $z + 1e-3 * sin($b))) {
                            return false;
                        }
                    }

                    return true;
                };
                $isSeen = $lean > 0.02 ? $free(1) : ($lean < -0.02 ? $free(-1) : $free(1) || $free(-1));
                $hidden += $isSeen ? 0.0 : $weight;
            }
        }

        return 100.0 * $hidden / $all;
    }

    /** @param  array{list<float>, list<float>, list<float>}  $by */
    #[DataProvider('turnings')]
    public function test_a_mushroom_is_the_worst_case_for_one_part_and_none_for_two(array $by): void
    {
        $mushroom = Shapes::mushroom(10.0, 30.0, 25.0, 15.0);
        $two = self::pulled($mushroom, $by, [0.0, 0.0, 1.0]);
        $parting = Silhouette::of($two->facing);
        self::assertLessThan(0.2, $two->pct());
        self::assertSame([true, 1], [$parting->flat, $parting->loops]);
        self::assertEqualsWithDelta(
            2.0 / 3.0 * M_PI * 25.0 * 25.0 * 15.0 / 1000.0, Clip::above($two->facing, $parting->plane), 0.05,
            'The dome above, the stem below.',
        );

        $one = self::pulled($mushroom, $by, [0.0, 0.0, 1.0], true);
        $dome = M_PI * 25.0 ** 2 * (1.0 + (15.0 / 25.0) ** 2 / sqrt(1.0 - 0.36) * atanh(sqrt(1.0 - 0.36)));
        $hides = 2 * M_PI * 10.0 * 30.0 + M_PI * (625.0 - 100.0);
        self::assertEqualsWithDelta(100.0 * $hides / ($hides + $dome), $one->pct(), 1.0);
        self::assertEqualsWithDelta(15.0, (new HidingDepth)->of($one)['mm'], 0.1, 'From the stem to the rim.');
        self::assertEqualsWithDelta(150.0, Girths::of($one->facing)['pct'], 0.5, 'A cap of 25 past a stem of 10.');
    }

    /** @param  array{list<float>, list<float>, list<float>}  $by */
    #[DataProvider('turnings')]
    public function test_under_a_cup_turned_over_the_rubber_shuts_air_in(array $by): void
    {
        $cup = Shapes::cup(30.0, 50.0, 3.0, 4.0);
        $over = self::poured($cup, $by, [0.0, 0.0, 1.0]);

        self::assertCount(1, $over->traps);
        self::assertFalse($over->traps[0]->inCast);
        self::assertEqualsWithDelta(M_PI * 27.0 ** 2 * 46.0 / 1000.0, $over->traps[0]->ml, 105.0 * 0.02);
        self::assertEqualsWithDelta(46.0, $over->traps[0]->prominence, 1e-6);
        self::assertSame(0, self::poured($cup, $by, [0.0, 0.0, -1.0])->vents());
    }

    /** @param  array{list<float>, list<float>, list<float>}  $by */
    #[DataProvider('turnings')]
    public function test_of_two_horns_the_spout_takes_the_higher_and_the_lower_keeps_its_air(array $by): void
    {
        $block = Shapes::hornedBlock();
        $up = self::poured($block, $by, [0.0, 0.0, 1.0]);
        self::assertCount(1, $up->traps);
        self::assertTrue($up->traps[0]->inCast);
        self::assertEqualsWithDelta([15.0, 10.0 * 40.0 * 15.0 / 1000.0], [$up->traps[0]->prominence, $up->traps[0]->ml], 1e-6);
        self::assertSame(0, self::poured($block, $by, [0.0, 0.0, -1.0])->vents());
        // Tipped so far that the low horn runs into the tall one's side, nothing stays.
        self::assertSame(0, self::poured($block, $by, [-1.0, 0.0, 0.02])->vents());
    }

    /** @param  array{list<float>, list<float>, list<float>}  $by */
    #[DataProvider('turnings')]
    public function test_what_lies_above_and_below_is_the_whole(array $by): void
    {
        $mesh = Shapes::turned(Shapes::cup(30.0, 50.0, 3.0, 4.0, 4.0), $by);
        $survey = (new Surveyor)->survey($mesh);
        $seen = Sight::of($mesh, Direction::of(0.3, -0.2, 0.9), false, true);
        foreach ([0.1, 0.35, 0.5, 0.8] as $share) {
            $level = $seen->facing->lowest() + $share * $seen->facing->height();
            $below = Clip::below($seen->facing, $level);

            self::assertEqualsWithDelta($survey->volume, $below['ml'] + Clip::above($seen->facing, $level), 1e-9 * $survey->volume);
        }
    }
}
