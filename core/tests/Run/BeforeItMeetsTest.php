<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Run;

use Apalos\Core\Input\Fields;
use Apalos\Core\Run\Moment;
use Apalos\Core\Run\RunFactKind;
use Apalos\Core\Run\RunPlan;
use Apalos\Core\Run\RunState;
use Apalos\Core\Run\StepKind;
use PHPUnit\Framework\TestCase;

/** What can still be put right before A meets B, cups that are weighed ahead, and what is said a little late. */
final class BeforeItMeetsTest extends TestCase
{
    private const CUP = ['B' => 100.0, 'tone' => 2.0, 'A' => 100.0, 'softener' => 60.0];

    /** @return list<string> */
    private static function queue(Bench $bench): array
    {
        return array_column($bench->state()->cup()->queue, 'add');
    }

    public function test_the_other_part_may_be_poured_first(): void
    {
        $bench = (new Bench([['B' => 10.0, 'tone' => 1.0, 'A' => 100.0, 'softener' => 20.0]]))->confirm(3)->did(RunFactKind::Swapped);

        self::assertSame(['A', 'tone', 'B', 'softener'], self::queue($bench));
        $bench->weigh(100.0, 101.0);
        self::assertTrue($bench->state()->cup()->meetsNow());
        $bench->weigh(111.0, 131.0);
        self::assertSame(['A' => 100.0, 'tone' => 1.0, 'B' => 10.0, 'softener' => 20.0], $bench->state()->cup()->poured);
        self::assertNotNull($bench->state()->lastMetAt());
    }

    public function test_that_it_was_the_other_one_may_be_seen_after_it_was_weighed(): void
    {
        $bench = (new Bench)->confirm(3)->weigh(100.0, 102.0)->did(RunFactKind::Swapped);

        self::assertEquals([['A' => 100.0, 'tone' => 2.0], ['B', 'softener']], [$bench->state()->cup()->poured, self::queue($bench)]);
        self::assertNull($bench->state()->lastMetAt());
        $bench->takeBack();
        self::assertSame(['B' => 100.0, 'tone' => 2.0], $bench->state()->cup()->poured);
    }

    public function test_too_much_of_the_other_part_is_rescued_and_too_little_is_filled_up(): void
    {
        $tenToOne = ['A' => 100.0, 'B' => 10.0];
        $over = (new Bench([$tenToOne]))->confirm(3)->weigh(100.0)->did(RunFactKind::Swapped)->state();
        self::assertSame(StepKind::Rescue, $over->step->kind);
        self::assertEqualsWithDelta(10.0, $over->cup()->rescue()->k, 1e-9);

        $short = (new Bench([['B' => 10.0, 'A' => 100.0]]))->confirm(3)->weigh(10.0)->did(RunFactKind::Swapped)->state();
        self::assertEquals([['add' => 'A', 'grams' => 90.0], ['add' => 'B', 'grams' => 10.0]], $short->cup()->queue);
    }

    public function test_once_they_have_met_no_part_is_another(): void
    {
        $bench = (new Bench)->confirm(3)->weigh(100.0, 102.0, 202.0);
        $before = $bench->state()->cup();
        $bench->did(RunFactKind::Swapped);

        self::assertFalse($before->mayBeSwapped());
        self::assertEquals($before->poured, $bench->state()->cup()->poured);
    }

    public function test_several_cups_are_weighed_up_to_the_meeting_before_the_first_of_them_meets(): void
    {
        $bench = new Bench([self::CUP, self::CUP, self::CUP], ahead: true);
        $bench->confirm(3);
        foreach ([1, 2, 3] as $cup) {
            self::assertSame($cup, $bench->state()->step->batch);
            $bench->weigh(100.0, 102.0);
            self::assertNull($bench->state()->lastMetAt());
            self::assertSame(['1:tare', '2:tare', '3:tare'][$cup % 3], $bench->state()->step->key());
            $bench->confirm();
        }
        // The first stands on the scale again, with what is in it: nought from here.
        self::assertSame(['1:weigh:2', 100.0], [$bench->state()->step->key(), $bench->state()->cup()->current()['running'] ?? null]);
        $bench->weigh(100.0, 160.0)->confirm(2);
        self::assertSame('2:tare', $bench->state()->step->key());
        $bench->confirm()->weigh(100.0, 160.0)->confirm(2)->confirm()->weigh(100.0, 160.0)->confirm(2);
        self::assertSame(StepKind::Wait, $bench->state()->step->kind);
        self::assertEqualsWithDelta(3 * 262.0, $bench->state()->weighedGrams(), 1e-9);
        self::assertCount(3, array_unique(array_map(static fn ($cup): ?float => $cup->metAt, $bench->state()->cups)));
    }

    public function test_a_plan_that_was_changed_goes_on_with_what_stands_in_the_cup(): void
    {
        $bench = (new Bench)->confirm(3)->weigh(100.0, 102.0)->did(RunFactKind::Noted, ['text' => 'Too warm'])->did(RunFactKind::Replanned);
        $plan = (new Bench([['B' => 150.0, 'tone' => 2.0, 'A' => 150.0]]))->plan()->goingOn([1 => ['B' => 100.0, 'tone' => 2.0]], []);
        $plan = RunPlan::from(Fields::of($plan->toArray()));

        $state = RunState::of($plan, $bench->facts);
        self::assertSame([StepKind::Gear, 102.0, 1], [$state->step->kind, $state->weighedGrams(), count($state->notes)]);
        self::assertEquals([['add' => 'B', 'grams' => 50.0], ['add' => 'A', 'grams' => 150.0]], $state->cup()->queue);
        self::assertNull($state->takeBack);
    }

    public function test_what_does_not_fit_the_changed_plan_is_weighed_anew(): void
    {
        $plan = (new Bench)->plan();
        foreach ([[1 => ['B' => 101.5]], [1 => ['clay' => 1.0]], [4 => ['B' => 1.0]], [1 => ['B' => 100.0, 'A' => 100.0]]] as $cups) {
            self::assertSame([], $plan->goingOn($cups, [])->carried);
        }
        self::assertSame([1 => ['B' => 101.0]], $plan->goingOn([1 => ['B' => 101.0]], [])->carried);
    }

    public function test_what_was_seen_ready_stays_seen(): void
    {
        $bench = new Bench(
            checklist: [
                ['id' => 'seal', 'text' => 'Sealed', 'minutes' => 0.0], ['id' => 'release', 'text' => 'Released', 'minutes' => 0.0],
            ],
        );
        $plan = $bench->plan()->goingOn([], ['seal', 'another']);

        self::assertSame(['release'], RunState::of($plan, [])->unchecked());
    }

    public function test_it_met_and_went_in_a_little_before_anybody_said_so(): void
    {
        $bench = (new Bench)->confirm(3)->weigh(100.0, 102.0, 202.0);
        $met = (float) $bench->state()->lastMetAt();
        $bench->weigh(262.0)->did(RunFactKind::Earlier, ['what' => 'met', 'batch' => 1, 'ago_min' => 4.0]);
        $said = (float) count($bench->facts);
        self::assertSame($said - 4.0, $bench->state()->lastMetAt());
        self::assertLessThan($met, $bench->state()->lastMetAt());

        $bench->confirm(2);
        $filled = $bench->state()->filledAt[1];
        $bench->did(RunFactKind::Earlier, ['what' => 'filled', 'batch' => 1, 'ago_min' => 2.0]);
        self::assertSame($filled - 1.0, $bench->state()->filledAt[1]);
    }

    public function test_nothing_goes_in_before_it_met_nor_after_it_was_said(): void
    {
        $bench = (new Bench)->confirm(3)->weigh(100.0, 102.0, 202.0, 262.0)->confirm(2);
        $state = $bench->state();
        [$met, $filled] = [(float) $state->lastMetAt(), $state->filledAt[1]];

        self::assertFalse(Moment::Filled->fits($state, 1, $met - 0.1));
        self::assertFalse(Moment::Filled->fits($state, 1, $filled + 0.1));
        self::assertFalse(Moment::Met->fits($state, 1, -0.1));
        self::assertFalse(Moment::Met->fits($state, 2, $met));
        self::assertFalse(Moment::Opened->fits($state, 1, $met));
        self::assertTrue(Moment::Met->fits($state, 1, $met));
    }
}
