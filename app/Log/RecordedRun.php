<?php

declare(strict_types=1);

namespace App\Log;

use Apalos\Core\Casting\CastingWays;
use Apalos\Core\Casting\WorkedResult;
use Apalos\Core\Cure\Milestone;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Run\Beside;
use Apalos\Core\Run\RunFactKind;
use Apalos\Core\Run\RunPlan;
use Apalos\Core\Run\RunState;
use Apalos\Core\Run\StepKind;
use Apalos\Core\Scale\Expected;
use Apalos\Core\Units\Minutes;
use App\Facts\Happened;
use App\Models\Pour;
use App\Room\CureClock;
use App\Room\Reach;
use Carbon\CarbonImmutable;
use LogicException;
use TypeError;
use ValueError;

/** A run as recorded: its frozen plan, its facts, and the state the core reads off them. */
final readonly class RecordedRun
{
    public const STREAM = 'run';

    /** @param  list<Happened>  $facts */
    private function __construct(
        public Pour $pour,
        public FrozenPlan $frozen,
        public RunPlan $plan,
        public RunState $state,
        public Beside $beside,
        public array $facts,
        private CarbonImmutable $startedAt,
    ) {}

    public static function of(Pour $pour): self
    {
        return self::all([$pour])[0];
    }

    /** The same with what was told since. */
    public function with(Happened $told): self
    {
        return self::from($this->pour, [...$this->facts, $told]);
    }

    /**
     * Several at once: their facts are asked for together.
     *
     * @param  list<Pour>  $pours
     * @return list<self>
     */
    public static function all(array $pours): array
    {
        $facts = Happened::in(self::STREAM, array_map(static fn (Pour $pour): int => $pour->id, $pours));

        return array_map(static fn (Pour $pour): self => self::from($pour, $facts[$pour->id]), $pours);
    }

    /**
     * Those of them that can be read: one that is damaged keeps nobody from the others.
     *
     * @param  list<Pour>  $pours
     * @return array{list<self>, list<Pour>} and those that cannot
     */
    public static function legible(array $pours): array
    {
        [$runs, $damaged] = [[], []];
        $facts = Happened::in(self::STREAM, array_map(static fn (Pour $pour): int => $pour->id, $pours));
        foreach ($pours as $pour) {
            try {
                $runs[] = self::from($pour, $facts[$pour->id]);
            } catch (BadInput|LogicException|ValueError|TypeError $broken) {
                report($broken);
                $damaged[] = $pour;
            }
        }

        return [$runs, $damaged];
    }

    /** @param  list<Happened>  $facts */
    private static function from(Pour $pour, array $facts): self
    {
        if ($pour->plan === null || $pour->started_at === null) {
            throw new LogicException('This pour has not begun.');
        }
        $plan = RunPlan::from(Fields::of($pour->plan)->object('run'));
        $start = (int) $pour->started_at->getTimestampMs();
        $read = Happened::read($facts, RunFactKind::class, $start);

        return new self($pour, FrozenPlan::of($pour), $plan, RunState::of($plan, $read), Beside::of($read), $facts, $pour->started_at);
    }

    /** How it is worked, and in which words: those it was begun with. */
    public function worked(CastingWays $ways): WorkedResult
    {
        $begun = $this->pour->loadMissing('snapshot')->snapshot->content['worked'] ?? null;

        return $begun !== null
            ? WorkedResult::read($begun)
            : $ways->choose(
                $this->frozen->casting, $this->frozen->family, $this->plan->onePart, $this->plan->endsLaid && $this->frozen->brushed,
            )->said();
    }

    /** A moment of the run as a time of day. */
    public function at(?float $minutes): ?CarbonImmutable
    {
        return $minutes === null ? null : $this->startedAt->addMilliseconds(Minutes::ms($minutes));
    }

    /** A time of day as minutes of the run. */
    public function minutes(CarbonImmutable $at): float
    {
        return ((int) $at->getTimestampMs() - (int) $this->startedAt->getTimestampMs()) / 60_000.0;
    }

    public function fact(int $id): ?Happened
    {
        foreach ($this->facts as $fact) {
            if ($fact->id === $id) {
                return $fact;
            }
        }

        return null;
    }

    public function lastFactId(): int
    {
        return $this->facts === [] ? 0 : $this->facts[count($this->facts) - 1]->id;
    }

    /** @return array<string, float> what is to be weighed in all, by code */
    public function cupCodes(): array
    {
        $sums = [];
        foreach ($this->plan->batches as $batch) {
            foreach ($batch as $code => $grams) {
                $sums[$code] = ($sums[$code] ?? 0.0) + $grams;
            }
        }

        return $sums;
    }

    /** What the display must show while the line at hand is poured; null where none is. */
    public function expects(): ?Expected
    {
        $cup = $this->state->cup();
        $line = $this->state->step->kind === StepKind::Weigh ? $cup->current() : null;

        return $line === null ? null : new Expected($cup->display, $line['to'], $line['grams'], $this->plan->division);
    }

    /** When what was mixed last is so far: a recoat window counts from where the coat lies, everything else from where A met B. */
    public function reaches(CureClock $clock, Milestone $milestone): ?Reach
    {
        $recoats = $milestone === Milestone::RecoatOpen || $milestone === Milestone::RecoatClose;
        $from = $recoats ? ($this->pour->poured_at ?? $this->pour->met_at) : $this->pour->met_at;

        return $from === null ? null : $clock->from($from, $this->frozen->clock, $milestone);
    }

    /** The cup that went in last: what is left over is left in that one; the one at hand where none has. */
    public function lastFilled(): ?int
    {
        $filled = $this->state->filledAt;
        arsort($filled);

        return array_key_first($filled);
    }

    /** When a cup stops pouring, as its clock and the room have it; the one at hand where none is said. */
    public function potLifeEnds(CureClock $clock, ?int $batch = null): ?CarbonImmutable
    {
        $met = $this->at(($batch === null ? $this->state->cup() : $this->state->cups[$batch])->metAt);

        return $met === null ? null : $clock->from($met, $this->frozen->clock, Milestone::PotLife)?->likely();
    }
}
