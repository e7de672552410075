<?php

declare(strict_types=1);

namespace App\Workshop;

use Apalos\Core\Cure\Milestone;
use Apalos\Core\Input\Fields;
use Apalos\Core\Run\Event;
use Apalos\Core\Run\RunPlan;
use Apalos\Core\Run\RunState;
use App\Models\Pour;
use App\Models\RunEvent;
use Carbon\CarbonImmutable;
use LogicException;

/** A run as recorded: its frozen plan, its events, and the state the core reads off them. */
final readonly class RecordedRun
{
    /** @param  list<RunEvent>  $events */
    private function __construct(public Pour $pour, public RunPlan $plan, public RunState $state, public array $events, private CarbonImmutable $startedAt) {}

    public static function of(Pour $pour): self
    {
        if ($pour->plan === null || $pour->started_at === null) {
            throw new LogicException('This pour has not begun.');
        }
        $plan = RunPlan::from(Fields::of($pour->plan)->object('run'));
        $events = array_values(RunEvent::query()->where('pour_id', $pour->id)->orderBy('id')->get()->all());
        $start = $pour->started_at;
        $facts = array_map(static fn (RunEvent $e): Event => new Event($e->id, $e->kind, $start->diffInMilliseconds($e->at) / 60_000.0, $e->payload), $events);

        return new self($pour, $plan, RunState::of($plan, $facts), $events, $start);
    }

    /** A moment of the run as a time of day. */
    public function at(?float $minutes): ?CarbonImmutable
    {
        return $minutes === null ? null : $this->startedAt->addMilliseconds((int) round($minutes * 60_000.0));
    }

    public function event(int $id): ?RunEvent
    {
        foreach ($this->events as $event) {
            if ($event->id === $id) {
                return $event;
            }
        }

        return null;
    }

    public function lastEventId(): int
    {
        return $this->events === [] ? 0 : $this->events[count($this->events) - 1]->id;
    }

    /** When the cup at hand stops pouring, as the sheet and the room have it. */
    public function potLifeEnds(CureClock $clock): ?CarbonImmutable
    {
        $met = $this->at($this->state->cup()->metAt);

        return $met === null ? null : $clock->reaches($this->pour, Milestone::PotLife, $met)['likely'] ?? null;
    }
}
