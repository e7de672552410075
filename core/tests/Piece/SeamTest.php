<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Piece;

use Apalos\Core\Mesh\Direction;
use Apalos\Core\Mesh\Facing;
use Apalos\Core\Mesh\Mesh;
use Apalos\Core\Mesh\Surveyor;
use Apalos\Core\Mesh\Welder;
use Apalos\Core\Piece\OnePart;
use Apalos\Core\Piece\Parting;
use Apalos\Core\Piece\PourSearch;
use Apalos\Core\Piece\SeamLocks;
use Apalos\Core\Piece\Silhouette;
use Apalos\Core\Tests\Mesh\Shapes;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The seam lies on the true silhouette, outside and on inner walls; and a seam that is moved says what it locks in. */
final class SeamTest extends TestCase
{
    /** A tumbler, mouth up, wider at its rim than at its foot: long facets from foot to rim. */
    private static function flared(float $foot, float $rim, float $high, float $wall = 3.0, int $around = 32): Mesh
    {
        return Shapes::turnedOnALathe(
            [[0.0, 0.0], [$foot, 0.0], [$rim, $high], [$rim - $wall, $high], [$foot - $wall, $wall], [0.0, $wall]], $around,
        );
    }

    /** A double-walled tumbler: one cup stands in another, with a groove between them that is open at the top. */
    private static function cupInCup(): Mesh
    {
        return Shapes::turnedOnALathe(
            [
                [0.0, 0.0], [30.0, 0.0], [36.0, 50.0], [33.0, 50.0], [28.0, 6.0], [26.0, 6.0], [24.0, 44.0], [21.0, 44.0], [17.0, 9.0],
                [0.0, 9.0],
            ],
            40,
        );
    }

    /** A cone on its side and tipped, its point up by this many degrees. */
    private static function tiltedCone(float $degrees): Mesh
    {
        return Shapes::turned(Shapes::turnedOnALathe([[0.0, 0.0], [20.0, 0.0], [10.0, 35.0], [0.0, 70.0]], 48), self::tipped($degrees));
    }

    /** A screw without a head, lying along x: a round bar whose radius runs round with its length. */
    private static function screw(): Mesh
    {
        $welder = new Welder;
        [$along, $around] = [96, 48];
        $place = static function (int $i, int $j) use ($welder, $along, $around): int {
            $angle = 2.0 * M_PI * ($j % $around) / $around;
            $radius = 10.0 + 2.0 * sin($angle + 2.0 * M_PI * 4.0 * $i / $along);

            return $welder->vertex(round(60.0 * $i / $along, 9), round($radius * cos($angle), 9), round($radius * sin($angle), 9));
        };
        [$left, $right] = [$welder->vertex(0.0, 0.0, 0.0), $welder->vertex(60.0, 0.0, 0.0)];
        for ($j = 0; $j < $around; $j++) {
            for ($i = 0; $i < $along; $i++) {
                $welder->facet($place($i, $j), $place($i + 1, $j), $place($i + 1, $j + 1));
                $welder->facet($place($i, $j), $place($i + 1, $j + 1), $place($i, $j + 1));
            }
            $welder->facet($left, $place(0, $j), $place(0, $j + 1));
            $welder->facet($right, $place($along, $j + 1), $place($along, $j));
        }

        return $welder->mesh();
    }

    /** @return array{list<float>, list<float>, list<float>} */
    private static function tipped(float $degrees): array
    {
        [$c, $s] = [cos(deg2rad($degrees)), sin(deg2rad($degrees))];

        return [[1.0, 0.0, 0.0], [0.0, $c, -$s], [0.0, $s, $c]];
    }

    private static function facing(Mesh $mesh): Facing
    {
        return Facing::of((new Surveyor)->survey($mesh)->mesh, Direction::of(0.0, 0.0, 1.0));
    }

    public function test_a_flared_tumbler_parts_at_its_rim_and_only_there(): void
    {
        $parting = Silhouette::of(self::facing(self::flared(20.0, 30.0, 60.0)));
        self::assertSame([true, 1], [$parting->flat, $parting->loops]);
        self::assertEqualsWithDelta(60.0, $parting->plane, 1e-9);
        self::assertEqualsWithDelta(2.0 * 32.0 * 30.0 * sin(M_PI / 32.0), self::length($parting), 1e-6, 'The rim, as the facets have it.');

        // Straight and mouth up it is no other: no seam along the foot and the head of its inner wall.
        $straight = Silhouette::of(self::facing(self::flared(30.0, 30.0, 60.0)));
        self::assertSame([true, 1], [$straight->flat, $straight->loops]);
    }

    public function test_a_cup_in_a_cup_parts_at_the_outer_rim(): void
    {
        $parting = Silhouette::of(self::facing(self::cupInCup()));
        self::assertSame([true, 1], [$parting->flat, $parting->loops]);
        self::assertEqualsWithDelta(50.0, $parting->plane, 1e-9);
    }

    /** @return iterable<string, array{Mesh}> */
    public static function shapes(): iterable
    {
        yield 'a tumbler' => [self::flared(20.0, 30.0, 60.0)];
        yield 'one that narrows' => [self::flared(30.0, 18.0, 50.0)];
        yield 'a cup in a cup' => [self::cupInCup()];
        yield 'a ring' => [Shapes::torus(40.0, 10.0)];
        yield 'a ring, tipped' => [Shapes::turned(Shapes::torus(40.0, 10.0), self::tipped(25.0))];
        yield 'a tilted cone' => [self::tiltedCone(35.0)];
        yield 'a cone on its side' => [self::tiltedCone(90.0)];
        yield 'a screw' => [self::screw()];
    }

    /**
     * By another route: in every direction across, the outermost point of the piece is on its seam. What throws the edge of the shadow
     * is where the surface turns from one way to the other.
     */
    #[DataProvider('shapes')]
    public function test_what_throws_the_edge_of_the_shadow_lies_on_the_seam(Mesh $mesh): void
    {
        $facing = self::facing($mesh);
        $segments = Silhouette::of($facing)->segments;
        $size = max($facing->mesh->bounds()->size());
        for ($i = 0; $i < 72; $i++) {
            [$c, $s] = [cos(2.0 * M_PI * ($i + 0.31) / 72.0), sin(2.0 * M_PI * ($i + 0.31) / 72.0)];
            $shadow = max(array_map(static fn (float $u, float $v): float => $c * $u + $s * $v, $facing->u, $facing->v));
            $seam = max(
                array_map(
                    static fn (array $one): float => max($c * $one[0][0] + $s * $one[0][1], $c * $one[1][0] + $s * $one[1][1]), $segments,
                ),
            );
            self::assertEqualsWithDelta($shadow, $seam, 0.004 * $size);
        }
    }

    /** A line that parts two halves is closed: each of its ends is another's. */
    #[DataProvider('shapes')]
    public function test_every_line_of_it_is_closed(Mesh $mesh): void
    {
        $met = [];
        foreach (Silhouette::of(self::facing($mesh))->segments as $segment) {
            foreach ($segment as $end) {
                $key = implode(' ', array_map(static fn (float $mm): string => number_format(round($mm, 4) + 0.0, 4), $end));
                $met[$key] = ($met[$key] ?? 0) + 1;
            }
        }
        self::assertNotSame([], $met);
        self::assertSame([], array_filter($met, static fn (int $times): bool => $times % 2 === 1));
    }

    /** Where it parts nothing is locked; lower, the flare of a tumbler is: its outer wall over the seam, worked out on paper. */
    public function test_a_seam_that_is_moved_says_what_it_locks(): void
    {
        $facing = self::facing(self::flared(20.0, 30.0, 60.0, around: 96));
        self::assertEqualsWithDelta(0.0, SeamLocks::at($facing, 60.0), 1.0);
        // The frustum from radius 25 to 30 over 30 mm.
        $flare = M_PI * (25.0 + 30.0) * hypot(5.0, 30.0);
        self::assertEqualsWithDelta($flare, SeamLocks::at($facing, 30.0), 0.03 * $flare);
        $all = M_PI * (20.0 + 30.0) * hypot(10.0, 60.0);
        self::assertEqualsWithDelta($all, SeamLocks::at($facing, 0.0), 0.03 * $all, 'On the board: the whole outside.');

        $ball = self::facing(Shapes::sphere(30.0, 48));
        self::assertEqualsWithDelta(0.0, SeamLocks::at($ball, 0.0), 0.005 * 4.0 * M_PI * 900.0);
        // Archimedes: a zone has the area of its height.
        foreach ([5.0, -12.0, 20.0] as $level) {
            $zone = 2.0 * M_PI * 30.0 * abs($level);
            self::assertEqualsWithDelta($zone, SeamLocks::at($ball, $level), 0.03 * $zone);
        }
    }

    /** The farther from where it parts, the more. */
    public function test_it_locks_more_the_farther_it_is_moved(): void
    {
        $facing = self::facing(self::tiltedCone(0.0));
        $before = -1.0;
        foreach ([0.0, 10.0, 20.0, 30.0, 45.0, 60.0] as $level) {
            $locked = SeamLocks::at($facing, $level);
            self::assertGreaterThan($before, $locked + 1.0);
            $before = $locked;
        }
    }

    /** @return iterable<string, array{Mesh, bool}> */
    public static function parts(): iterable
    {
        yield 'a flat block' => [Shapes::box(80.0, 60.0, 12.0), true];
        yield 'a tumbler, its mouth as wide as its foot' => [self::flared(30.0, 30.0, 60.0), true];
        yield 'a flask, wider inside than its mouth' => [self::flared(30.0, 18.0, 50.0), false];
        yield 'a cone on its foot' => [Shapes::turnedOnALathe([[0.0, 0.0], [20.0, 0.0], [0.0, 70.0]], 48), true];
        yield 'half a ring, lying on its cut' => [
            Shapes::turnedOnALathe(
                [
                    [30.0, 0.0], [50.0, 0.0],
                    ...array_map(
                        static fn (int $i): array => [40.0 + 10.0 * cos(M_PI * $i / 24), 10.0 * sin(M_PI * $i / 24)], range(1, 23),
                    ),
                ],
                96, true,
            ),
            true,
        ];
        yield 'a whole ring' => [Shapes::torus(40.0, 10.0), false];
        yield 'a ball' => [Shapes::sphere(30.0, 48), false];
        yield 'a screw' => [self::screw(), false];
    }

    #[DataProvider('parts')]
    public function test_what_stands_on_a_flat_side_and_hides_nothing_is_offered_one_part(Mesh $mesh, bool $serves): void
    {
        self::assertSame($serves, OnePart::serves((new Surveyor)->survey($mesh), Direction::of(0.0, 0.0, 1.0)) !== null);
    }

    /** Of two places where no air stays the sprue takes the one that lies on the seam, at an end. */
    public function test_the_spout_lies_on_the_seam_at_an_end(): void
    {
        $capsule = Shapes::turned(
            Shapes::turnedOnALathe(
                array_map(
                    static fn (int $i): array => [
                        $i === 0 || $i === 24 ? 0.0 : 15.0 * sin(M_PI * $i / 24), ($i <= 12 ? -40.0 : 40.0) - 15.0 * cos(M_PI * $i / 24),
                    ],
                    range(0, 24),
                ),
                48,
            ),
            [[0.0, 0.0, 1.0], [1.0, 0.0, 0.0], [0.0, 1.0, 0.0]],
        );
        $survey = (new Surveyor)->survey($capsule);
        $best = PourSearch::of($survey, static function (float $share): void {}, Direction::of(0.0, 0.0, 1.0))[0];
        self::assertGreaterThan(0.999, abs($best->up->x), 'Lying along x and pulled along z.');
        self::assertSame(0, $best->vents());
    }

    private static function length(Parting $parting): float
    {
        return array_sum(
            array_map(
                static fn (array $one): float => sqrt(
                    ($one[0][0] - $one[1][0]) ** 2 + ($one[0][1] - $one[1][1]) ** 2 + ($one[0][2] - $one[1][2]) ** 2,
                ),
                $parting->segments,
            ),
        );
    }
}
