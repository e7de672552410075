<?php

declare(strict_types=1);

namespace Apalos\Core\Practice;

use Apalos\Core\Build\Care;
use Apalos\Core\Build\OperationStands;
use Apalos\Core\Build\OperationState;
use Apalos\Core\Cure\Milestone;
use Apalos\Core\Phrase\Quantity;

/**
 * How a build was walked: each coat in the window it really had, waits kept, the finger before the next coat, nothing left out that counts.
 */
final readonly class BuildJudge
{
    /** Nobody begins to the second: minutes; nor opens to less of what it takes. */
    private const SLACK_MIN = 1.0;

    private const SLACK_SHARE = TimeJudge::READ;

    /**
     * @param  list<PracticedRun>  $runs
     * @param  float  $ended  minute of the practice
     */
    public function judge(PracticedBuild $build, array $runs, Truth $truth, float $ended, FoundSoFar $found): void
    {
        $state = $build->state($runs, $ended - $build->at(0.0));
        $byOperation = array_column(
            array_map(static fn (PracticedRun $run): array => ['of' => $run->of, 'run' => $run], $runs), 'run', 'of',
        );
        foreach ($state->operations as $id => $stands) {
            $run = $byOperation[$id] ?? null;
            $begun = $run === null ? $stands->startedAt : self::laid($build, $run);
            if ($begun !== null && $stands->windows !== []) {
                $this->window($build, $state->operations, $stands, $run, $begun, $found);
            }
            if ($stands->state === OperationState::LeftOut) {
                $isRelease = in_array(Care::Release, $stands->operation->care, true);
                $found->add(
                    new Finding(
                        'left_out', Skill::Order, false, 'build', $build->at($stands->endedAt ?? 0.0), $build->told($id),
                        ['what' => $stands->operation->name],
                    ),
                    ...$isRelease ? ['fused'] : [],
                );
            }
            if ($stands->state === OperationState::Missed) {
                $found->add(
                    new Finding(
                        'missed', Skill::Windows, false, 'build', $build->at($stands->shutsAt ?? 0.0), null,
                        ['what' => $stands->operation->name],
                    ),
                );
            }
            $below = $state->feltFor($id);
            if ($below !== null && $begun !== null) {
                $touched = array_filter($build->touches($below->id), static fn ($fact): bool => $fact->happened() <= $begun);
                $found->add(
                    new Finding(
                        $touched === [] ? 'not_touched' : 'touched', Skill::Watchfulness, $touched !== [], $run->of ?? 'build',
                        $build->at($begun), $run === null ? $build->told($id) : null, ['what' => $stands->operation->name],
                    ),
                );
            }
        }
        foreach ($truth->calls as $call) {
            $this->called($build, $state->operations, $call, $found);
        }
    }

    /** When the first of a coat went on. */
    private static function laid(PracticedBuild $build, PracticedRun $run): ?float
    {
        return $run->state()->filledAt === [] ? null : $run->at(min($run->state()->filledAt)) - $build->at(0.0);
    }

    /** @param  array<string, OperationStands>  $all */
    private function window(
        PracticedBuild $build,
        array $all,
        OperationStands $stands,
        ?PracticedRun $run,
        float $begun,
        FoundSoFar $found,
    ): void {
        $from = max([0.0, ...array_map(static fn (array $window): float => $window[0], $stands->windows)]);
        $until = min([INF, ...array_map(static fn (array $window): float => $window[1], $stands->windows)]);
        $isCoat = array_filter(
            $stands->waits, static fn (array $wait): bool => in_array(Milestone::RecoatOpen, $wait['from'], true),
        ) !== [];
        $isOpening = array_filter(
            $stands->waits, static fn (array $wait): bool => in_array(Milestone::Demould, $wait['from'], true),
        ) !== [];
        $laid = max([0.0, ...array_map(static fn (string $id): float => $all[$id]->endedAt ?? 0.0, array_keys($stands->windows))]);
        $slack = max(self::SLACK_MIN, $isOpening ? self::SLACK_SHARE * ($from - $laid) : 0.0);
        $isOnlyWait = $until === INF && $from <= 0.0;
        if ($isOnlyWait) {
            return;
        }
        if ($isCoat && $until !== INF && $until > $from) {
            $found->worst('coat_gap_share', max(-100.0, min(100.0, ($begun - $from) / ($until - $from))), lowest: $begun < $from);
        }
        $grams = $run?->state()->weighedGrams() ?? 0.0;
        $skill = $isOpening ? Skill::Opening : Skill::Windows;
        $told = $run === null ? $build->told($stands->operation->id) : null;
        $say = static fn (
            string $code, bool $good, float $lost = 0.0,
        ): Finding => new Finding($code, $skill, $good, $run->of ?? 'build', $build->at($begun), $told, [
            'what' => $stands->operation->name, 'early' => Quantity::duration(max(0.0, $from - $begun)),
            'late' => Quantity::duration($until === INF ? 0.0 : max(0.0, $begun - $until)),
        ], $lost);
        match (true) {
            $begun < $from - $slack && $isCoat => $found->add($say('coat_early', false, $grams), 'thin-spot'),
            $begun < $from
                - $slack => $found->add(
                    $say($isOpening ? 'opened_early_build' : 'began_early', false), ...$isOpening ? ['tear', 'too-soft'] : [],
                ),
            $begun > $until + self::SLACK_MIN && $isCoat => $found->add($say('coat_late', false, $grams), 'delaminated'),
            $begun > $until + self::SLACK_MIN => $found->add($say('began_late', false)),
            default => $found->add($say($isCoat ? 'coat_in_window' : 'in_its_time', true)),
        };
    }

    /**
     * Whoever is called away while a window stands open goes on their own risk.
     *
     * @param  array<string, OperationStands>  $operations
     * @param  array{at_min: float, min: float, at: string, went: bool}  $call
     */
    private function called(PracticedBuild $build, array $operations, array $call, FoundSoFar $found): void
    {
        [$at, $back] = [$call['at_min'] - $build->at(0.0), $call['at_min'] + $call['min'] - $build->at(0.0)];
        foreach ($operations as $stands) {
            $until = min([INF, ...array_map(static fn (array $window): float => $window[1], $stands->windows)]);
            $isOpen = $until !== INF && ($stands->startedAt === null || $stands->startedAt >= $at) && $at <= $until && $back > $until;
            if ($isOpen) {
                $found->add(
                    new Finding(
                        $call['went'] ? 'left_at_window' : 'stayed_at_window', Skill::Windows, ! $call['went'], 'build', $call['at_min'],
                        null, ['what' => $stands->operation->name, 'minutes' => Quantity::duration($call['min'])],
                    ),
                );
            }
        }
    }
}
