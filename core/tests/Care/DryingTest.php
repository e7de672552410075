<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Care;

use Apalos\Core\Care\Drying;
use Apalos\Core\Care\DryResult;
use Apalos\Core\Care\DryState;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class DryingTest extends TestCase
{
    /**
     * @param  list<float>  $hours
     * @return list<array{hours: float, mass_g: float}>
     */
    private static function plaster(float $dry, float $water, float $tau, array $hours, float $off = 0.0): array
    {
        return array_map(
            static fn (float $h, int $i): array => [
                'hours' => $h, 'mass_g' => $dry + $water * exp(-$h / $tau) + ($i % 2 === 0 ? $off : -$off),
            ],
            $hours, array_keys($hours),
        );
    }

    /** @return iterable<string, array{float, float, float}> dry mass, water, hours in which two thirds are lost */
    public static function plasters(): iterable
    {
        yield 'a thin shell' => [420.0, 90.0, 3.0];
        yield 'a thick block' => [5200.0, 1400.0, 38.0];
        yield 'a cellar' => [900.0, 250.0, 160.0];
    }

    #[DataProvider('plasters')]
    public function test_it_finds_what_the_curve_was_made_of(float $dry, float $water, float $tau): void
    {
        $hours = array_map(static fn (float $share): float => $share * $tau, [0.0, 0.2, 0.5, 0.9, 1.4]);
        $told = (new Drying)->ask(Fields::of(['weighings' => self::plaster($dry, $water, $tau, $hours), 'until_pct' => 0.5]));

        self::assertEqualsWithDelta($tau, $told->tau ?? 0.0, 0.002 * $tau);
        self::assertEqualsWithDelta($dry, $told->dryMass ?? 0.0, 0.002 * $dry);
        self::assertEqualsWithDelta($tau * log($water / (0.005 * $dry)), $told->dryAt ?? 0.0, 0.01 * $tau);
        self::assertEqualsWithDelta(100.0 * $water * exp(-1.4) / $dry, $told->leftPct ?? 0.0, 0.1);
    }

    public function test_a_scale_that_steps_moves_it_little_and_weighing_on_makes_it_surer(): void
    {
        $hours = [0.0, 6.0, 12.0, 24.0, 36.0, 48.0, 72.0];
        $told = (new Drying)->ask(Fields::of(['weighings' => self::plaster(2000.0, 500.0, 20.0, $hours, 0.5)]));
        self::assertEqualsWithDelta(20.0, $told->tau ?? 0.0, 0.6);
        self::assertSame([], $told->warnings);

        $early = (new Drying)->ask(Fields::of(['weighings' => self::plaster(2000.0, 500.0, 20.0, [0.0, 2.0, 4.0])]));
        self::assertSame(['early'], array_column($early->warnings, 'code'));
    }

    public function test_what_grows_and_two_weighings_tell_nothing(): void
    {
        foreach ([
            [[0.0, 1.0], [100.0, 99.0]], [[0.0, 1.0, 2.0], [100.0, 101.0, 102.0]], [[0.0, 0.0, 0.0], [100.0, 99.0, 98.0]],
        ] as [$hours, $masses]) {
            try {
                (new Drying)->ask(Fields::of([
                    'weighings' => array_map(static fn (float $h, float $m): array => ['hours' => $h, 'mass_g' => $m], $hours, $masses),
                ]));
                self::fail('It was answered.');
            } catch (BadInput $wrong) {
                self::assertSame('weighings', $wrong->field);
            }
        }
        // Falling ever faster is no drying.
        $told = (new Drying)->ask(Fields::of([
            'weighings' => [['hours' => 0, 'mass_g' => 100], ['hours' => 1, 'mass_g' => 99], ['hours' => 2, 'mass_g' => 90]],
        ]));
        self::assertNotSame([], $told->warnings);
    }

    /**
     * @param  array<array-key, float>  $weighings  grams by hour
     * @param  array<string, float>  $more
     */
    private static function ask(array $weighings, array $more = []): DryResult
    {
        return (new Drying)->ask(Fields::of([
            'weighings' => array_map(
                static fn (int|string $h, float $m): array => ['hours' => (float) $h, 'mass_g' => $m], array_keys($weighings), $weighings,
            ),
            ...$more,
        ]));
    }

    /** By hand: 100 g of powder bind 18.6 g; of 170 g that were mixed, 850 g poured are 500 of powder, and weigh 593 dry. */
    public function test_what_was_poured_says_what_it_weighs_dry(): void
    {
        $poured = ['plaster_g' => 1000.0, 'water_g' => 700.0, 'poured_g' => 850.0];
        self::assertEqualsWithDelta(593.0, self::ask(['0' => 850.0, '24' => 800.0, '48' => 760.0], $poured)->expected ?? 0.0, 1e-9);
        self::assertEqualsWithDelta(
            0.698,
            (
                self::ask(
                    ['0' => 1.0, '24' => 0.9, '48' => 0.85],
                    ['plaster_g' => 100.0, 'water_g' => 70.0, 'poured_g' => 1.0, 'step_g' => 0.001],
                )->expected ?? 0.0
            ),
            5e-4,
        );
        self::assertEqualsWithDelta(
            1186.0, self::ask(['0' => 1700.0, '24' => 1650.0, '48' => 1600.0], ['plaster_g' => 1000.0])->expected ?? 0.0, 1e-9,
        );
        self::assertNull(self::ask(['0' => 850.0, '24' => 800.0, '48' => 760.0])->expected);
    }

    /** @return iterable<string, array{array<array-key, float>, array<string, float>, string}> */
    public static function standings(): iterable
    {
        $poured = ['plaster_g' => 1000.0, 'water_g' => 700.0, 'poured_g' => 1700.0];
        yield 'three weighings within two hours are never dry' => [['0' => 1186.0, '1' => 1186.0, '2' => 1186.0], $poured, 'wet'];
        yield 'at a constant rate it is wet' => [['0' => 1690.0, '12' => 1640.0, '24' => 1590.0, '36' => 1540.0], [], 'wet'];
        yield 'far above its dry mass it is wet, however it fades' => [['0' => 1600.0, '24' => 1500.0, '48' => 1440.0], $poured, 'wet'];
        yield 'what it loses fades: a forecast' => [['0' => 1300.0, '24' => 1245.0, '48' => 1217.0], $poured, 'drying'];
        yield 'half a day apart it stands still' => [['0' => 1300.0, '48' => 1186.1, '60' => 1186.0], $poured, 'dry'];
        yield 'two weighings are enough for that' => [['0' => 593.2, '12' => 593.0], [], 'dry'];
        yield 'a minute short of half a day is not' => [['0' => 1300.0, '48' => 1186.1, '59.98' => 1186.0], $poured, 'drying'];
        yield 'a coarse scale stands still sooner' => [['0' => 1300.0, '48' => 1190.0, '60' => 1186.0], ['step_g' => 2.0], 'dry'];
        yield 'a fine one does not' => [['0' => 1300.0, '48' => 1190.0, '60' => 1186.0], [], 'drying'];
        yield 'still, and 8 % above what it should weigh' => [['0' => 1400.0, '48' => 1280.0, '60' => 1280.0], $poured, 'wet'];
        yield 'still, and within two in a hundred' => [['0' => 1400.0, '48' => 1206.0, '60' => 1206.0], $poured, 'dry'];
        yield 'it stood still, and was wetted since' => [['0' => 1186.0, '14' => 1186.0, '20' => 1201.0], [], 'refused'];
    }

    /**
     * @param  array<array-key, float>  $weighings
     * @param  array<string, float>  $more
     */
    #[DataProvider('standings')]
    public function test_wet_drying_and_proved_dry(array $weighings, array $more, string $state): void
    {
        try {
            $told = self::ask($weighings, $more);
        } catch (BadInput) {
            self::assertSame('refused', $state);

            return;
        }
        self::assertSame($state, $told->state->value);
        self::assertSame($state === 'wet', $told->dryAt === null, 'What is wet has no forecast.');
        self::assertSame($state === 'wet', $told->warnings !== [], 'and it says why.');
    }

    /** 1000 g of powder weigh 1186 g dry: what weighs 1100 and still loses is not that casting, or not all of it. */
    public function test_lighter_than_it_can_become_is_said_while_it_still_loses(): void
    {
        $poured = ['plaster_g' => 1000.0, 'water_g' => 700.0, 'poured_g' => 1700.0];
        self::assertContains(
            'too_light', array_column(self::ask(['0' => 1300.0, '24' => 1160.0, '48' => 1100.0], $poured)->warnings, 'code'),
        );
        self::assertNotContains(
            'too_light', array_column(self::ask(['0' => 1300.0, '24' => 1220.0, '48' => 1188.0], $poured)->warnings, 'code'),
        );
        self::assertNotContains(
            'too_light', array_column(self::ask(['0' => 1300.0, '24' => 1160.0, '48' => 1100.0])->warnings, 'code'),
            'Where nobody said what was poured there is nothing to hold it against.',
        );
    }

    /** Two scales are no finer than the coarser: 1 and 2 g apart stand still for a kitchen scale, not for the bench's. */
    public function test_each_weighing_brings_the_step_of_its_scale(): void
    {
        $stood = static fn (float ...$steps): string => (new Drying)->watched(
            array_map(
                static fn (float $hours, float $mass, float $step): array => ['at' => 60.0 * $hours, 'mass_g' => $mass, 'step_g' => $step],
                [0.0, 48.0, 61.0], [700.0, 595.0, 593.0], $steps,
            ),
        )->state->value;
        self::assertSame('drying', $stood(0.1, 0.1, 0.1));
        self::assertSame('dry', $stood(0.1, 1.0, 0.1));
    }

    /** Whatever was weighed: proof needs half a day, and no more lost than the scale may err. */
    public function test_proved_dry_needs_proof(): void
    {
        mt_srand(11);
        $proved = 0;
        for ($i = 0; $i < 600; $i++) {
            $hours = [0.0];
            for ($k = 0; $k < mt_rand(2, 6); $k++) {
                $hours[] = end($hours) + mt_rand(1, 240) / 10.0;
            }
            $tau = mt_rand(10, 300) / 10.0;
            $weighings = [];
            foreach ($hours as $h) {
                $weighings[(string) $h] = round(500.0 + mt_rand(0, 1) * 80.0 * exp(-$h / $tau) + 100.0 * exp(-3.0 * $h / $tau), 1);
            }
            try {
                $told = self::ask($weighings);
            } catch (BadInput) {
                continue;
            }
            if ($told->state === DryState::Dry) {
                $proved++;
                $last = end($weighings);
                $apart = array_filter(
                    array_keys($weighings),
                    static fn (int|string $h): bool => end($hours) - (float) $h >= 12.0 - 1e-9 && abs($weighings[$h] - $last) <= 0.2 + 1e-9,
                );
                self::assertNotSame([], $apart);
            }
        }
        self::assertGreaterThan(10, $proved);
    }
}
