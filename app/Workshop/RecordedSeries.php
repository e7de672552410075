<?php

declare(strict_types=1);

namespace App\Workshop;

use Apalos\Core\Series\Fact;
use Apalos\Core\Series\SeriesResult;
use Apalos\Core\Series\WeighingResult;
use Apalos\Core\Series\WeighUp;
use Apalos\Core\Series\WeighUpState;
use Apalos\Core\Units\Grams;
use App\Models\Series;
use App\Models\SeriesFact;
use Carbon\CarbonImmutable;

/** A series as recorded: its plan, its facts, and the state the core reads off them. */
final readonly class RecordedSeries
{
    /** @param  list<SeriesFact>  $facts */
    private function __construct(public Series $series, public SeriesResult $plan, public WeighUpState $state, public array $facts) {}

    public static function of(Series $series, SeriesResult $plan): self
    {
        $facts = array_values($series->facts()->get()->all());

        return new self($series, $plan, WeighUpState::of($plan, array_map(static fn (SeriesFact $fact): Fact => new Fact(
            $fact->id, $fact->kind, $series->begun_at->diffInMilliseconds($fact->at) / 60_000.0,
            $fact->payload['vessel'] ?? '', $fact->payload['line'] ?? 0, $fact->payload['grams'] ?? null, $fact->payload['of'] ?? null,
        ), $facts)), $facts);
    }

    public function next(): ?WeighingResult
    {
        return (new WeighUp)->next($this->plan, $this->state->weighed, Grams::of($this->series->division_g));
    }

    public function metAt(): ?CarbonImmutable
    {
        return $this->state->metAt === null ? null : $this->series->begun_at->addMilliseconds((int) round($this->state->metAt * 60_000.0));
    }

    /** When it no longer fills a form; null before A met B, and where the sheet is silent. */
    public function fillsUntil(): ?CarbonImmutable
    {
        $met = $this->metAt();
        $mixing = is_numeric($minutes = $this->series->question['mix_min'] ?? null) ? (float) $minutes : 0.0;

        return $met === null || $this->plan->usableMin === null ? null : $met->addMilliseconds((int) round(($this->plan->usableMin + $mixing) * 60_000.0));
    }

    /** When a hand was last seen at it. */
    public function lastSeen(): CarbonImmutable
    {
        return $this->facts === [] ? $this->series->begun_at : $this->facts[count($this->facts) - 1]->at;
    }

    public function base(): string
    {
        $recipe = $this->series->question['recipe'] ?? null;

        return is_array($recipe) && is_string($recipe['base'] ?? null) ? $recipe['base'] : '';
    }

    public function lastFactId(): int
    {
        return $this->facts === [] ? 0 : $this->facts[count($this->facts) - 1]->id;
    }
}
