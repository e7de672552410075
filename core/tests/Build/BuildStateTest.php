<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Build;

use Apalos\Core\Build\BuildFactKind;
use Apalos\Core\Build\BuildPlan;
use Apalos\Core\Build\BuildState;
use Apalos\Core\Build\Finger;
use Apalos\Core\Build\Laid;
use Apalos\Core\Build\Operation;
use Apalos\Core\Build\OperationState;
use Apalos\Core\Build\WindowClock;
use Apalos\Core\Cure\Milestone;
use Apalos\Core\Facts\Fact;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Tests\Words;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A glove of two coats, keys set into the second, a jacket: windows open 40 and shut 110 minutes after a coat. */
final class BuildStateTest extends TestCase
{
    /** @return list<array<string, mixed>> */
    private static function glove(): array
    {
        return [
            ['id' => 'release', 'kind' => 'prepare', 'name' => 'Release', 'minutes' => 10],
            ['id' => 'keys', 'kind' => 'keys', 'name' => 'Keys', 'minutes' => 10, 'mix' => ['against' => 'tray', 'ml' => 48]],
            [
                'id' => 'print', 'kind' => 'coat', 'name' => 'Print coat', 'minutes' => 8, 'after' => [['op' => 'release', 'from' => 5]],
                'mix' => ['thickness_mm' => 0.8, 'area_mm2' => 100000],
            ],
            [
                'id' => 'coat2', 'kind' => 'coat', 'name' => 'Second coat', 'minutes' => 8,
                'after' => [['op' => 'print', 'from' => 'recoat_open', 'until' => 'recoat_close'], ['op' => 'keys', 'from' => 90]],
                'mix' => ['against' => 'last', 'intent' => 'bond', 'thickness_mm' => 2.2, 'area_mm2' => 100000, 'ml' => 35],
            ],
            ['id' => 'embed', 'kind' => 'embed', 'name' => 'Set the keys', 'minutes' => 5, 'after' => [['op' => 'coat2', 'until' => 7]]],
            [
                'id' => 'jacket', 'kind' => 'pour', 'name' => 'Jacket', 'minutes' => 45, 'after' => [['op' => 'embed', 'from' => 120]],
                'mix' => ['base' => 'cp-70', 'against' => 'last'],
            ],
            ['id' => 'open', 'kind' => 'open', 'name' => 'Open', 'minutes' => 15, 'after' => [['op' => 'jacket', 'from' => 60]]],
        ];
    }

    /**
     * @param  list<array{BuildFactKind, float, array<string, mixed>}>  $facts
     * @param  array<string, Laid>  $laid
     */
    private static function at(float $now, array $facts = [], array $laid = []): BuildState
    {
        $clock = new class implements WindowClock
        {
            public function after(Operation $of, float $endedAt, Milestone $milestone, array $touches): ?float
            {
                return ['recoat_open_min' => 40.0, 'recoat_close_min' => 110.0][$milestone->value] ?? null;
            }
        };

        return BuildState::of(
            BuildPlan::from(Fields::of(['operations' => self::glove()])),
            array_map(static fn (int $i, array $fact): Fact => new Fact($i + 1, $fact[0], $fact[1], $fact[2]), array_keys($facts), $facts),
            $laid, $now, $clock,
        );
    }

    /** @return array<string, string> */
    private static function states(BuildState $state): array
    {
        return array_map(static fn ($one): string => $one->state->value, $state->operations);
    }

    public function test_nothing_done_the_release_and_the_keys_can_be_begun(): void
    {
        self::assertSame(
            [
                'release' => 'ready', 'keys' => 'ready', 'print' => 'waits', 'coat2' => 'waits', 'embed' => 'waits', 'jacket' => 'waits',
                'open' => 'waits',
            ],
            self::states(self::at(0)),
        );
        self::assertSame(['print', 'keys'], self::at(0)->operations['coat2']->waitsFor);
    }

    public function test_a_wait_runs_from_the_end_of_what_is_waited_for(): void
    {
        $done = [[BuildFactKind::Done, 20.0, ['op' => 'release']]];

        self::assertSame(OperationState::Waits, self::at(24, $done)->operations['print']->state);
        self::assertSame(OperationState::Ready, self::at(25, $done)->operations['print']->state);
        self::assertSame([10.0, 20.0], [
            self::at(25, $done)->operations['release']->startedAt, self::at(25, $done)->operations['release']->endedAt,
        ]);
    }

    /** @return iterable<string, array{float, OperationState}> */
    public static function moments(): iterable
    {
        // The print coat ended at 40, the keys at 20: the window runs from 110 (keys) to 150.
        yield 'the coat is open, the keys are not set' => [100.0, OperationState::Waits];
        yield 'both' => [112.0, OperationState::Ready];
        yield 'eight minutes left' => [143.0, OperationState::Closing];
        yield 'too late' => [151.0, OperationState::Missed];
    }

    #[DataProvider('moments')]
    public function test_the_second_coat_goes_on_while_the_window_is_open(float $now, OperationState $expected): void
    {
        $state = self::at(
            $now, [[BuildFactKind::Done, 20.0, ['op' => 'release']]], ['keys' => new Laid(10, 20), 'print' => new Laid(30, 40)],
        );

        self::assertSame($expected, $state->operations['coat2']->state);
        self::assertSame([110.0, 150.0, 'print'], [
            $state->operations['coat2']->opensAt, $state->operations['coat2']->shutsAt, $state->operations['coat2']->shutBy,
        ]);
    }

    public function test_the_finger_outranks_the_clock(): void
    {
        $laid = ['keys' => new Laid(-80, -70), 'print' => new Laid(0, 10)];
        $felt = static fn (Finger $finger, float $at): array => [
            [BuildFactKind::Fingered, $at, ['op' => 'print', 'finger' => $finger->value]],
        ];

        // By the clock it opens at 50 and shuts at 120.
        self::assertSame(OperationState::Waits, self::at(56, $felt(Finger::ComesOff, 55.0), $laid)->operations['coat2']->state);
        self::assertEqualsWithDelta(59.5, self::at(56, $felt(Finger::ComesOff, 55.0), $laid)->operations['coat2']->opensAt, 1e-9);
        self::assertSame(OperationState::Ready, self::at(36, $felt(Finger::Tacky, 35.0), $laid)->operations['coat2']->state);
        self::assertSame(OperationState::Missed, self::at(91, $felt(Finger::Dry, 90.0), $laid)->operations['coat2']->state);
        self::assertSame(OperationState::Closing, self::at(119, [], $laid)->operations['coat2']->state);
    }

    public function test_what_is_taken_back_never_was(): void
    {
        $laid = ['keys' => new Laid(-80, -70), 'print' => new Laid(0, 10)];
        $facts = [[BuildFactKind::Fingered, 35.0, ['op' => 'print', 'finger' => 'dry']], [BuildFactKind::Undone, 36.0, ['of' => 1]]];

        self::assertEquals(self::at(60, [], $laid)->operations, self::at(60, $facts, $laid)->operations);
        self::assertNull(self::at(60, $facts, $laid)->takeBack);
    }

    public function test_what_is_left_out_holds_nobody_up(): void
    {
        $state = self::at(
            30, [[BuildFactKind::Done, 0.0, ['op' => 'release']], [BuildFactKind::LeftOut, 2.0, ['op' => 'keys']]],
            ['print' => new Laid(5, 15)],
        );

        self::assertSame([], $state->operations['coat2']->waitsFor);
        self::assertSame(55.0, $state->operations['coat2']->opensAt);
    }

    public function test_the_window_that_shuts_soonest_wants_hands_first(): void
    {
        $laid = ['keys' => new Laid(0, 10), 'print' => new Laid(20, 30), 'coat2' => new Laid(100, 110)];
        $done = [[BuildFactKind::Done, 15.0, ['op' => 'release']]];

        self::assertSame('embed', self::at(113, $done, $laid)->next()?->operation->id);
        self::assertSame(OperationState::Ready, self::at(113, $done, $laid)->operations['embed']->state);
        self::assertSame(OperationState::Missed, self::at(118, $done, $laid)->operations['embed']->state);
    }

    public function test_a_changed_plan_is_a_fact_like_any_other(): void
    {
        $shorter = array_values(
            array_filter(self::glove(), static fn (array $one): bool => ! in_array($one['id'], ['jacket', 'open'], true)),
        );
        $state = self::at(10, [[BuildFactKind::Changed, 5.0, ['operations' => $shorter]]]);

        self::assertSame(['release', 'keys', 'print', 'coat2', 'embed'], array_keys($state->operations));
        self::assertSame(1, $state->edition);
    }

    public function test_the_plan_knows_its_layers_and_what_it_is_made_of(): void
    {
        $plan = BuildPlan::from(Fields::of(['operations' => self::glove()]));
        $coat = $plan->operation('coat2') ?? self::fail();

        self::assertSame('print', $plan->layerBefore($coat)?->id);
        self::assertSame('coat2', $plan->main()?->id);
        self::assertEqualsWithDelta(255.0, $coat->mixing?->volume(), 1e-9);
        self::assertSame(self::at(0)->plan->toArray(), BuildPlan::from(Fields::of($plan->toArray()))->toArray());
    }

    /** @return iterable<string, array{list<array<string, mixed>>, string}> */
    public static function nonsense(): iterable
    {
        $op = static fn (array $more): array => [...['id' => 'a', 'kind' => 'prepare', 'name' => 'A', 'minutes' => 5], ...$more];
        yield 'none' => [[], 'operations'];
        yield 'a ring' => [[$op(['after' => [['op' => 'b']]]), $op(['id' => 'b', 'after' => [['op' => 'a']]])], 'operations'];
        yield 'a stranger' => [[$op(['after' => [['op' => 'z']]])], 'operations.0.after.0.op'];
        yield 'a coat that runs off' => [[$op(['kind' => 'coat', 'mix' => ['thickness_mm' => 12]])], 'operations.0.mix.thickness_mm'];
        yield 'a coat thinner than any film' => [
            [$op(['kind' => 'coat', 'mix' => ['thickness_mm' => 0.001]])], 'operations.0.mix.thickness_mm',
        ];
        yield 'a window that shuts first' => [
            [$op([]), $op(['id' => 'b', 'after' => [['op' => 'a', 'from' => 20, 'until' => 10]]])], 'operations.1.after.0.until',
        ];
        yield 'an edge nobody knows' => [
            [$op([]), $op(['id' => 'b', 'after' => [['op' => 'a', 'from' => 'dawn']]])], 'operations.1.after.0.from',
        ];
        yield 'a name with blanks' => [[$op(['id' => 'coat 2'])], 'operations.0.id'];
        yield 'sixty-one' => [array_map(static fn (int $i): array => $op(['id' => "o{$i}"]), range(1, 61)), 'operations'];
    }

    /** @param  list<array<string, mixed>>  $operations */
    #[DataProvider('nonsense')]
    public function test_what_makes_no_build_is_refused_at_its_field(array $operations, string $field): void
    {
        try {
            BuildPlan::from(Fields::of(['operations' => $operations]));
            self::fail('It was taken.');
        } catch (BadInput $wrong) {
            self::assertSame($field, $wrong->field);
            self::assertNotSame('', Words::of($wrong->says));
        }
    }

    /** 800 g of dry plaster and 120 g of water that leaves with τ = 20 h: under half a per cent is left after 20·ln(120/4) = 68 h. */
    public function test_what_is_weighed_now_and_then_waits_until_its_weighings_say_that_it_is_dry(): void
    {
        $plan = BuildPlan::from(Fields::of([
            'operations' => [
                ['id' => 'dry', 'kind' => 'check', 'name' => 'Dry', 'minutes' => 2],
                ['id' => 'seal', 'kind' => 'prepare', 'name' => 'Seal', 'minutes' => 10, 'after' => [['op' => 'dry']]],
            ],
        ]));
        $clock = new class implements WindowClock
        {
            public function after(Operation $of, float $endedAt, Milestone $milestone, array $touches): ?float
            {
                return null;
            }
        };
        $weighed = static fn (int $i, float $hours, ?float $mass = null): Fact => new Fact(
            $i, BuildFactKind::Weighed, 30.0 + 60.0 * $hours, ['op' => 'dry', 'mass_g' => $mass ?? 800.0 + 120.0 * exp(-$hours / 20.0)],
        );
        $state = static fn (array $facts, float $hours): BuildState => BuildState::of($plan, $facts, [], 30.0 + 60.0 * $hours, $clock);
        $three = [$weighed(1, 0.0), $weighed(2, 12.0), $weighed(3, 30.0)];

        self::assertSame(
            OperationState::Ready, $state(array_slice($three, 0, 2), 31.0)->operations['dry']->state, 'Two weighings say nothing.',
        );
        $dries = $state($three, 31.0)->operations['dry'];
        self::assertSame(OperationState::Waits, $dries->state);
        self::assertEqualsWithDelta(30.0 + 60.0 * 20.0 * log(30.0), $dries->opensAt ?? 0.0, 60.0);
        self::assertSame(OperationState::Ready, $state($three, 70.0)->operations['dry']->state);
        self::assertSame(
            OperationState::Ready,
            $state([$weighed(1, 0.0), $weighed(2, 5.0, 930.0), $weighed(3, 9.0, 940.0)], 10.0)->operations['dry']->state,
            'Weighings that grow move nothing.',
        );
    }
}
