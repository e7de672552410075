<?php

declare(strict_types=1);

namespace App\Swatches;

use Apalos\Core\Cure\Milestone;
use Apalos\Core\Input\Fields;
use Apalos\Core\Mix\BatchLimit;
use Apalos\Core\Scale\Expected;
use Apalos\Core\Series\SeriesFactKind;
use Apalos\Core\Series\SeriesPlanner;
use Apalos\Core\Series\SeriesRequest;
use Apalos\Core\Series\SeriesResult;
use Apalos\Core\Series\WeighingResult;
use Apalos\Core\Series\WeighUp;
use Apalos\Core\Series\WeighUpState;
use Apalos\Core\Units\Minutes;
use App\Facts\Happened;
use App\Models\Series;
use App\Room\CureClock;
use App\Room\FrozenClock;
use Carbon\CarbonImmutable;

/** A series as recorded: what it was planned from, its facts, and the state the core reads off them. */
final readonly class RecordedSeries
{
    public const STREAM = 'series';

    /** @param  list<Happened>  $facts */
    private function __construct(
        public Series $series,
        public SeriesRequest $asked,
        public SeriesResult $plan,
        public WeighUpState $state,
        public array $facts,
        private Fields $frozen,
    ) {}

    public static function of(Series $series): self
    {
        return self::all([$series])[0];
    }

    /** The same with what was told since. */
    public function with(Happened $told): self
    {
        return self::from($this->series, [...$this->facts, $told]);
    }

    /**
     * Several at once: their facts are asked for together.
     *
     * @param  list<Series>  $all
     * @return list<self>
     */
    public static function all(array $all): array
    {
        $facts = Happened::in(self::STREAM, array_map(static fn (Series $series): int => $series->id, $all));

        return array_map(static fn (Series $series): self => self::from($series, $facts[$series->id]), $all);
    }

    /** @param  list<Happened>  $facts */
    private static function from(Series $series, array $facts): self
    {
        $frozen = Fields::of($series->plan, 'plan');
        $asked = SeriesRequest::from($frozen->object('request'));
        $plan = (new SeriesPlanner)->plan($asked);
        $begun = (int) $series->begun_at->getTimestampMs();
        $read = Happened::read($facts, SeriesFactKind::class, $begun);

        return new self($series, $asked, $plan, WeighUpState::of($plan, $read), $facts, $frozen);
    }

    /** What goes onto the scale now, as its display will read. */
    public function next(): ?WeighingResult
    {
        $next = (new WeighUp)->next($this->plan, $this->state->weighed, $this->asked->scale->division);

        return $next?->shownWith($this->state->offsetOf($next->vessel));
    }

    /** What the display must show while the line at hand is poured; null while the next vessel is still to be tared. */
    public function expects(): ?Expected
    {
        $next = $this->next();

        return $next === null || ($next->opens && $this->state->on !== $next->vessel)
            ? null
            : new Expected($next->before, $next->to, $next->grams, $this->asked->scale->division);
    }

    public function metAt(): ?CarbonImmutable
    {
        return $this->state->metAt === null ? null : $this->series->begun_at->addMilliseconds(Minutes::ms($this->state->metAt));
    }

    /** When it no longer fills a form; null before A met B, and where the sheet is silent. */
    public function fillsUntil(CureClock $clock): ?CarbonImmutable
    {
        $met = $this->metAt();
        $ends = $met === null ? null : $clock->from($met, $this->clock(), Milestone::PotLife)?->likely();

        return $met === null || $ends === null
            ? null
            : $met->addMilliseconds(
                (int) round(60_000.0 * BatchLimit::pourable(Minutes::of($met->diffInMilliseconds($ends) / 60_000.0))->min),
            );
    }

    public function clock(): FrozenClock
    {
        return FrozenClock::from($this->frozen->object('clock'));
    }

    /** When a hand was last seen at it. */
    public function lastSeen(): CarbonImmutable
    {
        return $this->facts === [] ? $this->series->begun_at : $this->facts[count($this->facts) - 1]->at();
    }

    /** What it is called where nobody gave it a name. */
    public function called(): string
    {
        return $this->frozen->text('called');
    }

    public function base(): string
    {
        return $this->frozen->object('base')->text('name');
    }

    public function colour(): string
    {
        return $this->frozen->object('base')->text('colour');
    }

    public function lastFactId(): int
    {
        return $this->facts === [] ? 0 : $this->facts[count($this->facts) - 1]->id;
    }
}
