<?php

declare(strict_types=1);

namespace Apalos\Core\Build;

use Apalos\Core\Care\Drying;
use Apalos\Core\Cure\Milestone;
use Apalos\Core\Facts\Fact;
use Apalos\Core\Facts\Standing;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;

/**
 * A build as its facts and the runs of what it mixes tell it. Pure: the same plan, facts, runs and moment always give the same
 * state, whoever asks and however often the machine died in between.
 */
final readonly class BuildState
{
    /** A window counts as closing when less than this is left of it, in minutes, or a fifth of it where that is less. */
    private const CLOSING_MIN = 15.0;

    /**
     * @param  array<string, OperationStands>  $operations  in order, by id
     * @param  array<string, list<Felt>>  $touches  by the coat that was touched, in the order of when
     * @param  array<string, list<array{at: float, mass_g: float, step_g?: float}>>  $weighings  by the operation that waits for dryness
     * @param  list<array{at: float, text: string}>  $notes
     * @param  array<string, float>  $put  by operation: not to be begun before, because somebody put it there
     * @param  array<string, mixed>|null  $grade
     * @param  array<string, mixed>|null  $givenUp
     * @param  int|null  $takeBack  the fact that `Undone` may name: the last thing somebody did
     * @param  int  $edition  number of the last change of the plan, 0 for none
     */
    private function __construct(
        public BuildPlan $plan,
        public array $operations,
        public array $touches,
        public array $weighings,
        public array $notes,
        public array $put,
        public ?array $grade,
        public ?array $givenUp,
        public ?int $takeBack,
        public int $edition,
    ) {}

    /**
     * @param  list<Fact<BuildFactKind>>  $facts  in the order they were recorded, minutes of the build
     * @param  array<string, Laid>  $laid  by mixing operation, of those whose run has begun
     * @param  float  $now  minutes of the build
     * @param  list<int>  $slips  facts that tell of a touch which somebody left out
     */
    public static function of(BuildPlan $plan, array $facts, array $laid, float $now, WindowClock $clock, array $slips = []): self
    {
        $done = $begun = $leftOut = $failed = $touches = $weighings = $notes = $put = [];
        [$grade, $givenUp, $takeBack, $edition] = [null, null, null, 0];
        foreach (Standing::of($facts) as $fact) {
            $operation = $fact->text('op') ?? '';
            match ($fact->kind) {
                BuildFactKind::Begun => $begun[$operation] = $fact->happened(),
                BuildFactKind::Done => $done[$operation] = $fact->happened(),
                BuildFactKind::LeftOut => $leftOut[$operation] = $fact->at,
                BuildFactKind::Failed => $failed[$operation] = $fact->happened(),
                BuildFactKind::Fingered => $touches[$operation][] = new Felt(
                    $fact->id, $fact->happened(), Finger::from((string) $fact->text('finger')), ($fact->payload['sure'] ?? false) === true,
                    in_array($fact->id, $slips, true),
                ),
                BuildFactKind::Weighed => $weighings[$operation][] = Drying::weighing($fact->happened(), $fact),
                BuildFactKind::Retold => $fact->text('what') === 'begun'
                    ? $begun[$operation] = $fact->happened()
                    : $done[$operation] = $fact->happened(),
                BuildFactKind::Noted => $notes[] = ['at' => $fact->at, 'text' => $fact->text('text') ?? ''],
                BuildFactKind::Changed => [$plan, $edition] = [BuildPlan::from(Fields::of($fact->payload))->ofWhat($plan), $fact->id],
                BuildFactKind::Put => $put[$operation] = (float) $fact->number('at_min'),
                BuildFactKind::Graded => $grade = $fact->payload,
                BuildFactKind::GivenUp => $givenUp = $fact->payload,
                BuildFactKind::Undone => null,
            };
            $takeBack = $fact->id;
        }
        foreach ($touches as &$felt) {
            usort($felt, static fn (Felt $one, Felt $other): int => $one->at <=> $other->at);
        }
        unset($felt);
        $stands = $waits = [];
        foreach ($plan->operations as $operation) {
            $id = $operation->id;
            $run = $laid[$id] ?? null;
            $ended = $run !== null ? $run->endedAt : ($done[$id] ?? null);
            $started = $run !== null
                ? $run->startedAt
                : ($begun[$id] ?? ($ended === null ? null : ($ended < 0.0 ? $ended : max(0.0, $ended - $operation->minutes))));
            $stands[$id] = self::stands(
                self::waits($plan, $operation, $leftOut, $waits), $operation, $started, $ended, $leftOut[$id] ?? null, isset($failed[$id]),
                $stands, $touches, self::dryAt($weighings[$id] ?? []), $now, $clock,
            );
        }

        return new self($plan, $stands, $touches, $weighings, $notes, $put, $grade, $givenUp, $takeBack, $edition);
    }

    /**
     * When what is weighed now and then will be dry; null while too few weighings tell, or while they grow.
     *
     * @param  list<array{at: float, mass_g: float, step_g?: float}>  $weighings
     */
    private static function dryAt(array $weighings): ?float
    {
        try {
            $dry = $weighings === [] ? null : (new Drying)->watched($weighings)->dryAt;
        } catch (BadInput) {
            return null;
        }

        return $dry === null ? null : min(array_column($weighings, 'at')) + 60.0 * $dry;
    }

    /**
     * What an operation waits for. One that was left out leaves its own waits behind, and the longest of them and of what came after it
     * counts: leaving out brings nothing forward.
     *
     * @param  array<string, float>  $leftOut
     * @param  array<string, array<string, array{from: list<float|Milestone>, until: list<float|Milestone>}>>  $known of operations
     *   that were looked at
     * @return array<string, array{from: list<float|Milestone>, until: list<float|Milestone>}> by the operation that is waited for
     */
    private static function waits(BuildPlan $plan, Operation $operation, array $leftOut, array &$known): array
    {
        if (isset($known[$operation->id])) {
            return $known[$operation->id];
        }
        $waits = [];
        foreach ($operation->after as $wait) {
            $other = isset($leftOut[$wait->operation]) ? $plan->operation($wait->operation) : null;
            $until = $wait->until === null ? [] : [$wait->until];
            $on = $other === null ? [$wait->operation => ['from' => [], 'until' => []]] : self::waits($plan, $other, $leftOut, $known);
            foreach ($on as $id => $edges) {
                $waits[$id] = [
                    'from' => [...$waits[$id]['from'] ?? [], ...$edges['from'], $wait->from],
                    'until' => [...$waits[$id]['until'] ?? [], ...$until],
                ];
            }
        }

        return $known[$operation->id] = array_map(
            static fn (array $edges): array => [
                'from' => array_values(array_unique($edges['from'], SORT_REGULAR)),
                'until' => array_values(array_unique($edges['until'], SORT_REGULAR)),
            ],
            $waits,
        );
    }

    /**
     * @param  array<string, array{from: list<float|Milestone>, until: list<float|Milestone>}>  $waits
     * @param  array<string, OperationStands>  $before
     * @param  array<string, list<Felt>>  $touches
     * @param  float|null  $dryAt  minutes of the build at which its weighings say that it will be dry
     */
    private static function stands(
        array $waits,
        Operation $operation,
        ?float $started,
        ?float $ended,
        ?float $leftOut,
        bool $failed,
        array $before,
        array $touches,
        ?float $dryAt,
        float $now,
        WindowClock $clock,
    ): OperationStands {
        [$opens, $shuts, $shutBy, $waitsFor, $windows] = [$dryAt ?? 0.0, INF, null, [], []];
        foreach ($waits as $id => $edges) {
            $other = $before[$id] ?? null;
            // An operation may be written before what it waits for: then that is not over.
            if ($other === null || ! $other->state->isOver()) {
                $waitsFor[] = $id;

                continue;
            }
            if ($other->endedAt === null) {
                continue;
            }
            $felt = array_values(
                array_filter($touches[$id] ?? [], static fn (Felt $touch): bool => $touch->at >= $other->endedAt && ! $touch->leftOut),
            );
            [$from, $until] = self::window($other->operation, $other->endedAt, $edges, $felt, $clock);
            $windows[$id] = [$from, $until];
            $opens = max($opens, $from);
            if ($until < $shuts) {
                [$shuts, $shutBy] = [$until, $id];
            }
        }
        $state = match (true) {
            $ended !== null => OperationState::Done,
            $leftOut !== null => OperationState::LeftOut,
            $failed => OperationState::Failed,
            $started !== null => OperationState::UnderWay,
            $waitsFor !== [] => OperationState::Waits,
            $now > $shuts => OperationState::Missed,
            $now < $opens => OperationState::Waits,
            $shuts - $now <= min(self::CLOSING_MIN, 0.2 * ($shuts - $opens)) => OperationState::Closing,
            default => OperationState::Ready,
        };

        return new OperationStands(
            $operation, $state, $started, $ended ?? $leftOut, $waitsFor === [] ? $opens : null, $shuts === INF ? null : $shuts, $shutBy,
            $waitsFor, $windows, $waits,
        );
    }

    /**
     * From when until when, as the clock has it and as the finger corrects it.
     *
     * @param  array{from: list<float|Milestone>, until: list<float|Milestone>}  $edges
     * @param  list<Felt>  $felt
     * @return array{float, float}
     */
    private static function window(Operation $other, float $ended, array $edges, array $felt, WindowClock $clock): array
    {
        $edge = static fn (float|Milestone $at): ?float => $at instanceof Milestone ? $clock->after($other, $ended, $at, $felt) : $at;
        $from = $ended + max(array_map(static fn (float|Milestone $at): float => $edge($at) ?? 0.0, $edges['from']) ?: [0.0]);
        $until = $ended + min(array_map(static fn (float|Milestone $at): float => $edge($at) ?? INF, $edges['until']) ?: [INF]);
        if (array_filter($edges['from'], static fn (float|Milestone $at): bool => $at instanceof Milestone) === []) {
            return [$from, $until];
        }
        foreach ($felt as $touch) {
            [$from, $until] = match ($touch->finger) {
                // Look again when as much as a tenth of the time so far has passed.
                Finger::ComesOff => [max($from, $touch->at + max(1.0, ($touch->at - $ended) / 10.0)), $until],
                Finger::Tacky => [min($from, $touch->at), max($until, $touch->at)],
                Finger::Dry => [min($from, $touch->at), min($until, $touch->at)],
            };
        }

        return [$from, max($from, $until)];
    }

    /**
     * What each operation that is not over waits for, and for how long after that: as it is where that is over, else as it would be were it
     * done now. So a build can be followed where nothing can be reckoned.
     *
     * @return array<string, array<string, array{over: bool, from: float, until: float|null}>> minutes after the end of what is waited for
     *   (of the
     * build, where it is over), by operation and what it waits for
     */
    public function ahead(float $now, WindowClock $clock): array
    {
        $ahead = [];
        foreach ($this->operations as $id => $stands) {
            if ($stands->state->isOver()) {
                continue;
            }
            $ahead[$id] = [];
            foreach ($stands->waits as $of => $edges) {
                $other = $this->operations[$of] ?? null;
                if ($other === null || ($other->state->isOver() && $other->endedAt === null)) {
                    continue;
                }
                $isOver = $other->state->isOver();
                [$from, $until] = $isOver ? $stands->windows[$of] ?? [0.0, INF] : self::window($other->operation, $now, $edges, [], $clock);
                $ahead[$id][$of] = [
                    'over' => $isOver, 'from' => $isOver ? $from : $from - $now,
                    'until' => $until === INF ? null : ($isOver ? $until : $until - $now),
                ];
            }
        }

        return $ahead;
    }

    /** What wants hands first: what is under way, then the window that shuts soonest, then what can be begun. */
    public function next(): ?OperationStands
    {
        $rank = static fn (OperationStands $one): int => match ($one->state) {
            OperationState::UnderWay => 0,
            OperationState::Closing => 1,
            OperationState::Missed, OperationState::Failed => 2,
            OperationState::Ready => 3,
            OperationState::Waits => 4,
            default => 9,
        };
        $open = array_values(array_filter($this->operations, static fn (OperationStands $one): bool => ! $one->state->isOver()));
        usort(
            $open,
            static fn (OperationStands $a, OperationStands $b): int => [
                $rank($a), $a->shutsAt ?? INF, $a->opensAt ?? INF,
            ] <=> [$rank($b), $b->shutsAt ?? INF, $b->opensAt ?? INF],
        );

        return $open[0] ?? null;
    }

    /**
     * The coat one touches to know whether this operation may go on it: laid, and waited for by its recoat window; null where there is
     * none.
     */
    public function feltFor(string $operation): ?Operation
    {
        foreach ($this->plan->operation($operation)->after ?? [] as $wait) {
            $below = $this->operations[$wait->operation] ?? null;
            if ($wait->from === Milestone::RecoatOpen && $below?->operation->mixing !== null && $below->state === OperationState::Done) {
                return $below->operation;
            }
        }

        return null;
    }

    public function isOver(): bool
    {
        return $this->givenUp !== null || $this->grade !== null;
    }

    /** Everything is done or left out. */
    public function isThrough(): bool
    {
        return array_filter($this->operations, static fn (OperationStands $one): bool => ! $one->state->isOver()) === [];
    }

    public function hasBegun(): bool
    {
        return array_filter(
            $this->operations, static fn (OperationStands $one): bool => $one->startedAt !== null || $one->endedAt !== null,
        ) !== [];
    }
}
