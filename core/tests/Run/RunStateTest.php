<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Run;

use Apalos\Core\Input\Fields;
use Apalos\Core\Run\RunFactKind;
use Apalos\Core\Run\RunPlan;
use Apalos\Core\Run\RunState;
use Apalos\Core\Run\StepKind;
use PHPUnit\Framework\TestCase;

final class RunStateTest extends TestCase
{
    public function test_a_pour_goes_step_by_step_from_gear_to_the_log(): void
    {
        $bench = new Bench;
        $seen = [$bench->state()->step->kind];
        $note = static function () use ($bench, &$seen): void {
            $seen[] = $bench->state()->step->kind;
        };
        foreach ([1, 1, 1] as $ignored) {
            $bench->confirm();
            $note();
        }
        $bench->weigh(100.0, 102.0, 202.0, 262.0);
        $note();
        $bench->confirm();
        $note();
        $bench->confirm();
        $note();
        $bench->did(RunFactKind::Opened);
        $note();
        $bench->did(RunFactKind::Graded, ['grade' => 'good']);
        $note();

        self::assertSame(
            [
                StepKind::Gear, StepKind::PreMix, StepKind::Tare, StepKind::Weigh, StepKind::Mix, StepKind::Fill, StepKind::Wait,
                StepKind::Grade, StepKind::Done,
            ],
            $seen,
        );
        self::assertSame(262.0, $bench->state()->weighedGrams());
        self::assertSame('good', $bench->state()->grade['grade'] ?? null);
    }

    public function test_nothing_is_mixed_before_every_contact_is_ticked(): void
    {
        $bench = new Bench(
            checklist: [
                ['id' => 'seal', 'text' => 'Sealed', 'minutes' => 180.0], ['id' => 'release', 'text' => 'Released', 'minutes' => 5.0],
            ],
        );
        $bench->confirm();
        self::assertSame(StepKind::Contacts, $bench->state()->step->kind);

        $bench->did(RunFactKind::Begun, ['item' => 'seal'])->did(RunFactKind::Checked, ['item' => 'seal'])->confirm();
        self::assertSame(
            [StepKind::Contacts, ['release'], 2.0],
            [$bench->state()->step->kind, $bench->state()->unchecked(), $bench->state()->begunAt['seal']],
        );

        $bench->did(RunFactKind::Checked, ['item' => 'release'])->confirm();
        self::assertSame(StepKind::PreMix, $bench->state()->step->kind);
        $bench->takeBack()->takeBack();
        self::assertSame(['release'], $bench->state()->unchecked());
    }

    public function test_air_is_drawn_out_only_where_it_is_planned(): void
    {
        $bench = (new Bench(degas: 5.0))->confirm(3)->weigh(100.0, 102.0, 202.0, 262.0)->confirm();

        self::assertSame(StepKind::Degas, $bench->state()->step->kind);
    }

    public function test_the_next_line_counts_from_what_the_display_really_read(): void
    {
        $bench = (new Bench)->confirm(3)->weigh(100.4);

        self::assertSame(
            ['add' => 'tone', 'grams' => 2.0, 'running' => 102.4, 'from' => 102.3, 'to' => 102.5], $bench->state()->cup()->current(),
        );
    }

    public function test_the_clock_starts_when_a_meets_b_and_not_before(): void
    {
        $bench = (new Bench)->confirm(3)->weigh(100.0, 102.0);
        self::assertNull($bench->state()->lastMetAt());
        self::assertTrue($bench->state()->cup()->meetsNow());

        $bench->did(RunFactKind::Met);
        $met = (float) count($bench->facts);
        $bench->weigh(202.0);

        self::assertSame($met, $bench->state()->lastMetAt());
    }

    public function test_without_a_scale_the_clock_starts_with_the_weighing_that_brings_them_together(): void
    {
        $bench = (new Bench)->confirm(3)->weigh(100.0, 102.0, 202.0);

        self::assertSame(6.0, $bench->state()->lastMetAt());
    }

    public function test_a_one_part_base_starts_its_clock_with_the_first_gram(): void
    {
        $bench = (new Bench([['A' => 60.0]], onePart: true))->confirm(3);
        self::assertTrue($bench->state()->cup()->meetsNow());

        self::assertSame(4.0, $bench->weigh(60.0)->state()->lastMetAt());
    }

    public function test_an_over_pour_stops_the_run_and_the_rescue_plans_the_cup_anew(): void
    {
        $bench = (new Bench)->confirm(3)->weigh(100.0, 102.0, 212.0);
        self::assertSame(StepKind::Rescue, $bench->state()->step->kind);
        self::assertEqualsWithDelta(1.1, $bench->state()->cup()->rescue()->k, 1e-9);

        $bench->did(RunFactKind::Rescued, ['step' => $bench->state()->step->key()]);
        self::assertSame(
            [['add' => 'B', 'grams' => 10.0], ['add' => 'tone', 'grams' => 0.2], ['add' => 'softener', 'grams' => 66.0]],
            $bench->state()->cup()->queue,
        );

        $bench->weigh(222.0, 222.2, 288.2);
        self::assertSame(StepKind::Mix, $bench->state()->step->kind);
        $poured = $bench->state()->cup()->poured;
        self::assertEqualsWithDelta($poured['A'], $poured['B'], 1e-9);
        self::assertEqualsWithDelta(0.6 * $poured['A'], $poured['softener'], 1e-9);
    }

    public function test_an_over_pour_may_be_left_as_it_is(): void
    {
        $bench = (new Bench)->confirm(3)->weigh(100.0, 102.0, 205.0);
        $bench->did(RunFactKind::Kept, ['step' => $bench->state()->step->key()]);

        self::assertSame(StepKind::Weigh, $bench->state()->step->kind);
        self::assertSame('softener', $bench->state()->cup()->current()['add'] ?? null);
    }

    public function test_one_step_of_the_scale_too_much_of_a_pinch_is_no_reason_to_raise_the_cup(): void
    {
        $bench = (new Bench)->confirm(3)->weigh(100.0, 102.1);
        self::assertSame(StepKind::Weigh, $bench->state()->step->kind);

        // Later A is over-poured: the crumb of tone, five per cent of itself, must not lead.
        $bench->weigh(205.1);
        self::assertEqualsWithDelta(1.03, $bench->state()->cup()->rescue()->k, 1e-9);
    }

    public function test_taking_back_a_weighing_brings_its_line_and_its_display_back(): void
    {
        $bench = (new Bench)->confirm(3)->weigh(100.0);
        $before = $bench->state();
        $bench->weigh(102.0)->takeBack();

        self::assertEquals($before->step, $bench->state()->step);
        self::assertEquals($before->cup(), $bench->state()->cup());
        self::assertSame($before->live, $bench->state()->live);
    }

    public function test_taking_back_never_stops_the_clock_of_what_has_already_met(): void
    {
        $bench = (new Bench)->confirm(3)->weigh(100.0, 102.0)->did(RunFactKind::Met);
        $met = (float) count($bench->facts);
        $bench->takeBack();

        self::assertSame('tone', $bench->state()->cup()->current()['add'] ?? null, 'The tone is weighed again,');
        self::assertSame($met, $bench->state()->lastMetAt(), 'and the clock runs on.');
    }

    public function test_a_step_began_when_it_was_reached_whatever_is_noted_meanwhile(): void
    {
        $bench = (new Bench)->confirm(3)->weigh(100.0, 102.0, 202.0, 262.0);
        $reached = (float) count($bench->facts);
        $bench->did(RunFactKind::Noted, ['text' => 'streaks'])->did(RunFactKind::Gelled);

        self::assertSame([StepKind::Mix, $reached], [$bench->state()->step->kind, $bench->state()->since]);
        $bench->confirm();
        self::assertSame($reached + 3.0, $bench->state()->since);
    }

    public function test_taking_everything_back_ends_where_it_began(): void
    {
        $bench = (new Bench(degas: 4.0))->confirm(3)->weigh(100.0, 102.0, 212.0);
        $bench->did(RunFactKind::Rescued, ['step' => $bench->state()->step->key()])
            ->weigh(222.0, 222.2, 288.2)
            ->confirm(3)
            ->did(RunFactKind::Opened);
        for ($i = count($bench->state()->live); $i > 0; $i--) {
            $bench->takeBack();
        }

        self::assertEquals((new Bench(degas: 4.0))->state(), $bench->state());
    }

    public function test_a_second_batch_has_a_cup_and_a_clock_of_its_own(): void
    {
        $bench = (new Bench([['B' => 50.0, 'A' => 50.0], ['B' => 50.0, 'A' => 50.0]]))->confirm(3)->weigh(50.0, 100.0)->confirm(2);

        self::assertSame([StepKind::PreMix, 2], [$bench->state()->step->kind, $bench->state()->step->batch]);
        self::assertFalse($bench->state()->isPoured());
        self::assertSame([], $bench->state()->cup()->poured);
        $bench->confirm(2)->weigh(50.0, 100.0)->confirm(2);
        self::assertTrue($bench->state()->isPoured());
        self::assertSame(200.0, $bench->state()->weighedGrams());
        self::assertGreaterThan($bench->state()->cups[1]->metAt, $bench->state()->lastMetAt());
    }

    public function test_a_fact_that_belongs_to_another_step_changes_nothing(): void
    {
        $bench = (new Bench)->confirm(2);
        $before = $bench->state()->step;
        $bench->did(RunFactKind::Confirmed, ['step' => '0:gear'])
            ->did(RunFactKind::Weighed, ['step' => '1:weigh:0', 'reading_g' => 5])
            ->did(RunFactKind::Opened)
            ->did(RunFactKind::Rescued);

        self::assertEquals($before, $bench->state()->step);
    }

    public function test_notes_and_gels_are_kept_wherever_the_run_stands(): void
    {
        $bench = (new Bench)
            ->confirm(3)
            ->did(RunFactKind::Noted, ['text' => 'air in the corner', 'fault' => 'bubbles'])
            ->did(RunFactKind::Gelled);

        self::assertSame([['at' => 4.0, 'text' => 'air in the corner', 'fault' => 'bubbles']], $bench->state()->notes);
        self::assertSame(5.0, $bench->state()->gelledAt);
        self::assertSame(StepKind::Weigh, $bench->state()->step->kind);
    }

    public function test_a_plan_survives_being_written_down(): void
    {
        $plan = (new Bench(degas: 2.5, checklist: [['id' => 'x', 'text' => 'Dry', 'minutes' => 60.0]]))->plan();
        $read = RunPlan::from(Fields::of(json_decode(json_encode($plan->toArray(), JSON_THROW_ON_ERROR), true)));

        self::assertEquals($plan, $read);
        self::assertEquals(RunState::of($plan, []), RunState::of($read, []));
    }
}
