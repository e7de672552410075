<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Fill;

use Apalos\Core\Fill\Bubbles;
use Apalos\Core\Fill\HollowSkin;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Tests\Words;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class BubblesTest extends TestCase
{
    /** @return iterable<string, array{array<string, mixed>, float}> */
    public static function cups(): iterable
    {
        yield 'a tall cup' => [['depth_mm' => 90, 'from_min' => 3, 'to_min' => 22], 2.98];
        yield 'a tray' => [['depth_mm' => 18, 'from_min' => 3, 'to_min' => 22], 1.33];
        yield 'a tall cup under vacuum' => [['depth_mm' => 90, 'from_min' => 3, 'to_min' => 9, 'pressure_kpa' => 3], 1.25];
    }

    /** @param  array<string, mixed>  $cup */
    #[DataProvider('cups')]
    public function test_the_smallest_bubble_that_leaves(array $cup, float $mm): void
    {
        $answer = (new Bubbles)->ask(Fields::of([
            'sg' => 1.08, 'viscosity_pas' => 21, 'pot_life_min' => 22, 'cases' => [['name' => 'it', ...$cup]],
        ]));

        self::assertEqualsWithDelta($mm, $answer['cases'][0]['smallest_mm'], 0.005);
        self::assertNotSame([], $answer['advice']);
    }

    /** By another route: a bubble of that size, followed second by second, just reaches the top. */
    public function test_a_bubble_of_that_size_just_reaches_the_top(): void
    {
        $answer = (new Bubbles)->ask(Fields::of([
            'sg' => 1.2, 'viscosity_pas' => 6, 'pot_life_min' => 14,
            'cases' => [['name' => 'it', 'depth_mm' => 55, 'from_min' => 2, 'to_min' => 13, 'pressure_kpa' => 12]],
        ]));
        $d = $answer['cases'][0]['smallest_mm'] / 1000.0 * (101.325 / 12) ** (1 / 3);
        for ($t = 120.0, $risen = 0.0; $t < 780.0; $t += 0.05) {
            $risen += 0.05 * 1200.0 * 9.80665 * $d ** 2 / (18.0 * 6.0 * 10 ** ($t / 840.0)) * 1000.0;
        }
        self::assertEqualsWithDelta(55.0, $risen, 0.05);
    }

    /** A bubble in a pot at p shrinks by the cube root of 101.325/p, once: 4.1 mm becomes 2.41 mm at 500 kPa. */
    public function test_what_stays_in_a_pot_is_squeezed_once(): void
    {
        foreach ([500.0, 300.0, 610.0] as $kpa) {
            $case = (new Bubbles)->ask(Fields::of([
                'sg' => 1.1, 'viscosity_pas' => 20, 'pot_life_min' => 20,
                'cases' => [['name' => 'pot', 'depth_mm' => 60, 'from_min' => 3, 'to_min' => 18, 'pressure_kpa' => $kpa]],
            ]))['cases'][0];
            self::assertEqualsWithDelta((101.325 / $kpa) ** (1.0 / 3.0), ($case['squeezed_mm'] ?? 0.0) / $case['smallest_mm'], 1e-9);
        }
        self::assertEqualsWithDelta(2.41, 4.1 * (101.325 / 500.0) ** (1.0 / 3.0), 0.005);
    }

    public function test_advice_follows_the_mix(): void
    {
        $advice = static fn (float $pot, float $viscosity): array => array_map(
            Words::of(...),
            (new Bubbles)->ask(Fields::of([
                'sg' => 1.1, 'viscosity_pas' => $viscosity, 'pot_life_min' => $pot,
                'cases' => [['name' => 'cup', 'depth_mm' => 50, 'from_min' => 0, 'to_min' => 2]],
            ]))['advice'],
        );

        self::assertStringContainsString('two to five times', $advice(22, 21)[1]);
        self::assertStringContainsString('never above the rating', $advice(3, 0.12)[1]);
        self::assertStringContainsString('thin stream', $advice(20, 0.5)[1]);
        self::assertStringContainsString('swells or is crushed', $advice(20, 0.5)[2]);
    }

    public function test_a_time_turned_round_is_refused(): void
    {
        $this->expectException(BadInput::class);
        (new Bubbles)->ask(Fields::of([
            'sg' => 1.08, 'viscosity_pas' => 21, 'pot_life_min' => 22,
            'cases' => [['name' => 'it', 'depth_mm' => 90, 'from_min' => 9, 'to_min' => 3]],
        ]));
    }

    public function test_what_has_long_set_lets_nothing_rise_and_is_refused(): void
    {
        $this->expectException(BadInput::class);
        (new Bubbles)->ask(Fields::of([
            'sg' => 1.08, 'viscosity_pas' => 21, 'pot_life_min' => 2.2e-5,
            'cases' => [['name' => 'it', 'depth_mm' => 90, 'from_min' => 3, 'to_min' => 22]],
        ]));
    }

    public function test_a_hollow_skin_in_grams_and_passes(): void
    {
        $skin = (new HollowSkin)->ask(Fields::of(['area_mm2' => 41_000, 'wall_mm' => 2.5, 'sg' => 1.07, 'passes' => 2, 'loss_pct' => 10]));
        self::assertEqualsWithDelta([102.5, 120.6, 60.3], [$skin['volume_ml'], $skin['mass_g'], $skin['pass_g']], 0.05);
        self::assertSame([], $skin['warnings']);

        // Half of the cavity is the most a pass may fill: 102.5 ml and a tenth more, in two, are 56 ml of 90.
        $small = (new HollowSkin)->ask(Fields::of([
            'area_mm2' => 41_000, 'wall_mm' => 2.5, 'sg' => 1.07, 'passes' => 2, 'loss_pct' => 10, 'cavity_ml' => 90,
        ]));
        self::assertSame(['too_full'], array_column($small['warnings'], 'code'));
        $more = (new HollowSkin)->ask(Fields::of([
            'area_mm2' => 41_000, 'wall_mm' => 2.5, 'sg' => 1.07, 'passes' => 3, 'loss_pct' => 10, 'cavity_ml' => 90,
        ]));
        self::assertSame([], $more['warnings']);
    }

    public function test_a_warm_room_shortens_the_turning(): void
    {
        $turn = static fn (float $room): float => (float) (new HollowSkin)->ask(Fields::of([
            'area_mm2' => 41_000, 'wall_mm' => 2, 'sg' => 1.07, 'passes' => 1, 'pot_life_min' => 8, 'room_c' => $room, 'q10' => 2,
            'ref_c' => 23,
        ]))['turn_min'];

        self::assertEqualsWithDelta($turn(23) / 2.0, $turn(33), 1e-9);
        self::assertGreaterThan($turn(23), $turn(18));
    }
}
