<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Build;

use Apalos\Core\Build\BuildFactKind;
use Apalos\Core\Build\BuildPlan;
use Apalos\Core\Build\BuildState;
use Apalos\Core\Build\Laid;
use Apalos\Core\Build\Operation;
use Apalos\Core\Build\OperationKind;
use Apalos\Core\Build\OperationState;
use Apalos\Core\Build\WindowClock;
use Apalos\Core\Cure\Milestone;
use Apalos\Core\Facts\Fact;
use Apalos\Core\Input\Fields;
use PHPUnit\Framework\TestCase;

/** Leaving something out brings nothing forward, and a check that failed lets nothing through. */
final class LeftOutTest extends TestCase
{
    /**
     * @param  list<array<string, mixed>>  $operations
     * @param  list<array{BuildFactKind, float, array<string, mixed>}>  $facts
     * @param  array<string, Laid>  $laid
     */
    private static function state(array $operations, float $now, array $facts, array $laid = []): BuildState
    {
        $clock = new class implements WindowClock
        {
            public function after(Operation $of, float $endedAt, Milestone $milestone, array $touches): ?float
            {
                return ['recoat_open_min' => 40.0, 'recoat_close_min' => 110.0, 'demould_min' => 300.0][$milestone->value] ?? null;
            }
        };

        return BuildState::of(
            BuildPlan::from(Fields::of(['operations' => $operations])),
            array_map(static fn (int $i, array $fact): Fact => new Fact($i + 1, $fact[0], $fact[1], $fact[2]), array_keys($facts), $facts),
            $laid, $now, $clock,
        );
    }

    /** @return array<string, mixed> */
    private static function step(
        string $id,
        string $kind,
        string|int|null $after = null,
        float|string $from = 0.0,
        float|string|null $until = null,
    ): array {
        return [
            'id' => $id, 'kind' => $kind, 'name' => $id, 'minutes' => 5,
            'after' => $after === null ? [] : [['op' => (string) $after, 'from' => $from, ...($until === null ? [] : ['until' => $until])]],
            ...(in_array($kind, ['coat', 'pour'], true) ? ['mix' => ['thickness_mm' => 1.0, 'area_mm2' => 1000]] : []),
        ];
    }

    public function test_a_coat_that_is_left_out_leaves_its_window_to_the_next(): void
    {
        $plan = [
            self::step('print', 'coat'), self::step('coat2', 'coat', 'print', 'recoat_open', 'recoat_close'),
            self::step('coat3', 'coat', 'coat2', 'recoat_open', 'recoat_close'),
        ];
        $state = self::state($plan, 20.0, [[BuildFactKind::LeftOut, 15.0, ['op' => 'coat2']]], ['print' => new Laid(0.0, 10.0)]);

        self::assertSame(
            [OperationState::Waits, 50.0, 120.0],
            [$state->operations['coat3']->state, $state->operations['coat3']->opensAt, $state->operations['coat3']->shutsAt],
        );
        self::assertSame(
            OperationState::Missed,
            self::state(
                $plan, 121.0, [[BuildFactKind::LeftOut, 15.0, ['op' => 'coat2']]], ['print' => new Laid(0.0, 10.0)],
            )->operations['coat3']->state,
        );
    }

    public function test_what_it_waited_for_is_waited_for_still(): void
    {
        $plan = [self::step('pour', 'pour'), self::step('turn', 'open', 'pour', 'demould'), self::step('look', 'check', 'turn', 15.0)];
        $out = [[BuildFactKind::LeftOut, 1.0, ['op' => 'turn']]];

        self::assertSame(['pour'], self::state($plan, 2.0, $out)->operations['look']->waitsFor);
        // The longest of the wait that was left behind and its own.
        self::assertSame(310.0, self::state($plan, 20.0, $out, ['pour' => new Laid(0.0, 10.0)])->operations['look']->opensAt);
    }

    public function test_a_failed_check_holds_what_waits_for_it_until_it_passes(): void
    {
        $plan = [self::step('test', 'check'), self::step('pour', 'pour', 'test')];
        $failed = [[BuildFactKind::Failed, 5.0, ['op' => 'test']]];
        $state = self::state($plan, 6.0, $failed);

        self::assertSame(
            [OperationState::Failed, OperationState::Waits, ['test']],
            [$state->operations['test']->state, $state->operations['pour']->state, $state->operations['pour']->waitsFor],
        );
        self::assertSame('test', $state->next()?->operation->id);
        self::assertFalse($state->isThrough());
        self::assertSame(
            OperationState::Ready,
            self::state($plan, 10.0, [...$failed, [BuildFactKind::Done, 9.0, ['op' => 'test']]])->operations['pour']->state,
        );
        // Taken back it never failed.
        self::assertSame(
            OperationState::Ready,
            self::state($plan, 10.0, [...$failed, [BuildFactKind::Undone, 8.0, ['of' => 1]]])->operations['test']->state,
        );
    }

    public function test_leaving_out_never_brings_anything_forward(): void
    {
        mt_srand(31);
        for ($round = 0; $round < 400; $round++) {
            $plan = [];
            for ($i = 0, $n = mt_rand(3, 9); $i < $n; $i++) {
                $step = self::step("o{$i}", mt_rand(0, 1) === 1 ? 'coat' : 'prepare');
                for ($k = mt_rand(0, min(2, $i)); $k > 0; $k--) {
                    $on = mt_rand(0, $i - 1);
                    $coat = OperationKind::from($plan[$on]['kind'])->mixes();
                    $step['after'][$on] = ['op' => "o{$on}", 'from' => $coat && mt_rand(0, 1) === 1 ? 'recoat_open' : mt_rand(0, 60)];
                }
                $step['after'] = array_values($step['after']);
                $plan[] = $step;
            }
            $left = mt_rand(0, $n - 2);
            // Everything before is done, in order; once with it done as soon as it could be, once with it left out.
            [$facts, $laid, $opens] = [[], [], []];
            foreach ($plan as $i => $step) {
                if ($i === $left) {
                    continue;
                }
                $at = 100.0 * ($i + 1);
                OperationKind::from($step['kind'])->mixes()
                    ? $laid["o{$i}"] = new Laid($at - 5.0, $at)
                    : $facts[] = [BuildFactKind::Done, $at, ['op' => "o{$i}"]];
            }
            $itself = self::state($plan, 1e6, $facts, $laid)->operations["o{$left}"]->opensAt;
            $after = self::state($plan, 1e6, [...$facts, [BuildFactKind::LeftOut, 1e5, ['op' => "o{$left}"]]], $laid);
            foreach ($plan as $i => $step) {
                foreach ($step['after'] as $wait) {
                    if ($wait['op'] === "o{$left}" && $itself !== null && $plan[$left]['after'] !== []) {
                        self::assertGreaterThanOrEqual(
                            $itself, $after->operations["o{$i}"]->opensAt, json_encode([$plan, $left, $i], JSON_THROW_ON_ERROR),
                        );
                    }
                }
            }
        }
    }
}
