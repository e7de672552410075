<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Practice;

use Apalos\Core\Casting\Heat;
use Apalos\Core\Input\Fields;
use Apalos\Core\Practice\PracticeBench;
use Apalos\Core\Practice\Scenario;
use Apalos\Core\Practice\SimulatedPot;
use Apalos\Core\Practice\Situation;
use Apalos\Core\Run\StepKind;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A pot over a plate, at the bench that is not there. */
final class PotTest extends TestCase
{
    /** @param  list<array<string, mixed>>  $wrong */
    private static function scenario(array $wrong = []): Scenario
    {
        return Scenario::from(Fields::of([
            'id' => 'pot', 'name' => 'A pot', 'about' => 'About it.', 'level' => 3, 'teaches' => ['heat'],
            'make' => ['base' => 'hv-08', 'volume_ml' => 90], 'room_c' => 20, 'price_per_kg' => '14', 'goes_wrong' => $wrong,
        ]));
    }

    private static function at(float $minute, StepKind $step = StepKind::Heat, ?float $met = null): Situation
    {
        return new Situation(
            $minute, step: $step, metAt: $met,
            heat: Heat::from(Fields::of(['from_c' => 165, 'to_c' => 180, 'over_c' => 190, 'step_s' => 60])),
        );
    }

    public function test_it_comes_nearer_to_its_plate_by_the_same_share_in_the_same_time(): void
    {
        $pot = SimulatedPot::cold(20.0, 0.0);
        $pot->heat(true, 0.0);
        // First order: of what is missing to 230 °C, 1/e is left after each 150 s.
        self::assertEqualsWithDelta(230.0 - 210.0 / M_E, $pot->celsius(150.0), 1e-9);
        self::assertEqualsWithDelta(230.0 - 210.0 / M_E / M_E, $pot->celsius(300.0), 1e-9);
        // In small steps or in one, it is as warm.
        $steps = SimulatedPot::cold(20.0, 0.0);
        for ($s = 0; $s < 300; $s += 10) {
            $steps->heat(false, (float) $s);
            $steps->heat(true, (float) $s);
        }
        self::assertEqualsWithDelta($pot->celsius(300.0), $steps->celsius(300.0), 1e-6);
    }

    public function test_off_the_heat_it_falls_back_slowly_and_what_it_was_at_most_is_known(): void
    {
        $pot = SimulatedPot::cold(20.0, 0.0);
        $pot->heat(true, 0.0);
        $pot->heat(false, 240.0);
        $top = $pot->celsius(240.0);
        self::assertEqualsWithDelta(20.0 + ($top - 20.0) / M_E, $pot->celsius(240.0 + 900.0), 1e-9);
        self::assertSame($top, $pot->most(5000.0));
        self::assertLessThan($top, $pot->most(200.0));
        self::assertSame($pot->celsius(700.0), SimulatedPot::from($pot->toArray(), 20.0)->celsius(700.0));
    }

    /** @return iterable<string, array{float}> */
    public static function plates(): iterable
    {
        yield 'weak' => [0.5];
        yield 'usual' => [1.0];
        yield 'strong' => [2.2];
    }

    #[DataProvider('plates')]
    public function test_a_plate_so_many_times_as_strong_is_through_in_so_much_less(float $plate): void
    {
        [$usual, $other] = [SimulatedPot::cold(20.0, 0.0), SimulatedPot::cold(20.0, 0.0, $plate)];
        $usual->heat(true, 0.0);
        $other->heat(true, 0.0);
        self::assertEqualsWithDelta($usual->celsius(120.0), $other->celsius(120.0 / $plate), 1e-9);
    }

    public function test_the_probe_reads_it_and_one_sees_it_run_clear_smell_and_brown(): void
    {
        $bench = PracticeBench::begin(self::scenario(), 7);
        self::assertSame('T,+20.0,C', $bench->pot('Q', self::at(1.0)));
        self::assertSame('OK', $bench->pot('ON', self::at(1.0)));
        self::assertSame('ER', $bench->pot('ON', self::at(1.0, StepKind::Weigh)), 'A plate is turned at the pot.');
        self::assertSame('ER', $bench->pot('=172', self::at(1.0)), 'Nothing is warm at once here.');
        $seen = [];
        for ($minute = 1.0; $minute < 8.0; $minute += 0.25) {
            $bench->pot('Q', self::at($minute));
            $seen[(string) $minute] = array_column($bench->looks(self::at($minute))['said'], 'code');
        }
        // 230 − 210·e^(−t/2.5) is 165 at 2.93 min, 184 at 3.80, 190 at 4.15; it was turned on at 1.
        self::assertNotContains('pot_clear', $seen['3.75']);
        self::assertContains('pot_clear', $seen['4']);
        self::assertNotContains('pot_smells', $seen['4.75']);
        self::assertContains('pot_smells', $seen['5']);
        self::assertNotContains('pot_browns', $seen['5']);
        self::assertContains('pot_browns', $seen['5.25']);
        self::assertSame(1, count(array_keys($seen['7.75'], 'pot_browns', true)), 'It is said once.');
    }

    public function test_it_cools_from_the_moment_it_came_off_and_goes_on_after_it_was_kept(): void
    {
        $bench = PracticeBench::begin(self::scenario([['what' => 'plate', 'by' => 2]]), 7);
        $bench->pot('ON', self::at(0.0));
        $bench->comesTo(self::at(3.0), 10.0);
        $off = self::at(4.0, StepKind::Fill, 3.0);
        $bench->comesTo($off, 20.0);
        $again = PracticeBench::goesOn(
            self::scenario([['what' => 'plate', 'by' => 2]]), json_decode((string) json_encode($bench->toArray()), true),
        );
        $top = 230.0 - 210.0 * exp(-3.0 * 60.0 / 75.0);
        self::assertSame(sprintf('T,%+.1f,C', 20.0 + ($top - 20.0) * exp(-60.0 / 900.0)), $again->pot('Q', $off));
        self::assertSame([true, false], array_slice(array_column($again->truth()->pots['pour'][1], 'on'), -2));
    }
}
