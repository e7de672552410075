<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Piece;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Mesh\Direction;
use Apalos\Core\Mesh\Mesh;
use Apalos\Core\Piece\PieceStudy;
use Apalos\Core\Piece\StudyRequest;
use Apalos\Core\Piece\StudyResult;
use Apalos\Core\Tests\Mesh\Shapes;
use Apalos\Core\Tests\Words;
use PHPUnit\Framework\TestCase;

final class PieceStudyTest extends TestCase
{
    /** @param  array<string, mixed>  $asked */
    private static function studied(Mesh $mesh, array $asked = []): StudyResult
    {
        return (new PieceStudy)->study(Shapes::file(Shapes::stl($mesh), 'stl'), 'piece.stl', StudyRequest::from(Fields::of($asked)));
    }

    /** @return list<string> */
    private static function codes(StudyResult $result): array
    {
        return array_column($result->warnings, 'code');
    }

    public function test_by_itself_it_finds_a_pull_that_hides_nothing(): void
    {
        $by = Shapes::turning(11);
        foreach ([
            'a mushroom' => Shapes::mushroom(10.0, 30.0, 25.0, 15.0, 2.0), 'a ring' => Shapes::torus(40.0, 10.0, 32),
            'a cup' => Shapes::cup(30.0, 50.0, 3.0, 4.0, 3.0),
        ] as $name => $mesh) {
            $result = self::studied(Shapes::turned($mesh, $by));

            self::assertLessThan(1.0, $result->pulls[0]->pct(), $name);
            self::assertLessThan(0.1, $result->pours[0]->trapped(), $name);
            self::assertLessThanOrEqual(3, count($result->pulls));
        }
        // A ring and a cup let go along their axis alone.
        self::assertLessThan(4.0, min(self::off(self::studied(Shapes::turned(Shapes::torus(40.0, 10.0, 32), $by)), $by), 90.0));
    }

    /** @param  array{list<float>, list<float>, list<float>}  $by */
    private static function off(StudyResult $result, array $by): float
    {
        $angle = $result->pulls[0]->facing->along->angleTo(Direction::of(...Shapes::turnedPlace($by, [0.0, 0.0, 1.0])));

        return min($angle, 180.0 - $angle);
    }

    public function test_the_best_three_are_truly_different_and_the_best_comes_first(): void
    {
        $result = self::studied(Shapes::hornedBlock());
        foreach ($result->pulls as $i => $one) {
            self::assertGreaterThanOrEqual($result->pulls[0]->pct() - 0.5, $one->pct());
            foreach (array_slice($result->pulls, $i + 1) as $other) {
                $angle = $one->facing->along->angleTo($other->facing->along);
                self::assertGreaterThan(9.0, min($angle, 180.0 - $angle));
            }
        }
    }

    public function test_halves_box_and_rubber_add_up(): void
    {
        $result = self::studied(Shapes::sphere(30.0), ['pull' => '0,0,1', 'pour' => '0,0,1', 'wall_mm' => 10]);
        $volume = $result->survey->volume;

        self::assertEqualsWithDelta($volume, $result->halves[0] + $result->halves[1], 1e-9);
        self::assertEqualsWithDelta([80.0, 80.0, 80.0], $result->block->inner, 0.1);
        self::assertEqualsWithDelta(array_product($result->block->inner) / 1000.0 - $volume, $result->block->rubber(), 1e-9);
        self::assertEqualsWithDelta($result->block->halves[0], $result->block->halves[1], 0.5);
        self::assertEqualsWithDelta(40.0, $result->block->seam, 0.1);
    }

    public function test_a_seam_moved_up_moves_rubber_from_above_to_below(): void
    {
        $before = self::studied(Shapes::sphere(30.0), ['pull' => '0,0,1', 'pour' => '0,0,1', 'wall_mm' => 10])->block;
        $after = self::studied(Shapes::sphere(30.0), ['pull' => '0,0,1', 'pour' => '0,0,1', 'wall_mm' => 10, 'seam_mm' => 45])->block;

        self::assertEqualsWithDelta($before->rubber(), $after->rubber(), 1e-9);
        // The slab between, less the zone of the ball in it: π·h·(r² − h²/3) from the middle.
        $zone = M_PI * 15.0 * (900.0 - 15.0 ** 2 / 3.0) / 1000.0;
        self::assertEqualsWithDelta(80.0 * 80.0 * 15.0 / 1000.0 - $zone, $after->halves[0] - $before->halves[0], 0.4);
    }

    public function test_keys_stand_clear_of_the_part_and_of_the_wall(): void
    {
        foreach ([6, 12, 25] as $wall) {
            $block = self::studied(Shapes::torus(40.0, 10.0, 32), ['pull' => '0,0,1', 'pour' => '0,0,1', 'wall_mm' => $wall])->block;
            self::assertNotSame([], $block->keys);
            foreach ($block->keys as [$x, $y, $z]) {
                self::assertEqualsWithDelta(0.0, $z, 0.2);
                self::assertGreaterThan($block->keyMm / 2, hypot($x, $y) - 50.0, 'from the part');
                self::assertGreaterThan($block->keyMm / 2, 50.0 + $wall - max(abs($x), abs($y)), 'from the wall');
            }
        }
    }

    public function test_the_spout_runs_from_the_highest_point_and_a_vent_from_every_trap_to_the_outside(): void
    {
        $result = self::studied(Shapes::hornedBlock(), ['pull' => '0,1,0', 'pour' => '0,0,1', 'wall_mm' => 12]);

        self::assertEqualsWithDelta(50.0, $result->block->spout['at'][2], 1e-6);
        self::assertEqualsWithDelta(12.0, $result->block->spout['length_mm'], 1e-6);
        self::assertCount(1, $result->block->vents);
        self::assertEqualsWithDelta(27.0, $result->block->vents[0]['length_mm'], 1e-6, 'From the low horn up to the roof.');
    }

    public function test_margins_follow_school_size_and_hardness(): void
    {
        $margin = static fn (array $asked): float => self::studied(Shapes::box(150.0, 80.0, 40.0), [
            'pull' => '0,0,1', 'pour' => '0,0,1', ...$asked,
        ])->block->margin;

        self::assertSame([6.0, 12.0, 25.0], [
            $margin(['school' => 'thrifty']), $margin(['school' => 'standard']), $margin(['school' => 'heavy']),
        ]);
        self::assertGreaterThan($margin(['school' => 'standard', 'shore_a' => 40]), $margin(['school' => 'standard', 'shore_a' => 5]));
        self::assertSame(12.0, $margin([]));
        self::assertSame(9.0, $margin(['school' => 'heavy', 'wall_mm' => 9]));
    }

    public function test_a_small_piece_is_asked_about_and_one_whose_unit_is_said_is_not(): void
    {
        self::assertContains('maybe_inches', self::codes(self::studied(Shapes::box(3.0, 2.0, 1.0), [
            'pull' => '0,0,1', 'pour' => '0,0,1',
        ])));
        self::assertNotContains('maybe_inches', self::codes(self::studied(Shapes::box(3.0, 2.0, 1.0), [
            'units' => 'in', 'pull' => '0,0,1', 'pour' => '0,0,1',
        ])));
        self::assertNotContains('maybe_inches', self::codes(self::studied(Shapes::box(30.0, 20.0, 10.0), [
            'pull' => '0,0,1', 'pour' => '0,0,1',
        ])));
    }

    public function test_a_hole_a_sheet_and_an_open_cup_are_flagged_and_answered_all_the_same(): void
    {
        $box = Shapes::box(30.0, 30.0, 30.0);
        $open = self::studied(
            new Mesh($box->x, $box->y, $box->z, array_slice($box->corners, 0, -3)), ['pull' => '0,0,1', 'pour' => '0,0,1'],
        );
        self::assertContains('not_watertight', self::codes($open));

        $sheet = self::studied(new Mesh([0.0, 30.0, 30.0, 0.0], [0.0, 0.0, 30.0, 30.0], [0.0, 0.0, 0.0, 0.0], [0, 1, 2, 0, 2, 3]));
        self::assertContains('no_volume', self::codes($sheet));
        json_encode($sheet->toArray(), JSON_THROW_ON_ERROR);
    }

    public function test_in_words_it_says_what_a_maker_would(): void
    {
        $result = self::studied(Shapes::hornedBlock(), [
            'pull' => '0,1,0', 'pour' => '0.26,0,0.966', 'sides' => ['+z' => 'head', '+x' => 'tail'],
        ]);
        $words = array_map(Words::of(...), $result->words);

        self::assertSame('Pulled towards the back and the other way, nothing hides: two halves let go.', $words[0]);
        self::assertStringStartsWith('Poured with the head up, tipped 15° to the tail: 1 vent, at the', $words[2]);
    }

    public function test_progress_goes_from_nought_to_one_and_what_it_throws_ends_the_study(): void
    {
        $shares = [];
        (new PieceStudy)->study(Shapes::file(
            Shapes::stl(Shapes::sphere(20.0, 12)), 'stl',
        ), 'x.stl', new StudyRequest, static function (string $what, float $share) use (&$shares): void {
            $shares[] = $share;
        });
        $sorted = $shares;
        sort($sorted);
        self::assertSame($sorted, $shares);
        self::assertSame([0.0, 1.0], [$shares[0], end($shares)]);

        $this->expectExceptionMessage('enough');
        (new PieceStudy)->study(
            Shapes::file(Shapes::stl(Shapes::sphere(20.0, 12)), 'stl'), 'x.stl', new StudyRequest,
            static fn (string $what, float $share) => $share > 0.3 ? throw new \RuntimeException('enough') : null,
        );
    }

    /** @return iterable<array{list<string>, string}> */
    public static function nonsense(): iterable
    {
        yield [['--units', 'mm'], 'file'];
        yield [['-'], 'format'];
        yield [['a.stl', 'b.stl'], 'file'];
        yield [['a.stl', '--pull', '0,0,0'], 'pull'];
        yield [['a.stl', '--pour', 'up'], 'pour'];
        yield [['a.stl', '--wall', 'thick'], 'wall_mm'];
        yield [['a.stl', '--units', 'furlong'], 'units'];
        yield [['a.stl', '--loud'], 'loud'];
        yield [['a.stl', '--pull'], 'pull'];
        yield [['a.stl', '--float', 'heavy'], 'float'];
    }

    /** @param  list<string>  $words */
    #[\PHPUnit\Framework\Attributes\DataProvider('nonsense')]
    public function test_nonsense_on_the_console_names_its_word(array $words, string $field): void
    {
        try {
            StudyRequest::written($words);
            self::fail('It was taken.');
        } catch (BadInput $wrong) {
            self::assertSame($field, $wrong->field);
            self::assertMatchesRegularExpression('/[.?]$/', Words::of($wrong));
        }
    }
}
