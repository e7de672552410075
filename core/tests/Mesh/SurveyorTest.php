<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Mesh;

use Apalos\Core\Mesh\Mesh;
use Apalos\Core\Mesh\Surveyor;
use Apalos\Core\Mesh\Welder;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class SurveyorTest extends TestCase
{
    private static function joined(Mesh ...$meshes): Mesh
    {
        $welder = new Welder;
        foreach ($meshes as $mesh) {
            $map = array_map(static fn (int $v): int => $welder->vertex(...$mesh->at($v)), range(0, $mesh->vertices() - 1));
            foreach (array_chunk($mesh->corners, 3) as [$a, $b, $c]) {
                $welder->facet($map[$a], $map[$b], $map[$c]);
            }
        }

        return $welder->mesh();
    }

    private static function insideOut(Mesh $mesh): Mesh
    {
        return new Mesh(
            $mesh->x, $mesh->y, $mesh->z,
            array_merge(...array_map(static fn (array $three): array => array_reverse($three), array_chunk($mesh->corners, 3))),
        );
    }

    /** A solid of n sides about an axis has the volume and area of its flats, not of the round it stands for. */
    public function test_volume_and_area_are_those_of_the_facets(): void
    {
        // A prism of 48 sides, worked out by trigonometry.
        $survey = (new Surveyor)->survey(Shapes::turnedOnALathe([[0.0, 0.0], [20.0, 0.0], [20.0, 30.0], [0.0, 30.0]], 48));
        $base = 24.0 * 20.0 ** 2 * sin(2 * M_PI / 48);

        self::assertEqualsWithDelta($base * 30.0 / 1000.0, $survey->volume, 1e-6);
        self::assertEqualsWithDelta(2 * $base + 48 * 2 * 20.0 * sin(M_PI / 48) * 30.0, $survey->area, 1e-3);
        self::assertEqualsWithDelta([0.0, 0.0, 15.0], $survey->centre, 1e-6);
    }

    /** What is alike on both sides has its middle at nought, and no crumb of a sum beside it. */
    public function test_the_middle_of_a_symmetric_body_is_nought(): void
    {
        foreach ([Shapes::sphere(30.0, 24), Shapes::torus(40.0, 10.0, 24), Shapes::box(60.0, 40.0, 20.0, -30.0, -20.0, -10.0)] as $mesh) {
            self::assertSame([0.0, 0.0, 0.0], (new Surveyor)->survey($mesh)->centre);
        }
    }

    #[DataProvider('turns')]
    public function test_neither_turning_nor_moving_changes_them(int $seed): void
    {
        $straight = (new Surveyor)->survey(Shapes::hornedBlock());
        $mesh = Shapes::turned(Shapes::hornedBlock(), Shapes::turning($seed));
        $far = new Mesh(
            array_map(static fn (float $x): float => $x + 5000.0, $mesh->x), $mesh->y,
            array_map(static fn (float $z): float => $z - 3000.0, $mesh->z), $mesh->corners,
        );
        $survey = (new Surveyor)->survey($far);

        self::assertEqualsWithDelta(78.0, $straight->volume, 1e-9);
        self::assertEqualsWithDelta($straight->volume, $survey->volume, 78.0 * 1e-9);
        self::assertEqualsWithDelta($straight->area, $survey->area, $straight->area * 1e-9);
    }

    /** @return iterable<array{int}> */
    public static function turns(): iterable
    {
        return array_map(static fn (int $seed): array => [$seed], range(1, 6));
    }

    public function test_a_hole_a_sheet_and_a_third_facet_on_an_edge_are_counted(): void
    {
        $box = Shapes::box(10.0, 10.0, 10.0);
        $open = (new Surveyor)->survey(new Mesh($box->x, $box->y, $box->z, array_slice($box->corners, 0, -3)));
        self::assertSame([3, false], [$open->open, $open->watertight()]);

        $crowded = (new Surveyor)->survey(new Mesh([...$box->x, 20.0], [...$box->y, 20.0], [...$box->z, 20.0], [
            ...$box->corners, 0, 1, 8,
        ]));
        self::assertSame([3, 1], [$crowded->open, $crowded->crowded]);
    }

    public function test_what_rounding_tore_apart_is_drawn_together(): void
    {
        $sphere = Shapes::sphere(30.0, 24);
        $welder = new Welder;
        foreach (array_chunk($sphere->corners, 3) as $i => $three) {
            // Each facet rounds its corners its own way, as a converter does.
            $corners = array_map(
                static fn (int $v): int => $welder->vertex(
                    ...array_map(static fn (float $c): float => $c + 4e-6 * (($i * 7 + $v) % 5 - 2) / 2, $sphere->at($v)),
                ),
                $three,
            );
            $welder->facet(...$corners);
        }
        $torn = $welder->mesh();
        self::assertGreaterThan($sphere->vertices(), $torn->vertices());

        $survey = (new Surveyor)->survey($torn);
        self::assertTrue($survey->watertight());
        self::assertSame($sphere->vertices(), $survey->mesh->vertices());
    }

    public function test_a_shell_drawn_inside_out_is_turned_and_said(): void
    {
        $survey = (new Surveyor)->survey(self::joined(Shapes::box(10.0, 10.0, 10.0), self::insideOut(Shapes::box(5.0, 5.0, 5.0, 20.0))));

        self::assertSame([2, 1, 0], [$survey->shells, $survey->flipped, $survey->inner]);
        self::assertEqualsWithDelta(1.125, $survey->volume, 1e-9);
        self::assertEqualsWithDelta(1.0, (new Surveyor)->survey(self::insideOut(Shapes::box(10.0, 10.0, 10.0)))->volume, 1e-9);
    }

    public function test_a_room_inside_is_left_out_and_a_part_inside_is_counted_once(): void
    {
        $room = (new Surveyor)->survey(
            self::joined(Shapes::box(10.0, 10.0, 10.0), self::insideOut(Shapes::box(4.0, 4.0, 4.0, 3.0, 3.0, 3.0))),
        );
        self::assertSame([0, 1, 0], [$room->flipped, $room->inner, $room->overlapping]);
        self::assertEqualsWithDelta(1.0 - 0.064, $room->volume, 1e-9);

        $part = (new Surveyor)->survey(self::joined(Shapes::box(10.0, 10.0, 10.0), Shapes::box(4.0, 4.0, 4.0, 3.0, 3.0, 3.0)));
        self::assertSame([0, 0, 0, 1], [$part->flipped, $part->inner, $part->overlapping, $part->united]);
        self::assertEqualsWithDelta(1.0, $part->volume, 1e-9, 'It is counted once.');

        // A ball in a room in a box: solid in an even number of others.
        $nested = (new Surveyor)->survey(
            self::joined(
                Shapes::box(20.0, 20.0, 20.0), self::insideOut(Shapes::box(10.0, 10.0, 10.0, 5.0, 5.0, 5.0)),
                Shapes::box(2.0, 2.0, 2.0, 9.0, 9.0, 9.0),
            ),
        );
        self::assertSame([0, 1, 0], [$nested->flipped, $nested->inner, $nested->overlapping]);
    }
}
