<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Water;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Mesh\Direction;
use Apalos\Core\Mesh\Mesh;
use Apalos\Core\Mesh\Surveyor;
use Apalos\Core\Tests\Mesh\Shapes;
use Apalos\Core\Tests\Words;
use Apalos\Core\Water\Ballast;
use Apalos\Core\Water\BallastRequest;
use Apalos\Core\Water\BallastResult;
use Apalos\Core\Water\Floating;
use Apalos\Core\Water\FloatResult;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class WaterTest extends TestCase
{
    private const LURE = [
        'body' => ['volume_ml' => 42, 'centre_mm' => [0, 0, 0]], 'resin' => ['base_sg' => 1.06, 'filler_sg' => 0.17, 'filler_pct' => 7],
        'hardware' => [
            ['name' => 'hooks', 'mass_g' => 2.4, 'sg' => 7.85, 'inside' => false, 'at_mm' => [4, 0, -9]],
            ['name' => 'wire', 'mass_g' => 1.1, 'sg' => 7.85, 'inside' => true, 'at_mm' => [0, 0, -1]],
        ],
        'water_sg' => 0.998, 'target_pct' => 6, 'ballast' => ['sg' => 11.34, 'inside' => true], 'trim_deg' => 8,
    ];

    /** @param  array<string, mixed>  $with */
    private static function reckoned(array $with = []): BallastResult
    {
        return (new Ballast)->reckon(BallastRequest::from(Fields::of([...self::LURE, ...$with])));
    }

    public function test_the_lure_of_the_bench_note(): void
    {
        $inside = self::reckoned();
        self::assertEqualsWithDelta([0.7757, 9.43], [$inside->resinSg, $inside->ballast], 0.005);
        self::assertEqualsWithDelta(9.69, self::reckoned(['ballast' => ['sg' => 11.34, 'inside' => false]])->ballast, 0.005);
        self::assertLessThan($inside->ballast, $inside->forgetful, 'Who forgets the resin it displaces takes too little.');
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function bodies(): iterable
    {
        foreach ([-20, 0, 3, 12] as $target) {
            foreach ([true, false] as $inside) {
                yield "{$target} %, ".($inside ? 'inside' : 'outside') => [
                    ['target_pct' => $target, 'ballast' => ['sg' => 11.34, 'inside' => $inside], 'resin' => ['sg' => 0.61]],
                ];
            }
        }
    }

    /**
     * Put together again: what it weighs is what was wanted of what it displaces, and under water its weight hangs straight below.
     *
     * @param  array<string, mixed>  $with
     */
    #[DataProvider('bodies')]
    public function test_the_sum_of_the_parts_is_what_was_wanted(array $with): void
    {
        $asked = BallastRequest::from(Fields::of([...self::LURE, ...$with]));
        $result = (new Ballast)->reckon($asked);
        $ml = $result->ballast / 11.34;
        $inside = $with['ballast']['inside'];
        $resinMl = 42.0 - 1.1 / 7.85 - ($inside ? $ml : 0.0);
        $mass = 0.61 * $resinMl + 2.4 + 1.1 + $result->ballast;
        $displaced = 42.0 + 2.4 / 7.85 + ($inside ? 0.0 : $ml);

        self::assertEqualsWithDelta($mass, $result->whole, 1e-9);
        self::assertEqualsWithDelta((1.0 + $with['target_pct'] / 100.0) * 0.998 * $displaced, $mass, 1e-9);
        self::assertNotNull($result->at);
        [$x, , $z] = $result->at;
        $gx = (2.4 * 4.0 + $result->ballast * $x - ($inside ? 0.61 * $ml * $x : 0.0)) / $mass;
        $gz = (2.4 * -9.0 + (1.1 - 0.61 * 1.1 / 7.85) * -1.0 + $result->ballast * $z - ($inside ? 0.61 * $ml * $z : 0.0)) / $mass;
        $bx = (2.4 / 7.85 * 4.0 + ($inside ? 0.0 : $ml * $x)) / $displaced;
        $bz = (2.4 / 7.85 * -9.0 + ($inside ? 0.0 : $ml * $z)) / $displaced;
        self::assertEqualsWithDelta(8.0, rad2deg(atan2($gx - $bx, $bz - $gz)), 1e-6);
    }

    /** Archimedes: 32.58 g in air, and 9.336 g of a sinker's pull are missing to hold it under: 42 ml of it. */
    public function test_a_cast_weighed_in_air_and_in_water_tells_its_own_density(): void
    {
        $light = self::reckoned(['resin' => ['air_g' => 42.0 * 0.7757, 'in_water_g' => 42.0 * (0.7757 - 0.998)]]);
        self::assertEqualsWithDelta(0.7757, $light->resinSg, 1e-9);
        $heavy = self::reckoned(['water_sg' => 1.025, 'resin' => ['air_g' => 50.0, 'in_water_g' => 50.0 - 40.0 * 1.025]]);
        self::assertEqualsWithDelta(1.25, $heavy->resinSg, 1e-9, 'In the sea: 40 ml.');
        $this->expectException(BadInput::class);
        self::reckoned(['resin' => ['air_g' => 50.0, 'in_water_g' => 50.0]]);
    }

    /** Put where it hangs as wanted it hangs as wanted; fore of there the nose goes down, and aside it leans. */
    public function test_ballast_moved_by_hand_turns_the_body(): void
    {
        $found = self::reckoned();
        self::assertEqualsWithDelta(8.0, $found->hangs['trim_deg'] ?? null, 1e-6);
        $by = static fn (float $x, float $y, float $z): BallastResult => self::reckoned([
            'ballast' => [
                'sg' => 11.34, 'inside' => true,
                'at_mm' => [($found->at[0] ?? 0.0) + $x, ($found->at[1] ?? 0.0) + $y, ($found->at[2] ?? 0.0) + $z],
            ],
        ]);
        self::assertEqualsWithDelta(
            [8.0, $found->ballast], [$by(0.0, 0.0, 0.0)->hangs['trim_deg'] ?? null, $by(0.0, 0.0, 0.0)->ballast], 1e-6,
        );
        self::assertGreaterThan(8.0, $by(3.0, 0.0, 0.0)->hangs['trim_deg'] ?? 0.0);
        self::assertLessThan(8.0, $by(-3.0, 0.0, 0.0)->hangs['trim_deg'] ?? 90.0);
        self::assertGreaterThan(2.0, abs($by(0.0, 3.0, 0.0)->hangs['lean_deg'] ?? 0.0));
        self::assertContains('turns_over', array_column($by(0.0, 0.0, 60.0)->warnings, 'code'));
    }

    /** A cast that hangs balanced a millimetre fore of its middle pulls its nose down by what its weight is of the whole. */
    public function test_where_the_cast_hangs_balanced_can_be_said(): void
    {
        $at = self::reckoned()->at;
        $straight = self::reckoned(['ballast' => ['sg' => 11.34, 'inside' => true, 'at_mm' => $at]]);
        $fore = self::reckoned([
            'body' => ['volume_ml' => 42, 'centre_mm' => [0, 0, 0], 'balance_mm' => [1, 0, 0]],
            'ballast' => ['sg' => 11.34, 'inside' => true, 'at_mm' => $at],
        ]);
        // By hand: the whole body of resin, 42 ml of 0.7757, moved by one millimetre.
        self::assertEqualsWithDelta(
            $straight->resinSg * 42.0 / $straight->whole, ($fore->centre[0] ?? 0.0) - ($straight->centre[0] ?? 0.0), 1e-9,
        );
        self::assertGreaterThan($straight->hangs['trim_deg'] ?? 0.0, $fore->hangs['trim_deg'] ?? 0.0);
    }

    /** By another route: let down on a thread through its middle, a mesh that sinks turns until its weight hangs straight below. */
    public function test_what_sinks_hangs_with_its_weight_below_its_middle(): void
    {
        $rest = self::floating(Shapes::box(100.0, 60.0, 20.0, -50.0, -30.0, -10.0), 300.0, [10.0, 0.0, -10.0]);
        self::assertFalse($rest->floats);
        self::assertLessThan(0.01, Direction::of(-1.0, 0.0, 1.0)->angleTo($rest->up ?? Direction::up()));
        self::assertGreaterThan(120.0 * 0.5 ** 0.5 / 2.0, $rest->level, 'The water stands over it.');
        self::assertNull(
            self::floating(Shapes::box(100.0, 60.0, 20.0, -50.0, -30.0, -10.0), 300.0, [0.0, 0.0, 0.0])->up,
            'Weight and lift in one place: any way round.',
        );
    }

    public function test_what_is_too_heavy_already_is_told_the_filler_that_helps(): void
    {
        $result = self::reckoned(['target_pct' => -30]);
        self::assertLessThan(0.0, $result->ballast);
        $says = Words::of($result->warnings[0]->message);
        self::assertSame('floats_less_impossible', $result->warnings[0]->code);
        self::assertSame(1, preg_match('/With ([\d.]+) % by weight of a filler of 0.17/', $says, $found));
        // With that much it needs none.
        self::assertEqualsWithDelta(
            0.0,
            self::reckoned([
                'target_pct' => -30, 'resin' => ['base_sg' => 1.06, 'filler_sg' => 0.17, 'filler_pct' => (float) $found[1]],
            ])->ballast,
            0.1,
        );
    }

    public function test_ballast_lighter_than_resin_and_hardware_larger_than_the_body_are_refused(): void
    {
        foreach ([
            [['ballast' => ['sg' => 0.7, 'inside' => true]], 'ballast.sg'],
            [['hardware' => [['name' => 'anchor', 'mass_g' => 900, 'sg' => 7.85, 'inside' => true]]], 'hardware'],
            [['body' => ['volume_ml' => 42, 'centre_mm' => [1, 2]]], 'body.centre_mm'],
        ] as [$with, $field]) {
            try {
                self::reckoned($with);
                self::fail('It was reckoned.');
            } catch (BadInput $wrong) {
                self::assertSame($field, $wrong->field);
            }
        }
    }

    /** @param  array{float, float, float}|null  $centre */
    private static function floating(Mesh $mesh, float $mass, ?array $centre = null, ?Direction $up = null): FloatResult
    {
        $survey = (new Surveyor)->survey($mesh);

        return (new Floating)->rest(
            $survey->mesh, $survey->volume, $mass, $centre ?? $survey->centre, 1.0, $up ?? Direction::of(0.1, 0.15, 1.0),
        );
    }

    public function test_a_flat_board_lies_flat_and_dips_by_its_density(): void
    {
        $rest = self::floating(Shapes::box(100.0, 60.0, 20.0), 0.6 * 120.0);

        self::assertTrue($rest->stable);
        self::assertLessThan(0.1, Direction::up()->angleTo($rest->up ?? Direction::of(1, 0, 0)));
        self::assertEqualsWithDelta(12.0, $rest->draught, 0.01);
        self::assertEqualsWithDelta(72.0, $rest->wetMl, 0.01);
    }

    /** A long beam of half the water's density, square across, floats on its edge: a result one finds in every book on ships. */
    public function test_a_square_beam_of_half_the_density_floats_on_its_edge(): void
    {
        $rest = self::floating(Shapes::box(400.0, 30.0, 30.0), 0.5 * 360.0);
        $up = $rest->up ?? Direction::of(1, 0, 0);

        self::assertEqualsWithDelta(
            45.0, min($up->angleTo(Direction::of(0, 0, 1)), $up->angleTo(Direction::of(0, 1, 0)), $up->angleTo(Direction::of(0, -1, 0))),
            0.1,
        );
        self::assertEqualsWithDelta(180.0, $rest->wetMl, 0.01);
    }

    public function test_a_ball_with_its_weight_to_one_side_turns_it_down(): void
    {
        foreach ([[6.0, 0.0, 0.0], [-2.0, 3.0, 4.0]] as $centre) {
            $rest = self::floating(Shapes::sphere(30.0, 36), 70.0, $centre);
            self::assertLessThan(0.1, Direction::of(-$centre[0], -$centre[1], -$centre[2])->angleTo($rest->up ?? Direction::up()));
            self::assertEqualsWithDelta(70.0, $rest->wetMl, 0.01);
        }
    }

    public function test_it_falls_off_its_tip_and_what_is_too_heavy_sinks(): void
    {
        $pencil = self::floating(Shapes::box(10.0, 10.0, 120.0), 0.5 * 12.0, null, Direction::up());
        self::assertGreaterThan(80.0, Direction::up()->angleTo($pencil->up ?? Direction::up()));
        self::assertTrue($pencil->stable);

        self::assertNull(self::floating(Shapes::box(10.0, 10.0, 10.0), 1.2)->up);
    }
}
