<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Day;

use Apalos\Core\Day\DayPlanner;
use Apalos\Core\Day\DayRequest;
use Apalos\Core\Day\DayResult;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Tests\Often;
use Apalos\Core\Tests\Words;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class DayPlannerTest extends TestCase
{
    /**
     * A glove in three coats with keys and a jacket, beside the second half of a block that wants the chamber.
     *
     * @param  array<string, mixed>  $changes
     * @return array<string, mixed>
     */
    private static function benchDay(array $changes = []): array
    {
        return [...[
            'now_min' => 0, 'days' => [[0, 480], [1440, 1920]], 'resources' => ['hands' => 1, 'chamber' => 1],
            'ops' => [
                self::op('keys', 10),
                self::op('print', 10),
                self::op('coat2', 15, [['op' => 'print', 'from_min' => 30, 'until_min' => 70]]),
                self::op('coat3', 15, [['op' => 'coat2', 'from_min' => 30, 'until_min' => 70], ['op' => 'keys', 'from_min' => 90]]),
                self::op('jacket', 45, [['op' => 'coat3', 'from_min' => 120]], ['due_min' => 480]),
                self::op('half', 50, [], ['uses' => ['hands', 'chamber'], 'due_min' => 480]),
                self::op('open', 20, [['op' => 'half', 'from_min' => 330]]),
            ],
        ], ...$changes];
    }

    /**
     * @param  list<array<string, mixed>>  $after
     * @param  array<string, mixed>  $more
     * @return array<string, mixed>
     */
    private static function op(string $id, float $minutes, array $after = [], array $more = []): array
    {
        return ['id' => $id, 'minutes' => $minutes, 'uses' => ['hands'], 'after' => $after, ...$more];
    }

    /** @param  array<string, mixed>  $in */
    private static function planned(array $in): DayResult
    {
        return (new DayPlanner)->plan(DayRequest::from(Fields::of($in)));
    }

    public function test_the_half_goes_first_so_that_it_is_opened_today(): void
    {
        $day = self::planned(self::benchDay());

        self::assertEquals(
            ['half' => 0, 'keys' => 50, 'print' => 60, 'coat2' => 100, 'coat3' => 150, 'jacket' => 285, 'open' => 380], $day->starts,
        );
        self::assertSame([400.0, 0.0], [$day->end, $day->late]);
    }

    public function test_begun_late_the_jacket_is_done_in_time_and_the_block_waits_for_tomorrow(): void
    {
        $day = self::planned(self::benchDay(['now_min' => 200]));

        self::assertEquals(
            ['keys' => 200, 'print' => 210, 'coat2' => 250, 'coat3' => 300, 'half' => 315, 'jacket' => 435, 'open' => 1440], $day->starts,
        );
    }

    public function test_a_slack_is_how_much_later_one_alone_may_start(): void
    {
        $day = self::planned(self::benchDay());

        // The second coat may wait five minutes for the third, which stands 50 minutes after its end and wants 30 at least.
        self::assertEqualsWithDelta(5.0, $day->slack['coat2'], 1e-9);
        // The jacket has until the block is opened at 380.
        self::assertEqualsWithDelta(50.0, $day->slack['jacket'], 1e-9);
        self::assertSame(0.0, $day->slack['half']);
    }

    public function test_what_has_begun_does_not_move_and_its_window_is_kept(): void
    {
        $ops = self::benchDay()['ops'];
        self::assertIsArray($ops);
        $ops[1] = self::op('print', 10, [], ['fixed_min' => 40]);
        $day = self::planned(self::benchDay(['now_min' => 55, 'ops' => $ops]));

        self::assertSame(40.0, $day->starts['print']);
        self::assertGreaterThanOrEqual(80.0, $day->starts['coat2']);
        self::assertLessThanOrEqual(120.0, $day->starts['coat2']);
    }

    public function test_a_window_that_shuts_while_the_hands_are_bound_is_named_with_what_would_help(): void
    {
        $day = self::planned([
            'now_min' => 100, 'days' => [[0, 480]], 'resources' => ['hands' => 1],
            'ops' => [
                self::op('print', 10, [], ['fixed_min' => 40]), self::op('pour', 90, [], ['fixed_min' => 95]),
                self::op('coat2', 15, [['op' => 'print', 'from_min' => 30, 'until_min' => 70]]),
            ],
        ]);

        self::assertFalse($day->isFeasible());
        self::assertSame([], $day->starts);
        self::assertNotNull($day->because);
        $said = Words::of($day->because);
        foreach (['coat2', 'print', '02:00', '03:05', 'cooler room'] as $word) {
            self::assertStringContainsString($word, $said);
        }
    }

    public function test_where_only_the_hours_run_out_that_is_said(): void
    {
        $day = self::planned([
            'now_min' => 400, 'days' => [[0, 480]], 'resources' => ['hands' => 1], 'ops' => [self::op('a', 60), self::op('b', 60)],
        ]);

        self::assertNotNull($day->because);
        self::assertStringContainsString('08:00', Words::of($day->because));
    }

    public function test_waits_run_through_the_night_and_what_needs_nobody_may_start_then(): void
    {
        $day = self::planned(['now_min' => 470, 'days' => [[0, 480], [1440, 1920]], 'resources' => ['hands' => 1, 'oven' => 1], 'ops' => [
            self::op('pour', 10),
            self::op('warm', 60, [['op' => 'pour', 'from_min' => 30]], ['uses' => ['oven']]),
            self::op('open', 20, [['op' => 'warm']]),
        ]]);

        self::assertEquals(['pour' => 470, 'warm' => 510, 'open' => 1440], $day->starts);
    }

    public function test_a_second_pair_of_hands_never_makes_it_later(): void
    {
        for ($seed = 1; $seed <= 60; $seed++) {
            $in = RandomDay::of($seed);
            [$one, $two] = [self::planned($in), self::planned([...$in, 'resources' => ['hands' => 2, 'chamber' => 1]])];
            if (! $one->isFeasible()) {
                continue;
            }
            self::assertTrue($two->isFeasible(), "Seed {$seed}");
            self::assertLessThanOrEqual([$one->late + 1e-6, $one->end + 1e-6], [$two->late, $two->end], "Seed {$seed}");
        }
    }

    public function test_small_days_are_as_good_as_looking_at_every_one(): void
    {
        [$fit, $days] = [0, Often::times(100)];
        for ($seed = 1; $seed <= $days; $seed++) {
            $in = RandomDay::of($seed);
            $day = self::planned($in);
            $best = EveryDay::best($in);
            self::assertSame($best !== null, $day->isFeasible(), "Seed {$seed}: ".json_encode($in));
            if ($best !== null) {
                $fit++;
                self::assertEqualsWithDelta(
                    $best, [$day->late, $day->end, array_sum($day->starts)], 1e-6, "Seed {$seed}: ".json_encode($in),
                );
            }
        }
        self::assertGreaterThan($days / 2, $fit);
        self::assertLessThan($days, $fit);
    }

    public function test_no_window_is_broken_no_unit_used_twice_and_nothing_starts_before_now(): void
    {
        for ($seed = 1; $seed <= 12; $seed++) {
            $in = RandomDay::of(1000 + $seed, 24, 4000);
            $day = self::planned($in);
            self::assertTrue($day->isFeasible(), "Seed {$seed}");
            self::assertSame([], EveryDay::faults($in, $day->starts), "Seed {$seed}");
        }
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> */
    public static function nonsense(): iterable
    {
        $ring = [self::op('a', 5, [['op' => 'b']]), self::op('b', 5, [['op' => 'c']]), self::op('c', 5, [['op' => 'a']])];
        yield 'a ring' => [['ops' => $ring], 'ops', 'ring'];
        yield 'waiting for itself' => [['ops' => [self::op('a', 5, [['op' => 'a']])]], 'ops', 'a → a'];
        yield 'longer than any day' => [['ops' => [self::op('a', 481)]], 'ops.0.minutes', '480'];
        yield 'a window turned round' => [
            ['ops' => [self::op('a', 5), self::op('b', 5, [['op' => 'a', 'from_min' => 40, 'until_min' => 30]])]],
            'ops.1.after.0.until_min', 'before it opens',
        ];
        yield 'nobody' => [['resources' => ['hands' => 0]], 'resources.hands', 'no hands'];
        yield 'half a chamber' => [['resources' => ['hands' => 1, 'chamber' => 0.5]], 'resources.chamber', 'whole'];
        yield 'an oven nobody has' => [['ops' => [self::op('a', 5, [], ['uses' => ['oven']])]], 'ops.0.uses', 'oven'];
        yield 'the same twice' => [['ops' => [self::op('a', 5), self::op('a', 5)]], 'ops.1.id', 'twice'];
        yield 'after what is not there' => [['ops' => [self::op('a', 5, [['op' => 'z']])]], 'ops.0.after.0.op', 'not in the list'];
        yield 'days that overlap' => [['days' => [[0, 480], [400, 900]]], 'days.1', 'in order'];
        yield 'a misspelt word' => [['opps' => []], 'opps', 'opps'];
    }

    /** @param  array<string, mixed>  $changes */
    #[DataProvider('nonsense')]
    public function test_what_no_day_could_hold_is_refused_by_name(array $changes, string $field, string $says): void
    {
        try {
            self::planned(self::benchDay($changes));
            self::fail('It was taken.');
        } catch (BadInput $wrong) {
            self::assertSame($field, $wrong->field);
            self::assertStringContainsString($says, Words::of($wrong->says));
        }
    }

    public function test_a_quick_plan_keeps_the_order_of_the_one_before(): void
    {
        $request = DayRequest::from(Fields::of(self::benchDay()));
        $best = (new DayPlanner)->plan($request);

        self::assertEquals(array_values($best->starts), (new DayPlanner)->quick($request, $best->starts));
        // As they came, the glove would go first and the block would be opened tomorrow.
        self::assertGreaterThan($best->end, max((array) (new DayPlanner)->quick($request)));
    }

    public function test_two_thousand_operations_are_more_than_a_workshop_plans(): void
    {
        try {
            self::planned(self::benchDay(['ops' => array_map(static fn (int $i): array => self::op("o{$i}", 1), range(1, 2000))]));
            self::fail('They were taken.');
        } catch (BadInput $wrong) {
            self::assertSame('ops', $wrong->field);
            self::assertStringContainsString('2000', Words::of($wrong->says));
        }
    }

    public function test_windows_that_exclude_each_other_fit_no_day(): void
    {
        $day = self::planned(['now_min' => 0, 'days' => [[0, 480]], 'resources' => ['hands' => 1], 'ops' => [
            self::op('print', 10), self::op('coat2', 10, [['op' => 'print', 'from_min' => 30, 'until_min' => 60]]),
            self::op('coat3', 10, [
                ['op' => 'print', 'from_min' => 0, 'until_min' => 20], ['op' => 'coat2', 'from_min' => 30, 'until_min' => 60],
            ]),
        ]]);

        self::assertNotNull($day->because);
        self::assertStringContainsString('coat3', Words::of($day->because));
    }
}
