<?php

declare(strict_types=1);

namespace App\Swatches;

use Apalos\Core\Series\SeriesResult;
use Apalos\Core\Series\WeighingResult;
use Apalos\Core\Units\Minutes;
use App\Room\CureClock;
use App\Types\View;

/**
 * A series on the bench: its plan, what is in so far, and what goes onto the scale next.
 *
 * @phpstan-import-type SeriesShape from SeriesResult
 * @phpstan-import-type WeighingShape from WeighingResult
 */
final readonly class SeriesRunView implements View
{
    public function __construct(private RecordedSeries $recorded, private CureClock $clock) {}

    /**
     * @return array{
     *     id: int, called: string, plan: SeriesShape, grams: array<string, list<float|null>>, on: string, next: WeighingShape|null,
     *     met_ms: int|null, fills_until_ms: int|null, usable_min: float|null, take_back: array{of: int, name: string, grams: float}|null,
     *     division_g: float, last_fact_id: int, labelled: bool
     * }
     */
    public function toArray(): array
    {
        $state = $this->recorded->state;
        $series = $this->recorded->series;
        $until = $this->recorded->fillsUntil($this->clock);
        $pot = $this->clock->potLifeNow($this->recorded->clock(), Minutes::of(0.0), Minutes::of(0.0));

        return [
            'id' => $series->id, 'called' => $this->recorded->called(), 'plan' => $this->recorded->plan->toArray(),
            'grams' => $state->weighed->toArray(), 'on' => $state->on, 'next' => $this->recorded->next()?->toArray(),
            'met_ms' => ($met = $this->recorded->metAt()) === null ? null : (int) $met->getTimestampMs(),
            'fills_until_ms' => $until === null ? null : (int) $until->getTimestampMs(),
            'usable_min' => $pot?->usable->min,
            'take_back' => $this->takeBack(), 'division_g' => $this->recorded->asked->scale->division->g,
            'last_fact_id' => $this->recorded->lastFactId(), 'labelled' => $series->labelled_at !== null,
        ];
    }

    /** @return array{of: int, name: string, grams: float}|null what went in last, and can be taken back */
    private function takeBack(): ?array
    {
        foreach ($this->recorded->facts as $fact) {
            if ($fact->id === $this->recorded->state->takeBack) {
                $line = $this->recorded->plan->vessels()[$fact->payload['vessel'] ?? ''][$fact->payload['line'] ?? 0] ?? null;

                return ['of' => $fact->id, 'name' => $line->add ?? '', 'grams' => (float) ($fact->payload['grams'] ?? 0.0)];
            }
        }

        return null;
    }
}
