<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Casting;

use Apalos\Core\Casting\Heat;
use Apalos\Core\Facts\Fact;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Run\RunFactKind;
use Apalos\Core\Run\RunPlan;
use Apalos\Core\Run\RunState;
use Apalos\Core\Run\StepKind;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Hot vinyl is weighed up cold, heated in steps, and its clock counts from when it comes off the heat. */
final class HeatTest extends TestCase
{
    private const VINYL = ['from_c' => 165, 'to_c' => 180, 'over_c' => 190, 'step_s' => 60];

    private static function heat(): Heat
    {
        return Heat::from(Fields::of(self::VINYL));
    }

    /** @return iterable<string, array{list<array{float, float}>, float, string, string|null}> minute and °C, now, state, what is asked */
    public static function pots(): iterable
    {
        yield 'nobody read it' => [[], 3.0, 'unread', 'run.heat_unread'];
        yield 'milky still' => [[[1.0, 120.0], [2.0, 150.0]], 2.1, 'below', 'run.heat_below'];
        yield 'just clear' => [[[1.0, 150.0], [2.0, 165.0]], 2.2, 'right', null];
        yield 'at its best' => [[[2.0, 175.0]], 3.9, 'right', null];
        yield 'a reading stands for two steps' => [[[2.0, 175.0]], 4.1, 'right', 'run.heat_old'];
        yield 'warmer than best, not spoilt' => [[[2.0, 186.0]], 2.5, 'above', null];
        yield 'scorched' => [[[2.0, 191.0]], 2.5, 'over', 'run.heat_over'];
        yield 'scorched and cooled is scorched' => [[[2.0, 195.0], [4.0, 172.0]], 4.1, 'over', 'run.heat_over'];
    }

    /** @param  list<array{float, float}>  $read */
    #[DataProvider('pots')]
    public function test_where_a_pot_stands_and_what_is_asked_before_it_comes_off(
        array $read,
        float $now,
        string $state,
        ?string $asked,
    ): void {
        $readings = array_map(static fn (array $one): array => ['at' => $one[0], 'c' => $one[1], 'by' => 'hand'], $read);
        self::assertSame($state, self::heat()->stands($readings)->value);
        self::assertSame($asked, self::heat()->doubt($readings, $now)?->code);
    }

    public function test_ready_best_and_spoilt_follow_on_each_other(): void
    {
        $this->expectException(BadInput::class);
        Heat::from(Fields::of([...self::VINYL, 'over_c' => 170]));
    }

    private static function plan(): RunPlan
    {
        return RunPlan::from(Fields::of([
            'batches' => [['A' => 120.0, 'pv-soot' => 1.0], ['A' => 120.0, 'pv-soot' => 1.0]], 'one_part' => true, 'mix_min' => 0,
            'degas_min' => 0, 'division_g' => 0.1, 'capacity_ml' => 400, 'sg' => 1.02, 'tolerance_pct' => 1, 'checklist' => [],
            'heat' => self::VINYL,
        ]));
    }

    /** @param  list<array{RunFactKind, float, array<string, mixed>}>  $told */
    private static function after(array $told): RunState
    {
        return RunState::of(
            self::plan(),
            array_map(static fn (int $i, array $one): Fact => new Fact($i + 1, $one[0], $one[1], $one[2]), array_keys($told), $told),
        );
    }

    public function test_cold_it_has_no_clock_and_off_the_heat_it_has(): void
    {
        $told = [];
        $say = static function (RunFactKind $kind, float $at, array $more = []) use (&$told): RunState {
            $told[] = [$kind, $at, ['step' => self::after($told)->step->key(), ...$more]];

            return self::after($told);
        };
        $say(RunFactKind::Confirmed, 0.5);
        $say(RunFactKind::Confirmed, 1.0);
        $say(RunFactKind::Confirmed, 1.5);
        $say(RunFactKind::Weighed, 2.0, ['reading_g' => 120.0]);
        $state = $say(RunFactKind::Weighed, 3.0, ['reading_g' => 121.0]);
        self::assertSame([StepKind::Heat, null], [$state->step->kind, $state->lastMetAt()], 'Nothing meets on the scale.');
        $state = $say(RunFactKind::Heated, 5.0, ['c' => 140.0, 'by' => 'hand']);
        self::assertSame(StepKind::Heat, $state->step->kind);
        $say(RunFactKind::Heated, 7.0, ['c' => 172.0, 'by' => 'probe']);
        $state = $say(RunFactKind::Confirmed, 7.5);
        self::assertSame([StepKind::Fill, 7.5], [$state->step->kind, $state->lastMetAt()], 'Its clock counts from there.');

        $state = $say(RunFactKind::Reheated, 12.0);
        self::assertSame(
            [StepKind::Heat, null, [], 1], [$state->step->kind, $state->cup()->metAt, $state->heated[1], $state->reheats],
            'Back on the heat its clock stands, and what was read before counts no more.',
        );
        $say(RunFactKind::Heated, 14.0, ['c' => 176.0, 'by' => 'hand']);
        $say(RunFactKind::Confirmed, 14.2);
        $state = $say(RunFactKind::Confirmed, 15.0);
        self::assertSame([StepKind::PreMix, 2], [$state->step->kind, $state->step->batch], 'The next pot begins cold.');
        self::assertSame(14.2, $state->cups[1]->metAt);
    }

    public function test_a_plan_keeps_its_heat_and_one_from_before_has_none(): void
    {
        $plan = self::plan();
        self::assertEquals($plan, RunPlan::from(Fields::of($plan->toArray())));
        $before = array_diff_key($plan->toArray(), ['heat' => 1]);
        self::assertTrue(RunPlan::from(Fields::of($before))->has(StepKind::Mix));
        self::assertSame([false, true, false], [$plan->has(StepKind::Mix), $plan->has(StepKind::Heat), $plan->has(StepKind::Degas)]);
    }
}
