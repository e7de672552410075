<?php

declare(strict_types=1);

namespace Apalos\Core\Practice;

use Apalos\Core\Cure\CureSheet;
use Apalos\Core\Facts\Fact;
use Apalos\Core\Facts\Standing;
use Apalos\Core\Input\Fields;
use Apalos\Core\Run\RunFactKind;
use Apalos\Core\Run\RunPlan;
use Apalos\Core\Run\RunState;
use Apalos\Core\Run\StepKind;

/** A run of a practice as it was walked: its plan, its facts, and where it stood before each of them. */
final readonly class PracticedRun
{
    public const MOST_FACTS = 500;

    /**
     * @param  string  $of  `pour`, or the operation of a build
     * @param  CureSheet  $sheet  as one cup of it keeps it
     * @param  string  $family  of its base
     * @param  float  $began  minute of the practice
     * @param  list<Fact<RunFactKind>>  $facts  that stand
     * @param  list<RunState>  $before  each of them; and the last after all
     */
    private function __construct(
        public string $of,
        public RunPlan $plan,
        public CureSheet $sheet,
        public string $family,
        public float $began,
        public array $facts,
        private array $before,
    ) {}

    public static function from(Fields $in): self
    {
        $in->only('of', 'plan', 'clock', 'family', 'began_min', 'facts');
        $plan = RunPlan::from($in->object('plan'));
        $facts = [];
        foreach ($in->objects('facts', self::MOST_FACTS) as $i => $fact) {
            $fact->only('id', 'at_min', 'kind', 'payload');
            /** @var array<string, mixed> $payload */
            $payload = $fact->objectOrNull('payload')?->toArray() ?? [];
            $facts[] = new Fact(
                (int) ($fact->numberOrNull('id') ?? $i + 1.0), $fact->choice('kind', RunFactKind::class), $fact->number('at_min'), $payload,
            );
        }
        $standing = Standing::of($facts);

        return new self(
            $in->text('of', 60), $plan, CureSheet::from($in->object('clock')), $in->textOrNull('family') ?? '', $in->number('began_min'),
            $standing, RunState::each($plan, $standing),
        );
    }

    public function state(): RunState
    {
        return $this->before[count($this->before) - 1];
    }

    public function before(int $which): RunState
    {
        return $this->before[$which];
    }

    /** A minute of the run as one of the practice. */
    public function at(float $minute): float
    {
        return $this->began + $minute;
    }

    /**
     * Facts of a kind, by their place among those that stand.
     *
     * @return array<int, Fact<RunFactKind>>
     */
    public function told(RunFactKind $kind): array
    {
        return array_filter($this->facts, static fn (Fact $fact): bool => $fact->kind === $kind);
    }

    /** @return array<int, Fact<RunFactKind>> confirmations of a step of this kind */
    public function confirmed(StepKind $step): array
    {
        return array_filter(
            $this->told(RunFactKind::Confirmed), fn (Fact $fact, int $i): bool => $this->before[$i]->step->kind === $step,
            ARRAY_FILTER_USE_BOTH,
        );
    }

    /**
     * @return array<string, float> what is in a cup really: as the bench saw it run in; as it was weighed where nothing ran in under its
     *   eyes
     */
    public function inCup(int $batch, Truth $truth): array
    {
        return $truth->cups[$this->of][$batch] ?? $this->state()->cups[$batch]->poured ?? [];
    }
}
