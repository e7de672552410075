<?php

declare(strict_types=1);

namespace Apalos\Core\Practice;

use Apalos\Core\Build\BuildFactKind;
use Apalos\Core\Build\BuildPlan;
use Apalos\Core\Build\BuildState;
use Apalos\Core\Build\Laid;
use Apalos\Core\Build\Operation;
use Apalos\Core\Build\WindowClock;
use Apalos\Core\Cure\CureSheet;
use Apalos\Core\Cure\Milestone;
use Apalos\Core\Facts\Fact;
use Apalos\Core\Facts\Standing;
use Apalos\Core\Input\Fields;

/** A build of a practice as it went: its plan, its facts, and how its windows really were. */
final readonly class PracticedBuild implements WindowClock
{
    /**
     * @param  float  $began  minute of the practice
     * @param  list<Fact<BuildFactKind>>  $facts  that stand
     * @param  array<string, CureSheet>  $sheets  of what was mixed, by operation
     * @param  array<string, float>  $met  minute of the practice at which it last met
     */
    private function __construct(
        private BuildPlan $plan,
        private float $began,
        public array $facts,
        private array $sheets,
        private array $met,
        private Truth $truth,
    ) {}

    /** @param  list<PracticedRun>  $runs */
    public static function from(Fields $in, array $runs, Truth $truth): self
    {
        $in->only('plan', 'began_min', 'facts');
        $facts = [];
        foreach ($in->objects('facts', PracticedRun::MOST_FACTS) as $i => $fact) {
            $fact->only('id', 'at_min', 'kind', 'payload');
            // What was done before the build is told of minutes before nought.
            /** @var array<string, mixed> $payload */
            $payload = $fact->objectOrNull('payload')?->toArray() ?? [];
            $facts[] = new Fact(
                (int) ($fact->numberOrNull('id') ?? $i + 1.0), $fact->choice('kind', BuildFactKind::class), $fact->number('at_min'),
                $payload,
            );
        }

        return new self(
            BuildPlan::from($in->object('plan')), $in->number('began_min'), Standing::of($facts),
            array_column(
                array_map(static fn (PracticedRun $run): array => ['of' => $run->of, 'sheet' => $run->sheet], $runs), 'sheet', 'of',
            ),
            self::met($runs), $truth,
        );
    }

    public function at(float $minute): float
    {
        return $this->began + $minute;
    }

    public function after(Operation $of, float $endedAt, Milestone $milestone, array $touches): ?float
    {
        $sheet = $this->sheets[$of->id] ?? null;
        // A recoat window counts from where the coat lies, everything else from where it met.
        $isRecoat = in_array($milestone, [Milestone::RecoatOpen, Milestone::RecoatClose], true);
        $from = $isRecoat ? $this->at($endedAt) : ($this->met[$of->id] ?? $this->at($endedAt));
        $after = $sheet === null ? null : $this->truth->clock($sheet)->after($milestone, $from);

        return $after === null ? null : max(0.0, $from + $after - $this->at($endedAt));
    }

    /**
     * @param  list<PracticedRun>  $runs
     * @return array<string, float>
     */
    private static function met(array $runs): array
    {
        $met = [];
        foreach ($runs as $run) {
            $at = $run->state()->lastMetAt();
            $at === null || $met[$run->of] = $run->at($at);
        }

        return $met;
    }

    /**
     * As it stands at the end, by what its rubber really did: no finger moves these windows.
     *
     * @param  list<PracticedRun>  $runs
     * @param  float  $now  minutes of the build
     */
    public function state(array $runs, float $now): BuildState
    {
        $laid = [];
        foreach ($runs as $run) {
            $filled = $run->state()->isPoured() ? $run->at(max([0.0, ...$run->state()->filledAt])) : null;
            $laid[$run->of] = new Laid($run->began - $this->began, $filled === null ? null : $filled - $this->began);
        }
        $facts = array_values(array_filter($this->facts, static fn (Fact $fact): bool => $fact->kind !== BuildFactKind::Fingered));

        return BuildState::of($this->plan, $facts, $laid, $now, $this);
    }

    /** @return list<Fact<BuildFactKind>> what a finger said of a coat */
    public function touches(string $operation): array
    {
        return array_values(
            array_filter(
                $this->facts, static fn (Fact $fact): bool => $fact->kind === BuildFactKind::Fingered && $fact->text('op') === $operation,
            ),
        );
    }

    /** The fact that says of an operation that it was done, or begun. */
    public function told(string $operation): ?int
    {
        foreach ($this->facts as $fact) {
            if (
                $fact->text('op') === $operation
                && in_array($fact->kind, [BuildFactKind::Done, BuildFactKind::Begun, BuildFactKind::LeftOut], true)
            ) {
                return $fact->id;
            }
        }

        return null;
    }
}
