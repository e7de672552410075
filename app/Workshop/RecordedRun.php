<?php

declare(strict_types=1);

namespace App\Workshop;

use Apalos\Core\Cure\Milestone;
use Apalos\Core\Facts\Fact as CoreFact;
use Apalos\Core\Input\Fields;
use Apalos\Core\Run\RunFactKind;
use Apalos\Core\Run\RunPlan;
use Apalos\Core\Run\RunState;
use Apalos\Core\Run\StepKind;
use Apalos\Core\Scale\Expected;
use App\Models\Fact;
use App\Models\Pour;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use LogicException;

/** A run as recorded: its frozen plan, its facts, and the state the core reads off them. */
final readonly class RecordedRun
{
    public const STREAM = 'run';

    /** @param  list<Fact>  $facts */
    private function __construct(public Pour $pour, public FrozenPlan $frozen, public RunPlan $plan, public RunState $state, public array $facts, private CarbonImmutable $startedAt) {}

    public static function of(Pour $pour): self
    {
        return self::from($pour, self::facts()->where('stream_id', $pour->id)->get());
    }

    /**
     * Several at once: their facts are asked for together.
     *
     * @param  Collection<int, Pour>  $pours
     * @return array<int, self> by the id of the pour
     */
    public static function all(Collection $pours): array
    {
        $facts = self::facts()->whereIn('stream_id', $pours->modelKeys())->get()->groupBy('stream_id');

        return $pours->keyBy('id')->map(static fn (Pour $pour): self => self::from($pour, $facts->get($pour->id) ?? new Collection))->all();
    }

    /** @return Builder<Fact> in the order in which they happened */
    private static function facts(): Builder
    {
        return Fact::query()->where('stream', self::STREAM)->orderBy('id');
    }

    /** @param  iterable<Fact>  $facts */
    private static function from(Pour $pour, iterable $facts): self
    {
        if ($pour->plan === null || $pour->started_at === null) {
            throw new LogicException('This pour has not begun.');
        }
        $plan = RunPlan::from(Fields::of($pour->plan)->object('run'));
        $facts = array_values([...$facts]);
        $start = $pour->started_at;
        $read = array_map(static fn (Fact $fact): CoreFact => new CoreFact($fact->id, RunFactKind::from($fact->kind), $start->diffInMilliseconds($fact->at) / 60_000.0, $fact->payload), $facts);

        return new self($pour, FrozenPlan::of($pour), $plan, RunState::of($plan, $read), $facts, $start);
    }

    /** A moment of the run as a time of day. */
    public function at(?float $minutes): ?CarbonImmutable
    {
        return $minutes === null ? null : $this->startedAt->addMilliseconds((int) round($minutes * 60_000.0));
    }

    public function fact(int $id): ?Fact
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

    /** What the display must show while the line at hand is poured; null where none is. */
    public function expects(): ?Expected
    {
        $cup = $this->state->cup();
        $line = $this->state->step->kind === StepKind::Weigh ? $cup->current() : null;

        return $line === null ? null : new Expected($cup->display, $line['to'], $line['grams'], $this->plan->division);
    }

    /** When the cup at hand stops pouring, as its clock and the room have it. */
    public function potLifeEnds(CureClock $clock): ?CarbonImmutable
    {
        $met = $this->at($this->state->cup()->metAt);

        return $met === null ? null : $clock->from($met, $this->frozen->clock, Milestone::PotLife)['likely'] ?? null;
    }
}
