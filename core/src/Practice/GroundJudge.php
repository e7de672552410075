<?php

declare(strict_types=1);

namespace Apalos\Core\Practice;

use Apalos\Core\Cure\Milestone;
use Apalos\Core\Facts\Fact;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Run\RunFactKind;
use Apalos\Core\Run\StepKind;

/**
 * What it lay against and what was looked at before: gear, the list of what must be ready, the ground, a seam that leaks, giving up in
 * time.
 */
final readonly class GroundJudge
{
    /** Nobody puts gloves on, or looks at a contact, in less: minutes. */
    private const LOOK_MIN = 0.05;

    private const TICK_MIN = 0.02;

    /** A wait is kept to so much of it. */
    private const WAITED = 0.95;

    /** Of a pour, what may run out before it comes up short. */
    private const SHORT = 0.03;

    private const AT_ONCE_MIN = 1.5;

    /** What a wait not kept would show, by what is waited for. */
    private const SHOWS = ['released' => 'fused', 'dried' => 'steam-pits'];

    public function judge(PracticedRun $run, Truth $truth, FoundSoFar $found): void
    {
        $this->gear($run, $found);
        $this->list($run, $found);
        $this->ground($run, $truth, $found);
        $this->leak($run, $truth, $found);
        $this->givenUp($run, $truth, $found);
    }

    private function gear(PracticedRun $run, FoundSoFar $found): void
    {
        foreach ($run->confirmed(StepKind::Gear) as $i => $fact) {
            $isRead = $fact->at - $run->before($i)->since >= self::LOOK_MIN;
            $found->add(new Finding($isRead ? 'gear_on' : 'gear_unread', Skill::Order, $isRead, $run->of, $run->at($fact->at), $fact->id));
        }
    }

    private function list(PracticedRun $run, FoundSoFar $found): void
    {
        $ticks = array_values($run->told(RunFactKind::Checked));
        $minutes = array_column($run->plan->checklist, null, 'id');
        $begun = $run->state()->begunAt;
        foreach ($ticks as $fact) {
            $item = $minutes[$fact->text('item') ?? ''] ?? null;
            if ($item === null || $item['minutes'] <= 0.0) {
                continue;
            }
            $waited = isset($begun[$item['id']]) ? $fact->at - $begun[$item['id']] : 0.0;
            $isKept = $waited >= self::WAITED * $item['minutes'];
            $shows = $isKept ? null : (self::SHOWS[$item['care'] ?? ''] ?? null);
            $found->add(
                new Finding(
                    $isKept ? 'waited_out' : 'ticked_early', Skill::Ground, $isKept, $run->of, $run->at($fact->at), $fact->id,
                    [
                        'what' => Phrase::written($item['text']), 'waited' => Quantity::duration($waited),
                        'meant' => Quantity::duration($item['minutes']),
                    ],
                ),
                ...$shows === null ? [] : [$shows],
            );
        }
        if (count($ticks) > 1) {
            [$first, $last] = [$ticks[0], $ticks[count($ticks) - 1]];
            $isLooked = $last->at - $first->at >= self::TICK_MIN * (count($ticks) - 1);
            $found->add(
                new Finding(
                    $isLooked ? 'looked_at_each' : 'ticked_in_one_go', Skill::Order, $isLooked, $run->of, $run->at($first->at), $first->id,
                    ['items' => count($ticks)],
                ),
            );
        }
    }

    private function ground(PracticedRun $run, Truth $truth, FoundSoFar $found): void
    {
        $look = array_values($run->confirmed(StepKind::Contacts))[0] ?? array_values($run->confirmed(StepKind::Fill))[0] ?? null;
        $met = $run->state()->lastMetAt();
        $filled = $run->state()->filledAt;
        $found->facts['contact'] = in_array($truth->ground, Mishap::GROUNDS, true) ? $truth->ground : 'none';
        $lay = $truth->noticed ?? $found->facts['contact'];
        $say = static fn (string $code, bool $good, float $lost = 0.0): Finding => new Finding(
            $code, Skill::Ground, $good, $run->of, $run->at($look->at ?? 0.0), $look?->id, ['ground' => Phrase::of("practice.is_{$lay}")],
            $lost,
        );
        match (true) {
            $truth->noticed !== null => $found->add($say('changed_ground', true)),
            $truth->ground === 'none' => null,
            $filled !== [] => $found->add($say('lay_on_bad', false), 'sticky'),
            $run->state()->givenUp !== null && $met === null => $found->add($say('refused_ground', true)),
            default => null,
        };
        $truth->ground !== 'none' && $filled !== [] && $found->where = 'surface';
    }

    private function leak(PracticedRun $run, Truth $truth, FoundSoFar $found): void
    {
        foreach ($truth->spans('leak', $run->of) as $span) {
            $last = $run->facts === [] ? $span['from_min'] : $run->at($run->facts[count($run->facts) - 1]->at);
            $minutes = max(0.0, ($span['to_min'] ?? max($last, $span['from_min'])) - $span['from_min']);
            $lost = min($run->state()->weighedGrams(), $minutes * $span['by']);
            $isStopped = $minutes <= self::AT_ONCE_MIN;
            $isShort = $lost > self::SHORT * $run->state()->weighedGrams();
            $fill = array_values($run->confirmed(StepKind::Fill));
            $found->add(
                new Finding(
                    $isStopped ? 'stopped_leak' : 'let_it_leak', Skill::Watchfulness, $isStopped, $run->of, $span['from_min'],
                    $fill === [] ? null : $fill[count($fill) - 1]->id,
                    ['lost' => Quantity::mass($lost), 'minutes' => Quantity::duration($minutes)], $lost,
                ),
                ...$isShort ? ['short-fill'] : [],
            );
        }
    }

    /** Given up before lumps went in, it saved the mould; without a reason, it lost what was mixed. */
    private function givenUp(PracticedRun $run, Truth $truth, FoundSoFar $found): void
    {
        $fact = array_values($run->told(RunFactKind::GivenUp))[0] ?? null;
        $met = $run->state()->lastMetAt();
        if (! $fact instanceof Fact || $met === null) {
            return;
        }
        $gels = $truth->clock($run->sheet)->after(Milestone::PotLife, $run->at($met));
        $isRight = $run->state()->filledAt === [] && $gels !== null && $fact->at - $met >= $gels;
        $found->add(
            new Finding(
                $isRight ? 'left_in_cup' : 'given_up', Skill::Time, $isRight, $run->of, $run->at($fact->at), $fact->id,
                ['grams' => Quantity::mass($run->state()->weighedGrams())], $run->state()->weighedGrams(),
            ),
        );
    }
}
