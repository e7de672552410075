<?php

declare(strict_types=1);

namespace App\Builds;

use Apalos\Core\Build\BuildFactKind;
use Apalos\Core\Build\BuildPlan;
use Apalos\Core\Build\Felt;
use Apalos\Core\Build\Finger;
use Apalos\Core\Build\Operation;
use Apalos\Core\Build\OperationKind;
use Apalos\Core\Build\OperationStands;
use Apalos\Core\Build\OperationState;
use Apalos\Core\Build\Wait;
use Apalos\Core\Day\DayOperation;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Run\Grade;
use App\Facts\Happened;
use App\Facts\StepHasMoved;
use App\Facts\Stream;
use App\Facts\ToldLate;
use App\Library\Library;
use App\Models\Build;
use App\Models\Pour;
use App\Models\Workshop;
use Carbon\CarbonImmutable;

/** A build: which fact fits where it stands. What it mixes has its facts in the run of that. */
final readonly class BuildStream implements Stream
{
    /** Of a plain pour, on the day. */
    private const OPENING = 'open';

    public function __construct(
        private Library $library,
        private BuildOutcome $outcome,
        private Workshop $workshop,
        public RecordedBuild $recorded,
    ) {}

    public static function name(): string
    {
        return RecordedBuild::STREAM;
    }

    public static function believedHours(): int
    {
        return 24;
    }

    public function id(): int
    {
        return $this->recorded->build->id;
    }

    public function beganAt(): CarbonImmutable
    {
        return $this->recorded->build->created_at;
    }

    public function facts(): array
    {
        return $this->recorded->facts;
    }

    /** The name of what was laid on this one since; null where nothing was. */
    public static function laidOn(Pour $pour): ?string
    {
        return self::begunOn(
            RecordedBuild::of(Build::query()->with('impression.job')->findOrFail($pour->build_id), CarbonImmutable::now()),
            $pour->operation,
        );
    }

    /** What waited for this operation and has begun; null where nothing has. */
    private static function begunOn(RecordedBuild $recorded, string $operation): ?string
    {
        foreach ($recorded->state->operations as $stands) {
            $waits = array_filter($stands->operation->after, static fn ($wait): bool => $wait->operation === $operation);
            if ($waits !== [] && ($stands->startedAt !== null || $stands->state === OperationState::Done)) {
                return $stands->operation->name;
            }
        }

        return null;
    }

    public function accepts(string $kind, Fields $payload, CarbonImmutable $now): array
    {
        $kind = Fields::of(['kind' => $kind])->choice('kind', BuildFactKind::class);
        if ($this->recorded->build->plain && ! in_array($kind, [BuildFactKind::Put, BuildFactKind::Undone], true)) {
            throw BadInput::at('kind', Phrase::of('bench.plain_build_is_its_run'));
        }
        if ($this->recorded->state->isOver() && ! in_array($kind, [BuildFactKind::Undone, BuildFactKind::Noted], true)) {
            throw new StepHasMoved(Phrase::of('bench.build_ended_already_perhaps'));
        }

        return match ($kind) {
            BuildFactKind::Begun, BuildFactKind::Done => $this->ticked($payload->only('op', 'early', ToldLate::FIELD)),
            BuildFactKind::Retold => $this->retold($payload->only('op', 'what', ToldLate::FIELD)),
            BuildFactKind::Failed => $this->failed($payload->only('op', 'why')),
            BuildFactKind::LeftOut => $this->leftOut($payload->only('op', 'why')),
            BuildFactKind::Fingered => $this->fingered($payload->only('op', 'finger', 'sure', ToldLate::FIELD)),
            BuildFactKind::Weighed => [
                'op' => $this->stands($payload->only('op', 'mass_g', ToldLate::FIELD), OperationKind::Check)->operation->id,
                'mass_g' => $payload->positive('mass_g'), 'step_g' => $this->workshop->scale_division_g,
                ...$this->told($payload)->kept(),
            ],
            BuildFactKind::Noted => ['text' => mb_substr($payload->only('text')->text('text'), 0, 2000)],
            BuildFactKind::Changed => $this->changed($payload->only('operations', 'was')),
            BuildFactKind::Put => $this->put($payload->only('op', 'at_ms')),
            BuildFactKind::Graded => $this->graded($payload->only('grade', 'faults', 'pieces', 'note')),
            BuildFactKind::GivenUp => ['note' => mb_substr($payload->only('note')->textOrNull('note') ?? '', 0, 2000)],
            BuildFactKind::Undone => $this->undone($payload->only('of', 'of_key')),
        };
    }

    public function with(Happened $told): static
    {
        return new self($this->library, $this->outcome, $this->workshop, $this->recorded->with($told));
    }

    /** A plain build is its run, which writes for itself. */
    public function project(): void
    {
        $this->recorded->build->plain || $this->outcome->write($this->recorded);
    }

    private function stands(Fields $in, OperationKind ...$kinds): OperationStands
    {
        $stands = $this->recorded->state->operations[$in->text('op')] ?? null;
        if ($stands === null || ($kinds !== [] && ! in_array($stands->operation->kind, $kinds, true))) {
            throw new StepHasMoved(Phrase::of('bench.operation_no_longer_plan'));
        }

        return $stands;
    }

    private function said(?float $minutes): string
    {
        return $this->workshop->said($this->recorded->at($minutes) ?? $this->recorded->now, $this->recorded->now);
    }

    /** "It was at …", on the clock of this build. */
    private function told(Fields $in): ToldLate
    {
        return ToldLate::read($in, $this->beganAt(), $this->recorded->now);
    }

    private function beginnable(Fields $in): OperationStands
    {
        $stands = $this->stands($in);
        if ($stands->operation->kind->mixes()) {
            throw BadInput::at($in->at('op'), Phrase::of('bench.mixed_is_begun_from_its_sheet'));
        }
        if ($stands->state->isOver()) {
            throw new StepHasMoved(Phrase::of('bench.done_already_perhaps_from', ['name' => $stands->operation->name]));
        }
        if ($stands->waitsFor !== []) {
            throw BadInput::at($in->at('op'), Phrase::of('bench.operation_waits', [
                'operation' => $stands->operation->name,
                'for' => array_map(fn (string $id): string => $this->recorded->state->plan->operation($id)->name ?? $id, $stands->waitsFor),
            ]));
        }

        return $stands;
    }

    /** @return array<string, mixed> begun, or done */
    private function ticked(Fields $in): array
    {
        $stands = $this->beginnable($in);
        $early = $in->toArray()['early'] ?? false;
        $told = $this->told($in);
        foreach ($stands->operation->after as $wait) {
            $before = $this->recorded->state->operations[$wait->operation] ?? null;
            $told = $told->notBefore($this->recorded->at($before?->endedAt), $before->operation->name ?? '');
        }
        if ($stands->startedAt !== null) {
            $told = $told->notBefore($this->recorded->at($stands->startedAt), $stands->operation->name);
        } elseif (($stands->opensAt ?? 0.0) > 0.0 && $told->minutes() < $stands->opensAt - 1e-6 && $early !== true && ! is_string($early)) {
            throw BadInput::at('early', Phrase::of('bench.too_early', [
                'operation' => $stands->operation->name, 'at' => $this->said($stands->opensAt),
            ]));
        }

        return [
            'op' => $stands->operation->id,
            ...(is_string($early) && trim($early) !== '' ? ['early' => mb_substr(trim($early), 0, 500)] : []), ...$told->kept(),
        ];
    }

    /** @return array<string, mixed> what was ticked already was at another time */
    private function retold(Fields $in): array
    {
        $stands = $this->stands($in);
        $what = $in->text('what');
        if (
            $stands->operation->kind->mixes()
            || ! in_array($what, ['begun', 'done'], true)
            || ($what === 'done' ? $stands->state !== OperationState::Done : $stands->startedAt === null)
        ) {
            throw BadInput::at($in->at('op'), Phrase::of('bench.other_time_only_here'));
        }
        $told = $this->told($in);
        foreach ($stands->operation->after as $wait) {
            $before = $this->recorded->state->operations[$wait->operation] ?? null;
            $told = $told->notBefore($this->recorded->at($before?->endedAt), $before->operation->name ?? '');
        }
        foreach ($this->recorded->state->operations as $later) {
            $waits = $what === 'done'
                && array_filter(
                    $later->operation->after, static fn (Wait $wait): bool => $wait->operation === $stands->operation->id,
                ) !== [];
            $since = $waits ? $later->startedAt : ($what === 'begun' && $later === $stands ? $stands->endedAt : null);
            if ($since !== null && $told->minutes() > $since) {
                throw BadInput::at(ToldLate::FIELD, Phrase::of('bench.told_too_late', [
                    'what' => $later->operation->name, 'at' => $this->said($since),
                ]));
            }
        }

        return ['op' => $stands->operation->id, 'what' => $what, 'done_min' => $told->minutes()];
    }

    /** @return array{op: string, why: string} */
    private function failed(Fields $in): array
    {
        $this->stands($in, OperationKind::Check);

        return ['op' => $this->beginnable($in)->operation->id, 'why' => mb_substr($in->textOrNull('why') ?? '', 0, 500)];
    }

    /** @return array{op: string, why: string} */
    private function leftOut(Fields $in): array
    {
        $stands = $this->stands($in);
        if ($stands->state->isOver() || $stands->state === OperationState::UnderWay) {
            throw new StepHasMoved(Phrase::of('bench.under_way_over', ['name' => $stands->operation->name]));
        }

        return ['op' => $stands->operation->id, 'why' => mb_substr($in->textOrNull('why') ?? '', 0, 500)];
    }

    /** @return array<string, mixed> */
    private function fingered(Fields $in): array
    {
        $stands = $this->stands($in, OperationKind::Coat, OperationKind::Pour, OperationKind::Keys);
        if ($stands->state !== OperationState::Done) {
            throw BadInput::at($in->at('op'), Phrase::of('bench.not_laid_yet_nothing', ['name' => $stands->operation->name]));
        }

        $finger = $in->choice('finger', Finger::class);
        $told = $this->told($in)->notBefore($this->recorded->at($stands->endedAt), $stands->operation->name);
        $sure = $in->has('sure') && $in->bool('sure');
        $expected = $sure
            ? null
            : $this->recorded->clock->unexpected(
                $stands, new Felt(0, $told->minutes(), $finger), $this->recorded->state->touches[$stands->operation->id] ?? [],
            );
        if ($expected !== null) {
            throw BadInput::at('sure', Phrase::of('bench.touch_far', [
                'coat' => $stands->operation->name, 'after' => Quantity::duration($told->minutes() - ($stands->endedAt ?? 0.0)),
                'low' => Quantity::duration($expected->low), 'high' => Quantity::duration($expected->high),
            ]));
        }

        return ['op' => $stands->operation->id, 'finger' => $finger->value, ...($sure ? ['sure' => true] : []), ...$told->kept()];
    }

    /** @return array{op: string, at_min: float|null} */
    private function put(Fields $in): array
    {
        $at = $in->numberOrNull('at_ms', 0.0, 1e14);
        // A plain pour is opened as well, though opening is no operation of its build.
        if ($this->recorded->build->plain && $in->text('op') === self::OPENING) {
            $operation = self::OPENING;
        } else {
            $stands = $this->stands($in);
            if ($stands->startedAt !== null || $stands->state->isOver()) {
                throw new StepHasMoved(Phrase::of('bench.begun_does_not_move', ['name' => $stands->operation->name]));
            }
            $operation = $stands->operation->id;
        }

        return [
            'op' => $operation,
            'at_min' => $at === null ? null : ($at - (float) $this->recorded->build->created_at->getTimestampMs()) / 60_000.0,
        ];
    }

    /** @return array{operations: list<array<string, mixed>>} */
    private function changed(Fields $in): array
    {
        // Two screens may hold the same plan open: who is second sees what the first changed before it is lost.
        if ((int) $in->number('was', 0.0, 1e15) !== $this->recorded->state->edition) {
            throw new StepHasMoved(Phrase::of('bench.plan_changed_another_screen'));
        }
        $plan = BuildPlan::from(Fields::of(['operations' => $in->toArray()['operations'] ?? null]));
        foreach ($this->recorded->state->operations as $id => $stands) {
            $same = $plan->operation($id);
            if (
                ($stands->startedAt !== null || $stands->state->isOver())
                && ($same === null || self::doneTo($same) !== self::doneTo($stands->operation))
            ) {
                throw BadInput::at('operations', Phrase::of('bench.begun_operation_stays', ['name' => $stands->operation->name]));
            }
        }
        $day = $this->workshop->dayMinutes();
        foreach ($plan->operations as $i => $operation) {
            if (in_array(DayOperation::HANDS, $operation->uses, true) && $operation->minutes > $day) {
                throw BadInput::at("operations.{$i}.minutes", Phrase::of('day.longer_than_a_day', [
                    'op' => $operation->name, 'minutes' => $operation->minutes, 'longest' => $day,
                ]));
            }
            if ($operation->mixing?->base !== null && ! isset($this->library->shelf()->bases[$operation->mixing->base])) {
                throw BadInput::at("operations.{$i}.mix.base", Phrase::of('bench.no_base_on_shelf', ['base' => $operation->mixing->base]));
            }
        }

        return $plan->toArray();
    }

    /** What may not change once it has begun; how long it is thought to take may. */
    private static function doneTo(Operation $operation): string
    {
        return (string) json_encode([$operation->kind, $operation->mixing?->toArray()]);
    }

    /** @return array<string, mixed> */
    private function graded(Fields $in): array
    {
        if (! $this->recorded->state->isThrough()) {
            throw BadInput::at('grade', Phrase::of('bench.something_still_be_done'));
        }
        foreach ($in->strings('faults') as $fault) {
            isset($this->library->faults()[$fault])
                || throw BadInput::at($in->at('faults'), Phrase::of('bench.no_fault_in_list', ['fault' => $fault]));
        }

        return [
            'grade' => $in->choice('grade', Grade::class)->value, 'faults' => $in->strings('faults'),
            'pieces' => (int) ($in->numberOrNull('pieces', 0.0, 100_000.0) ?? 1.0),
            'note' => mb_substr($in->textOrNull('note') ?? '', 0, 2000),
        ];
    }

    /** @return array{of: int} */
    private function undone(Fields $in): array
    {
        $of = $in->has('of_key') ? Happened::numbered($this->recorded->facts, $in->text('of_key')) : (int) $in->number('of', 0.0, 1e15);
        if ($this->recorded->state->takeBack !== $of) {
            throw new StepHasMoved(Phrase::of('bench.only_last_thing_done'));
        }
        $fact = $this->recorded->fact($of);
        $operation = $fact?->payload['op'] ?? null;
        $begun = $fact !== null
            && is_string($operation)
            && in_array($fact->kind, [BuildFactKind::Done->value, BuildFactKind::LeftOut->value], true)
            ? self::begunOn($this->recorded, $operation)
            : null;
        if ($begun !== null) {
            throw new StepHasMoved(Phrase::of('bench.begun_since_take_back', ['begun' => $begun]));
        }

        return ['of' => $of];
    }
}
