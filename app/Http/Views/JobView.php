<?php

declare(strict_types=1);

namespace App\Http\Views;

use App\Models\Impression;
use App\Models\ImpressionKind;
use App\Models\Job;
use App\Models\Pour;
use App\Models\PourState;
use App\Shop\Library;

/** A job: its piece and its chain, each link with its material and where its pours stand. */
final readonly class JobView implements View
{
    public function __construct(private Job $job, private Library $library) {}

    /**
     * @return array{
     *     id: int, name: string, purpose: string, quantity: int, due_on: string|null, cast: int,
     *     chain: list<array{
     *         id: int, kind: string, positive: bool, name: string, material: string, material_code: string|null, shore: string|null, colour: string, note: string,
     *         status: string, pourable: bool,
     *         pours: list<array{id: int, state: string, href: string, grams: float|null, grade: string|null, at_ms: int|null, planned_ml: float|null}>
     *     }>
     * }
     */
    public function toArray(): array
    {
        return [
            'id' => $this->job->id,
            'name' => $this->job->name,
            'purpose' => $this->job->purpose ?? '',
            'quantity' => $this->job->quantity,
            'due_on' => $this->job->due_on?->toDateString(),
            'cast' => $this->castSoFar(),
            'chain' => array_values($this->job->impressions->map($this->link(...))->all()),
        ];
    }

    private function castSoFar(): int
    {
        return $this->job->impressions->where('kind', ImpressionKind::Cast)->flatMap->pours
            ->filter(static fn (Pour $pour): bool => $pour->grade !== null && ! in_array($pour->grade->value, ['spoilt', 'poor'], true))->count();
    }

    /**
     * @return array{
     *     id: int, kind: string, positive: bool, name: string, material: string, material_code: string|null, shore: string|null, colour: string, note: string,
     *     status: string, pourable: bool,
     *     pours: list<array{id: int, state: string, href: string, grams: float|null, grade: string|null, at_ms: int|null, planned_ml: float|null}>
     * }
     */
    private function link(Impression $impression): array
    {
        $sheet = $this->library->shelf()->bases[$impression->material ?? ''] ?? null;

        return [
            'id' => $impression->id,
            'kind' => $impression->kind->value,
            'positive' => $impression->kind->isPositive(),
            'name' => $impression->name,
            'material' => $sheet->name ?? $impression->material ?? '',
            'material_code' => $sheet?->code,
            'shore' => $sheet?->shore(),
            'colour' => $sheet->colour ?? '#ab8e68',
            'note' => $impression->note ?? '',
            'status' => $this->status($impression),
            'pourable' => $impression->kind !== ImpressionKind::Original,
            'pours' => array_values($impression->pours->map(static fn (Pour $pour): array => [
                'id' => $pour->id,
                'state' => $pour->state->value,
                'href' => "/pours/{$pour->id}".($pour->state === PourState::Draft ? '' : '/run'),
                'grams' => $pour->used_g ?? $pour->weighed_g,
                'grade' => $pour->grade?->value,
                'at_ms' => $pour->started_at === null ? null : (int) $pour->started_at->getTimestampMs(),
                'planned_ml' => is_numeric($pour->plan['likely_ml'] ?? null) ? (float) $pour->plan['likely_ml'] : null,
            ])->all()),
        ];
    }

    private function status(Impression $impression): string
    {
        if ($impression->kind === ImpressionKind::Original) {
            return 'kept';
        }
        $last = $impression->pours->last();
        if ($last === null) {
            return 'not planned yet';
        }
        $done = $impression->pours->where('state', PourState::Graded)->count();

        return match ($last->state) {
            PourState::Draft => $done > 0 ? "{$done} done, next planned" : 'planned',
            PourState::Running => 'being poured',
            PourState::Waiting => 'curing',
            PourState::Opened => 'open, not graded',
            PourState::Graded => $impression->kind === ImpressionKind::Cast ? "{$done} done" : ($last->grade->value ?? 'done'),
        };
    }
}
