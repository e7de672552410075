<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Practice;

use Apalos\Core\Cure\CureModel;
use Apalos\Core\Cure\CureSheet;
use Apalos\Core\Cure\Milestone;
use Apalos\Core\Cure\Observation;
use Apalos\Core\Cure\Watched;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Practice\Luck;
use Apalos\Core\Practice\PracticeBench;
use Apalos\Core\Practice\Scenario;
use Apalos\Core\Practice\SimulatedScale;
use Apalos\Core\Practice\Situation;
use Apalos\Core\Practice\TrueClock;
use Apalos\Core\Run\StepKind;
use Apalos\Core\Units\Celsius;
use Apalos\Core\Units\Minutes;
use PHPUnit\Framework\TestCase;

/** A bench that is not there behaves as one that is. */
final class BenchTest extends TestCase
{
    /** @param  list<array<string, mixed>>  $wrong */
    private static function scenario(array $wrong = [], float $room = 23.0): Scenario
    {
        return Scenario::from(Fields::of([
            'id' => 'x', 'name' => 'A practice', 'about' => 'About it.', 'level' => 1, 'teaches' => ['weighing'],
            'make' => ['base' => 'pr-10', 'volume_ml' => 100], 'room_c' => $room, 'price_per_kg' => '30', 'goes_wrong' => $wrong,
        ]));
    }

    private static function sheet(): CureSheet
    {
        return new CureSheet(
            [
                'pot_life_min' => Minutes::of(22), 'recoat_open_min' => Minutes::of(30), 'recoat_close_min' => Minutes::of(75),
                'demould_min' => Minutes::of(240),
            ],
            Celsius::of(23.0), 2.0,
        );
    }

    private static function weighing(float $minute, int $line = 1, string $add = 'B'): Situation
    {
        return new Situation(
            $minute, step: StepKind::Weigh, line: $line, add: $add, planned: ['B' => 100.0, 'A' => 100.0], sheet: self::sheet(),
        );
    }

    public function test_the_same_seed_pours_the_same_grams_and_another_one_others(): void
    {
        $poured = static function (int $seed): float {
            $bench = PracticeBench::begin(self::scenario([['what' => 'heavy_hand', 'by' => 9]]), $seed);
            $bench->scale('>20', 10.0, self::weighing(1.0));
            $bench->scale('|', 14.0, self::weighing(1.1));

            $bench->comesTo(self::weighing(1.2), 20.0);

            return $bench->truth()->cups['pour'][1]['B'];
        };
        self::assertSame($poured(7), $poured(7));
        self::assertNotSame($poured(7), $poured(8));
        // Eighty grams are meant; a heavy hand lets 6.3 to 11.7 more in.
        foreach (range(1, 30) as $seed) {
            self::assertGreaterThan(86.0, $poured($seed));
            self::assertLessThan(92.0, $poured($seed));
        }
    }

    public function test_what_ran_in_is_in_the_cup_of_the_tub_that_was_in_the_hand(): void
    {
        $bench = PracticeBench::begin(self::scenario([['what' => 'wrong_tub', 'line' => 2]]), 3);
        $bench->scale('+100', 10.0, self::weighing(1.0));
        $bench->comesTo(self::weighing(1.2), 20.0);
        self::assertSame('B', $bench->looks(self::weighing(1.2))['lid']);
        $a = self::weighing(2.0, 2, 'A');
        $bench->comesTo($a, 30.0);
        self::assertSame('B', $bench->looks($a)['lid'], 'Its lid says that it is the wrong one.');
        $bench->scale('+40', 31.0, $a);
        $bench->does('other_tub', $a, 40.0);
        self::assertSame('A', $bench->looks($a)['lid']);
        $bench->scale('+60', 41.0, $a);
        $bench->comesTo($a, 50.0);
        $in = $bench->truth()->cups['pour'][1];
        self::assertEqualsWithDelta(140.0, $in['B'], 1.5);
        self::assertEqualsWithDelta(60.0, $in['A'], 1.0);
        self::assertTrue($bench->truth()->lids[0]['poured']);
    }

    public function test_it_goes_on_after_it_was_written_down_as_if_it_had_not_been(): void
    {
        $scenario = self::scenario([['what' => 'heavy_hand', 'by' => 5], ['what' => 'scale_out', 'line' => 1, 'by' => 20]]);
        $one = PracticeBench::begin($scenario, 42);
        $other = PracticeBench::begin($scenario, 42);
        foreach ([['>15', 1.0], ['Q', 2.0], ['|', 4.0], ['Q', 8.0], ['Q', 30.0], ['+10', 31.0], ['Q', 40.0]] as [$line, $at]) {
            $said = $one->scale($line, $at, self::weighing($at / 60.0));
            self::assertSame($said, $other->scale($line, $at, self::weighing($at / 60.0)));
            /** @var mixed $kept */
            $kept = json_decode((string) json_encode($other->toArray()), true);
            // @phpstan-ignore argument.type
            $other = PracticeBench::goesOn($scenario, $kept);
        }
        self::assertEquals($one->truth(), $other->truth());
        self::assertSame(['scale_out', 'scale_back'], array_column($one->looks(self::weighing(2.0))['said'], 'code'));
    }

    public function test_an_empty_tube_gives_a_third_and_no_more_until_another_is_fetched(): void
    {
        $bench = PracticeBench::begin(self::scenario([['what' => 'empty_tube', 'line' => 1]]), 5);
        $bench->scale('+100', 1.0, self::weighing(1.0));
        $bench->scale('+100', 10.0, self::weighing(1.2));
        self::assertStringContainsString('+00030.0', (string) $bench->scale('Q', 20.0, self::weighing(1.3)));
        $bench->does('other_tub', self::weighing(1.4), 21.0);
        $bench->scale('+70', 22.0, self::weighing(1.5));
        self::assertEqualsWithDelta(100.0, (float) substr((string) $bench->scale('Q', 30.0, self::weighing(1.6)), 3, 8), 0.6);
        self::assertSame(1.4, $bench->truth()->spans['tube'][0]['to_min']);
    }

    public function test_under_vacuum_it_stands_at_the_rim_and_runs_over_unless_air_is_let_in(): void
    {
        $at = static fn (float $minute, float $ml): Situation => new Situation(
            $minute, step: StepKind::Degas, since: 5.0, inCup: 300.0, gPerMl: 1.0, capacityMl: $ml, metAt: 3.0, sheet: self::sheet(),
        );
        $rises = self::scenario([['what' => 'rises', 'by' => 4]]);
        $bench = PracticeBench::begin($rises, 1);
        $bench->comesTo($at(5.4, 750), 0.0);
        self::assertSame(['rises'], array_column($bench->looks($at(5.4, 750))['said'], 'code'));
        $bench->comesTo($at(6.5, 750), 0.0);
        // 300 ml want 1200 and have 750: a quarter of what is over, 112.5 g, ran out.
        self::assertSame(112.5, $bench->truth()->rose['pour'][1]);
        $held = PracticeBench::begin($rises, 1);
        $held->comesTo($at(5.4, 750), 0.0);
        $held->does('let_air', $at(5.5, 750), 0.0);
        $held->comesTo($at(9.0, 750), 0.0);
        self::assertSame([], $held->truth()->rose);
        $large = PracticeBench::begin($rises, 1);
        $large->comesTo($at(9.0, 1500), 0.0);
        self::assertSame([], $large->truth()->rose);
    }

    public function test_a_finger_says_what_the_rubber_really_does(): void
    {
        $bench = PracticeBench::begin(self::scenario([['what' => 'recoat', 'by' => 0.5], ['what' => 'pot_life', 'by' => 0.5]]), 1);
        $said = static function (Situation $at) use ($bench): string {
            $bench->does('touch', $at, 0.0);
            $all = $bench->looks($at)['said'];

            return $all[count($all) - 1]['code'];
        };
        $coat = static fn (float $minute): Situation => new Situation($minute, laidAt: 0.0, sheet: self::sheet());
        self::assertSame(['finger_comes_off', 'finger_tacky', 'finger_dry'], [$said($coat(14.0)), $said($coat(20.0)), $said($coat(38.0))]);
        $cup = static fn (float $minute): Situation => new Situation($minute, step: StepKind::Wait, metAt: 0.0, sheet: self::sheet());
        self::assertSame(
            ['touch_runs', 'touch_strings', 'touch_gelled', 'touch_firm'],
            [$said($cup(5.0)), $said($cup(9.0)), $said($cup(60.0)), $said($cup(241.0))],
        );
    }

    public function test_nobody_does_what_there_is_nothing_to_do_with(): void
    {
        $bench = PracticeBench::begin(self::scenario(), 1);
        foreach ([
            'touch' => new Situation(1.0), 'let_air' => self::weighing(1.0), 'go' => self::weighing(1.0),
            'other_ground' => self::weighing(1.0), 'dance' => self::weighing(1.0),
        ] as $act => $at) {
            try {
                $bench->does($act, $at, 0.0);
                self::fail($act);
            } catch (BadInput) {
                self::assertTrue(true);
            }
        }
    }

    public function test_a_fresh_shop_that_watches_the_simulated_rubber_learns_its_true_clock(): void
    {
        foreach ([0.6, 0.85, 1.0, 1.3, 1.7] as $truly) {
            $luck = new Luck((int) (100 * $truly));
            $seen = [];
            foreach (range(1, 40) as $i) {
                $room = 17.0 + 14.0 * $luck->draw();
                $clock = new TrueClock(self::sheet(), ['pot_life' => $truly, 'demould' => $truly], [['from_min' => 0.0, 'c' => $room]]);
                $kind = $i % 2 === 0 ? Watched::Gel : Watched::Demould;
                // A hand looks every now and then: by a few hundredths late.
                $after = (float) $clock->after($kind->milestone(), 0.0) * (1.0 + 0.03 * $luck->bell());
                $seen[] = new Observation(Celsius::of($room), $kind, Minutes::of($after), true);
            }
            $learnt = CureModel::learnt(self::sheet(), $seen);
            self::assertEqualsWithDelta($truly, exp($learnt->offset), 0.03 * $truly, "A clock of {$truly}");
            self::assertEqualsWithDelta(2.0, exp($learnt->lnQ10), 0.12);
            self::assertEqualsWithDelta(
                22.0 * $truly, $learnt->band(Milestone::PotLife, Celsius::of(23.0), null)?->likely->min, 0.04 * 22.0 * $truly,
            );
        }
    }

    public function test_a_scale_settles_tares_and_refuses_more_than_it_can_carry(): void
    {
        $scale = new SimulatedScale(new Luck(1));
        $scale->hears('SET 45', 10.0);
        self::assertSame('US', substr((string) $scale->hears('Q', 10.05), 0, 2));
        self::assertSame('ER', $scale->hears('T', 10.1), 'It must not tare while it moves.');
        self::assertSame(['ST,+00045.0,g', 'OK', 'ST,+00000.0,g'], [
            $scale->hears('Q', 14.0), $scale->hears('T', 14.1), $scale->hears('Q', 14.2),
        ]);
        $scale->hears('>10', 20.0);
        self::assertSame('US', substr((string) $scale->hears('Q', 22.0), 0, 2));
        $scale->hears('|', 25.0);
        self::assertSame('ST,+00050.0,g', $scale->hears('Q', 30.0));
        $scale->hears('SET 5000', 31.0);
        self::assertSame(['OL,+99999.9,g', 'ER'], [$scale->hears('Q', 35.0), $scale->hears('Z', 35.0)]);
        $scale->hears('CLR', 36.0);
        self::assertSame('OK', $scale->hears('Z', 40.0));
        // Told what it shall show it is poured to that by the pan itself: from what runs in already, above what was tared, and no further.
        $line = new SimulatedScale(new Luck(1));
        $line->hears('SET 45', 0.0);
        $line->hears('Q', 3.0);
        $line->hears('T', 3.1);
        $line->hears('+30', 4.0);
        $line->hears('=80', 4.2);
        $line->hears('Q', 4.3);
        $line->hears('=80', 4.4);
        self::assertSame('ST,+00080.0,g', $line->hears('Q', 12.0));
        $line->hears('=60', 13.0);
        self::assertSame('ST,+00080.0,g', $line->hears('Q', 20.0), 'What is past it does not run back out.');
        // It drifts over minutes, by crumbs.
        $drifts = new SimulatedScale(new Luck(1));
        $drifts->hears('SET 100', 0.0);
        $drifts->hears('T', 5.0);
        self::assertSame(['ST,+00000.0,g', 'ST,+00000.1,g'], [$drifts->hears('Q', 60.0), $drifts->hears('Q', 1200.0)]);
    }
}
