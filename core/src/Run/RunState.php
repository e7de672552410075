<?php

declare(strict_types=1);

namespace Apalos\Core\Run;

use Apalos\Core\Casting\Heat;
use Apalos\Core\Facts\Fact;
use Apalos\Core\Facts\Standing;

/**
 * A run as its facts tell it. Pure: the same plan and the same facts always give the same state, whoever asks and
 * however often the machine died in between.
 *
 * @phpstan-import-type Reading from Heat
 */
final readonly class RunState
{
    /**
     * @param  array<int, MixingCup>  $cups  by batch, from 1
     * @param  array<int, float>  $filledAt  minutes at which each batch was in the mould
     * @param  list<array{at: float, text: string, fault: string|null}>  $notes
     * @param  array<string, mixed>|null  $grade  payload of the grading
     * @param  array<string, mixed>|null  $givenUp  what became of the grams, where it was given up
     * @param  array<string, float>  $begunAt  minutes at which the wait of an item began
     * @param  list<string>  $checked  items of the checklist that are ready
     * @param  list<int>  $live  ids of facts that still count, in order
     * @param  int|null  $takeBack  the fact that `Undone` may name: the last thing somebody did
     * @param  float  $since  minutes at which the step at hand began
     * @param  array<int, list<Reading>>  $heated  how warm each batch was read since it went on the heat
     * @param  int  $reheats  how often something went back on the heat
     * @param  bool  $gelIsSure  it was far from what was expected, asked about, and confirmed
     */
    private function __construct(
        public RunPlan $plan,
        public Step $step,
        public array $cups,
        public array $filledAt,
        public array $notes,
        public ?float $gelledAt,
        public ?float $openedAt,
        public ?array $grade,
        public array $begunAt,
        public array $checked,
        public array $live,
        public ?int $takeBack,
        public float $since,
        public ?array $givenUp = null,
        public bool $gelIsSure = false,
        public array $heated = [],
        public int $reheats = 0,
    ) {}

    /** @param  list<Fact<RunFactKind>>  $facts in the order they were recorded */
    public static function of(RunPlan $plan, array $facts): self
    {
        $cups = [];
        foreach ($plan->carried as $batch => $poured) {
            $cups[$batch] = MixingCup::carrying($plan, $batch, $poured) ?? MixingCup::empty($plan, $batch);
        }
        $cups += [1 => MixingCup::empty($plan, 1)];
        ksort($cups);
        $state = new self($plan, new Step(StepKind::Gear), $cups, [], [], null, null, null, [], $plan->ticked, [], null, 0.0);
        $standing = Standing::of($facts);
        $begins = self::planned($standing);
        // Notes move no step, and there may be thousands of them: they are gathered, the rest is walked.
        $isNote = static fn (Fact $fact): bool => $fact->kind === RunFactKind::Noted;
        $counting = array_slice($standing, $begins);
        $state = array_reduce($counting, static fn (self $so, Fact $fact): self => $isNote($fact) ? $so : $so->after($fact), $state);
        $acts = array_filter($counting, static fn (Fact $fact): bool => $fact->kind !== RunFactKind::Met);

        return $state->with(
            notes: array_map(self::note(...), array_values(array_filter($standing, $isNote))), live: array_column($counting, 'id'),
            takeBack: (end($acts) ?: null)?->id,
        );
    }

    /**
     * Where it stood before each fact, and after the last.
     *
     * @param  list<Fact<RunFactKind>>  $facts  that stand
     * @return list<self>
     */
    public static function each(RunPlan $plan, array $facts): array
    {
        return [$first = self::of($plan, []), ...iterator_to_array(self::folded($first, $facts), false)];
    }

    /**
     * @param  list<Fact<RunFactKind>>  $standing
     * @return \Generator<int, self> after each of them
     */
    private static function folded(self $state, array $standing): \Generator
    {
        $begins = self::planned($standing);
        foreach ($standing as $i => $fact) {
            // Of what happened before the plan was changed, only what was noted counts still.
            $state = $i >= $begins
                ? $state->after($fact)
                : ($fact->kind === RunFactKind::Noted ? $state->with(notes: [...$state->notes, self::note($fact)]) : $state);
            yield $state;
        }
    }

    /**
     * Where a run begins whose plan was changed before anything met.
     *
     * @param  list<Fact<RunFactKind>>  $facts
     */
    private static function planned(array $facts): int
    {
        $changed = array_keys(array_filter($facts, static fn (Fact $fact): bool => $fact->kind === RunFactKind::Replanned));

        return $changed === [] ? 0 : max($changed) + 1;
    }

    /**
     * @param  Fact<RunFactKind>  $fact
     * @return array{at: float, text: string, fault: string|null}
     */
    private static function note(Fact $fact): array
    {
        return ['at' => $fact->at, 'text' => $fact->text('text') ?? '', 'fault' => $fact->text('fault')];
    }

    public function cup(): MixingCup
    {
        return $this->cups[max(1, $this->step->batch)] ?? $this->cups[count($this->cups)];
    }

    /** @return list<string> items of the checklist that nobody has ticked yet */
    public function unchecked(): array
    {
        return array_values(array_diff(array_column($this->plan->checklist, 'id'), $this->checked));
    }

    /** Minutes at which A last met B, in the cup at hand or, once all are poured, in the last one. */
    public function lastMetAt(): ?float
    {
        $last = null;
        foreach ($this->cups as $cup) {
            $last = $cup->metAt ?? $last;
        }

        return $last;
    }

    public function isPoured(): bool
    {
        return count($this->filledAt) === count($this->plan->batches);
    }

    /** Grams weighed into all cups so far. */
    public function weighedGrams(): float
    {
        return array_sum(array_map(static fn (MixingCup $cup): float => array_sum($cup->poured), $this->cups));
    }

    /** @param  Fact<RunFactKind>  $fact */
    public function after(Fact $fact): self
    {
        $next = match ($fact->kind) {
            RunFactKind::Confirmed => $fact->text('step') === $this->step->key() ? $this->confirmed($fact->at) : $this,
            RunFactKind::Begun => $this->step->kind === StepKind::Contacts
                ? $this->with(begunAt: $this->begunAt + [($fact->text('item') ?? '') => $fact->happened()])
                : $this,
            RunFactKind::Checked => $this->step->kind === StepKind::Contacts
                ? $this->with(checked: array_values(array_unique([...$this->checked, $fact->text('item') ?? ''])))
                : $this,
            RunFactKind::Weighed => $fact->text('step') === $this->step->key() ? $this->weighed($fact) : $this,
            // Where the weighing and the tare before it were taken back, the cup stands empty and nothing runs.
            RunFactKind::Met => $this->step->kind === StepKind::Weigh ? $this->withCup($this->cup()->met($fact->at)) : $this,
            RunFactKind::Heated => $fact->text('step') === $this->step->key()
                ? $this->with(
                    heated: [$this->step->batch => [...$this->heated[$this->step->batch] ?? [], Heat::read($fact)]] + $this->heated,
                )
                : $this,
            RunFactKind::Reheated => $fact->text('step') === $this->step->key() && $this->plan->heat !== null
                ? $this->withCup($this->cup()->unmet())->with(
                    step: new Step(StepKind::Heat, $this->step->batch), heated: [$this->step->batch => []] + $this->heated,
                    reheats: $this->reheats + 1,
                )
                : $this,
            RunFactKind::Rescued => $this->step->kind === StepKind::Rescue ? $this->withCup($this->cup()->rescued())->weighingOn() : $this,
            RunFactKind::Kept => $this->step->kind === StepKind::Rescue ? $this->withCup($this->cup()->kept())->weighingOn() : $this,
            RunFactKind::Counted => $fact->text('step') === $this->step->key() && $fact->number('reading_g') !== null
                ? $this->withCup($this->cup()->counted($fact->number('reading_g') - ($fact->number('in_line_g') ?? 0.0)))
                : $this,
            RunFactKind::Swapped => $this->step->kind === StepKind::Weigh ? $this->swapped() : $this,
            RunFactKind::Earlier => $this->earlier($fact),
            RunFactKind::Noted => $this->with(notes: [...$this->notes, self::note($fact)]),
            RunFactKind::Gelled => $this->with(gelledAt: $fact->happened(), gelIsSure: ($fact->payload['sure'] ?? false) === true),
            RunFactKind::Opened => $this->step->kind === StepKind::Wait
                ? $this->with(step: new Step(StepKind::Grade), openedAt: $fact->happened())
                : $this,
            RunFactKind::Graded => $this->step->kind === StepKind::Grade
                ? $this->with(step: new Step(StepKind::Done), grade: $fact->payload)
                : $this,
            RunFactKind::GivenUp => in_array($this->step->kind, [StepKind::Done, StepKind::GivenUp], true)
                ? $this
                : $this->with(step: new Step(StepKind::GivenUp, $this->step->batch), givenUp: $fact->payload),
            // Told beside the steps: {@see Beside}.
            RunFactKind::Moulded, RunFactKind::DrawnFrom, RunFactKind::LeftOver, RunFactKind::Diagnosed, RunFactKind::Replanned,
            RunFactKind::Undone => $this,
        };

        // That A met B cannot be taken back: what is mixed keeps its clock, also when the weighing before it is done again.
        return $next->with(
            live: [...$this->live, $fact->id],
            takeBack: $fact->kind === RunFactKind::Met ? $this->takeBack : $fact->id,
            since: $next->step->key() === $this->step->key() ? $this->since : $fact->at,
        );
    }

    private function confirmed(float $at): self
    {
        $step = $this->step;
        if ($step->kind === StepKind::Contacts && $this->unchecked() !== []) {
            return $this;
        }
        $next = match ($step->kind) {
            StepKind::Gear => $this->plan->checklist === [] ? $this->plan->cupBegins(1) : new Step(StepKind::Contacts),
            StepKind::Contacts => $this->plan->cupBegins(1),
            StepKind::PreMix => new Step(StepKind::Tare, $step->batch),
            StepKind::Heat => new Step(StepKind::Fill, $step->batch),
            StepKind::Mix => $this->plan->degassing->min > 0.0
                ? new Step(StepKind::Degas, $step->batch)
                : new Step(StepKind::Fill, $step->batch),
            StepKind::Degas => new Step(StepKind::Fill, $step->batch),
            StepKind::Fill => $step->batch < count($this->plan->batches)
                ? (new CupOrder($this->plan, $this->cups))->afterFill($step->batch)
                : new Step($this->plan->endsLaid ? StepKind::Done : StepKind::Wait),
            default => $step,
        };

        return match ($step->kind) {
            // Whatever stands on the scale, with what is in it, is nought from here on.
            StepKind::Tare => $this->withCup($this->cup()->counted(0.0))->weighingOn(),
            StepKind::Heat => $this->withCup($this->cup()->met($at))->at($next),
            StepKind::Fill => $this->with(filledAt: $this->filledAt + [$step->batch => $at])->at($next),
            default => $this->at($next),
        };
    }

    private function swapped(): self
    {
        $cup = $this->cup()->swapped();
        $next = $this->withCup($cup);

        return $cup->overPoured && $cup->rescue()->needed
            ? $next->with(step: new Step(StepKind::Rescue, $this->step->batch, count($cup->weighings)))
            : $next;
    }

    /** @param  Fact<RunFactKind>  $fact */
    private function earlier(Fact $fact): self
    {
        $batch = (int) $fact->number('batch');
        $what = Moment::tryFrom($fact->text('what') ?? '');
        // Before it was said as a time of day it was said as minutes ago.
        $at = $fact->number('done_min') ?? $fact->at - ($fact->number('ago_min') ?? 0.0);

        return match ($what === null || ! $what->fits($this, $batch, $at) ? null : $what) {
            null => $this,
            Moment::Met => $this->with(cups: [$batch => $this->cups[$batch]->metEarlier($at)] + $this->cups),
            Moment::Filled => $this->with(filledAt: [$batch => $at] + $this->filledAt),
            Moment::Gelled => $this->with(gelledAt: $at),
            Moment::Opened => $this->with(openedAt: $at),
        };
    }

    /** @param  Fact<RunFactKind>  $fact */
    private function weighed(Fact $fact): self
    {
        $display = $fact->number('reading_g');
        if ($display === null || $this->step->kind !== StepKind::Weigh) {
            return $this;
        }
        $cup = $this->cup()->weighed($display, $fact->at);
        $cup = $cup->isMet() ? $cup->met($fact->at) : $cup;
        $next = $this->withCup($cup);

        return $cup->overPoured && $cup->rescue()->needed
            ? $next->with(step: new Step(StepKind::Rescue, $this->step->batch, count($cup->weighings)))
            : $next->weighingOn();
    }

    /** To the next line of this cup, to the next cup, or to mixing when all is in. */
    private function weighingOn(): self
    {
        return $this->at((new CupOrder($this->plan, $this->cups))->afterLine(max(1, $this->step->batch)));
    }

    /** At a step, with the cup it is about on the bench. */
    private function at(Step $step): self
    {
        $isNew = $step->batch > 0 && ! isset($this->cups[$step->batch]);

        return $this->with(
            step: $step, cups: $isNew ? $this->cups + [$step->batch => MixingCup::empty($this->plan, $step->batch)] : $this->cups,
        );
    }

    private function withCup(MixingCup $cup): self
    {
        return $this->with(cups: [max(1, $this->step->batch) => $cup] + $this->cups);
    }

    /**
     * @param  array<int, MixingCup>|null  $cups
     * @param  array<int, float>|null  $filledAt
     * @param  list<array{at: float, text: string, fault: string|null}>|null  $notes
     * @param  array<string, mixed>|null  $grade
     * @param  array<string, float>|null  $begunAt
     * @param  list<string>|null  $checked
     * @param  list<int>|null  $live
     * @param  array<string, mixed>|null  $givenUp
     * @param  array<int, list<Reading>>|null  $heated
     */
    private function with(
        ?Step $step = null, ?array $cups = null, ?array $filledAt = null, ?array $notes = null,
        ?float $gelledAt = null, ?float $openedAt = null, ?array $grade = null, ?array $begunAt = null, ?array $checked = null,
        ?array $live = null,
        ?int $takeBack = null, ?float $since = null, ?array $givenUp = null, ?bool $gelIsSure = null, ?array $heated = null,
        ?int $reheats = null,
    ): self {
        $cups ??= $this->cups;
        ksort($cups);

        return new self(
            $this->plan, $step ?? $this->step, $cups, $filledAt ?? $this->filledAt, $notes ?? $this->notes,
            $gelledAt ?? $this->gelledAt, $openedAt ?? $this->openedAt, $grade ?? $this->grade, $begunAt ?? $this->begunAt,
            $checked ?? $this->checked, $live ?? $this->live,
            $takeBack ?? $this->takeBack, $since ?? $this->since, $givenUp ?? $this->givenUp, $gelIsSure ?? $this->gelIsSure,
            $heated ?? $this->heated, $reheats ?? $this->reheats,
        );
    }
}
