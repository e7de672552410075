<?php

declare(strict_types=1);

namespace Apalos\Core\Practice;

use Apalos\Core\Cure\Milestone;
use Apalos\Core\Facts\Fact;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Run\RunFactKind;
use Apalos\Core\Run\StepKind;

/** How the clock was kept: mixing, air, the way into the mould, the gel that was told, the opening; and whether somebody left meanwhile. */
final readonly class TimeJudge
{
    /** Of what was planned, mixed or de-aired for so much at least. */
    private const ENOUGH = 0.7;

    /** Of its pot life, poured by then with ease. */
    private const WITH_EASE = 0.85;

    /** So far from the truth a gel may be told, as a share of it. */
    private const WATCHED = 0.2;

    /** A clock is read to so much of it. */
    public const READ = 0.05;

    public function judge(PracticedRun $run, Scenario $scenario, Truth $truth, FoundSoFar $found): void
    {
        $this->stirred($run, $found);
        $this->air($run, $scenario, $truth, $found);
        $this->poured($run, $truth, $found);
        $this->gel($run, $truth, $found);
        $this->opened($run, $truth, $found);
        $this->called($run, $truth, $found);
    }

    private function stirred(PracticedRun $run, FoundSoFar $found): void
    {
        foreach ($run->confirmed(StepKind::Mix) as $i => $fact) {
            [$took, $meant] = [$fact->at - $run->before($i)->since, $run->plan->mixing->min];
            $isEnough = $took >= self::ENOUGH * $meant;
            $found->add(
                new Finding(
                    $isEnough ? 'mixed_through' : 'under_mixed', Skill::Mixing, $isEnough, $run->of, $run->at($fact->at), $fact->id,
                    ['took' => Quantity::duration($took), 'meant' => Quantity::duration($meant)],
                ),
                ...$isEnough ? [] : ['soft-spots', 'lines'],
            );
            $isEnough || $found->where ??= 'patches';
        }
    }

    private function air(PracticedRun $run, Scenario $scenario, Truth $truth, FoundSoFar $found): void
    {
        $found->facts['deaired'] = $run->plan->degassing->min > 0.0;
        foreach ($run->confirmed(StepKind::Degas) as $i => $fact) {
            [$took, $meant, $batch] = [$fact->at - $run->before($i)->since, $run->plan->degassing->min, $run->before($i)->step->batch];
            $rose = $truth->rose[$run->of][$batch] ?? 0.0;
            $values = ['took' => Quantity::duration($took), 'meant' => Quantity::duration($meant), 'lost' => Quantity::mass($rose)];
            $say = static fn (string $code, bool $good, float $lost = 0.0): Finding => new Finding(
                $code, Skill::Air, $good, $run->of, $run->at($fact->at), $fact->id, $values, $lost,
            );
            match (true) {
                $rose > 0.0 => $found->add($say('rose_over', false, $rose), 'short-fill'),
                $took < self::ENOUGH * $meant => $found->add($say('deaired_short', false), 'bubbles'),
                $scenario->wrong(MishapKind::Rises) !== null => $found->add($say('held_back', true)),
                default => $found->add($say('deaired', true)),
            };
        }
    }

    private function poured(PracticedRun $run, Truth $truth, FoundSoFar $found): void
    {
        $filled = array_values($run->confirmed(StepKind::Fill));
        foreach ($filled as $fact) {
            $batch = (int) strtok($fact->text('step') ?? '', ':');
            $met = $run->state()->cups[$batch]->metAt ?? null;
            $gels = $met === null ? null : $truth->clock($run->sheet)->after(Milestone::PotLife, $run->at($met));
            $at = $run->state()->filledAt[$batch] ?? null;
            if ($gels === null || $at === null) {
                continue;
            }
            $share = ($at - $met) / $gels;
            $found->worst('poured_at_share', $share);
            $say = static fn (string $code, bool $good): Finding => new Finding(
                $code, Skill::Time, $good, $run->of, $run->at($fact->at), $fact->id,
                [
                    'left' => Quantity::duration(max(0.0, $gels - $at + $met)), 'late' => Quantity::duration(max(0.0, $at - $met - $gels)),
                    'gels' => Quantity::duration($gels), 'cup' => $batch,
                ],
            );
            match (true) {
                $share > 1.0 => $found->add($say('poured_late', false), 'lines', 'short-fill'),
                $share > self::WITH_EASE => $found->add($say('poured_close', true)),
                default => $found->add($say('poured_in_time', true)),
            };
        }
    }

    private function gel(PracticedRun $run, Truth $truth, FoundSoFar $found): void
    {
        $fact = array_values($run->told(RunFactKind::Gelled))[0] ?? null;
        $met = $run->state()->lastMetAt();
        $gels = $met === null ? null : $truth->clock($run->sheet)->after(Milestone::PotLife, $run->at($met));
        if ($fact === null || $gels === null || $run->state()->gelledAt === null) {
            return;
        }
        $told = $run->state()->gelledAt - $met;
        $isWatched = abs($told / $gels - 1.0) <= self::WATCHED;
        $found->add(
            new Finding(
                $isWatched ? 'gel_watched' : 'gel_guessed', Skill::Watchfulness, $isWatched, $run->of, $run->at($fact->at), $fact->id,
                ['told' => Quantity::duration($told), 'gels' => Quantity::duration($gels)],
            ),
        );
    }

    private function opened(PracticedRun $run, Truth $truth, FoundSoFar $found): void
    {
        $fact = array_values($run->told(RunFactKind::Opened))[0] ?? null;
        [$met, $opened] = [$run->state()->lastMetAt(), $run->state()->openedAt];
        $whole = $met === null ? null : $truth->clock($run->sheet)->after(Milestone::Demould, $run->at($met));
        if ($fact === null || $opened === null || $whole === null) {
            return;
        }
        $share = ($opened - $met) / $whole;
        $found->worst('opened_at_share', $share, lowest: true);
        $isTime = $share >= 1.0 - self::READ;
        $found->add(
            new Finding(
                $isTime ? 'opened_in_time' : 'opened_early', Skill::Opening, $isTime, $run->of, $run->at($fact->at), $fact->id,
                ['early' => Quantity::duration(max(0.0, $whole - $opened + $met)), 'whole' => Quantity::duration($whole)],
            ),
            ...$isTime ? [] : ['tear', 'too-soft'],
        );
    }

    private function called(PracticedRun $run, Truth $truth, FoundSoFar $found): void
    {
        foreach ($truth->calls as $call) {
            $runs = array_filter(
                $run->state()->cups,
                static fn ($cup, int $batch): bool => $cup->metAt !== null
                    && $run->at($cup->metAt) <= $call['at_min']
                    && $run->at($run->state()->filledAt[$batch] ?? INF) > $call['at_min'],
                ARRAY_FILTER_USE_BOTH,
            );
            $next = array_values(array_filter($run->facts, static fn (Fact $fact): bool => $run->at($fact->at) >= $call['at_min']))[0]
                ?? null;
            $code = $runs === [] ? null : ($call['went'] ? 'left_mid_clock' : 'stayed_at_clock');
            $code === null
                || $found->add(
                    new Finding($code, Skill::Time, ! $call['went'], $run->of, $call['at_min'], $next?->id, [
                        'minutes' => Quantity::duration($call['min']),
                    ]),
                );
        }
    }
}
