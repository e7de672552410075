<?php

declare(strict_types=1);

namespace App\Paper;

use Apalos\Core\Mix\Line;
use Apalos\Core\Run\StepKind;
use App\Log\RecordedRun;
use App\Types\View;

/** A batch card as a form: what has been told of it already stands there, what has not is asked. */
final readonly class CardView implements View
{
    public function __construct(private RecordedRun $run) {}

    /**
     * @return array{
     *     began_ms: int, gear_on: bool, too_many: bool, stops: bool,
     *     cups: list<array{
     *         batch: int, grams: float, meets: bool, met_ms: int|null, filled_ms: int|null,
     *         lines: list<array{label: string, grams: float, running: float, read: float|null}>
     *     }>
     * } `read`: what stands there already; `stops`: it is laid, and opened with its build
     */
    public function toArray(): array
    {
        $state = $this->run->state;

        return [
            'began_ms' => $this->ms(0.0) ?? 0, 'gear_on' => $state->step->kind !== StepKind::Gear,
            'too_many' => count($this->run->plan->batches) > FilledCard::MOST_CUPS, 'stops' => $this->run->plan->endsLaid,
            'cups' => array_map(
                fn (array $planned, int $i): array => $this->cup($planned, $i + 1),
                array_slice($this->run->plan->batches, 0, FilledCard::MOST_CUPS),
                array_keys(array_slice($this->run->plan->batches, 0, FilledCard::MOST_CUPS)),
            ),
        ];
    }

    /**
     * @param  array<string, float>  $planned
     * @return array{
     *     batch: int, grams: float, meets: bool, met_ms: int|null, filled_ms: int|null,
     *     lines: list<array{label: string, grams: float, running: float, read: float|null}>
     * }
     */
    private function cup(array $planned, int $batch): array
    {
        $cup = $this->run->state->cups[$batch] ?? null;
        $queued = array_column($cup->queue ?? [], 'add');
        $in = 0.0;
        $lines = [];
        foreach (Line::listed($planned, $this->run->plan->division, 0.0, $this->run->frozen->names) as $line) {
            $in += $cup->poured[$line->code] ?? 0.0;
            $lines[] = [
                'label' => $line->add, 'grams' => $line->grams->g, 'running' => $line->running->g,
                'read' => $cup === null || in_array($line->code, $queued, true) ? null : round($in, 3),
            ];
        }

        return [
            'batch' => $batch, 'grams' => array_sum($planned), 'meets' => ! $this->run->plan->onePart || $this->run->plan->heat !== null,
            'met_ms' => $this->ms($cup?->metAt), 'filled_ms' => $this->ms($this->run->state->filledAt[$batch] ?? null), 'lines' => $lines,
        ];
    }

    private function ms(?float $minutes): ?int
    {
        return $minutes === null ? null : (int) $this->run->at($minutes)?->getTimestampMs();
    }
}
