<?php

declare(strict_types=1);

namespace Apalos\Core\Run;

use Apalos\Core\Facts\Fact;
use Apalos\Core\Facts\Standing;

/**
 * A run as it went: each fact that stands with the step it was told at, and what was weighed beside what was planned for it.
 *
 * @phpstan-type HistoryShape array{
 *     steps: list<array{
 *         fact: int, at: float, kind: string, step: string, batch: int, code: string|null, planned_g: float|null, weighed_g: float|null,
 *         c: float|null, text: string|null,
 *     }>,
 *     sums: list<array{code: string, planned_g: float, weighed_g: float}>, more: bool
 * }
 */
final readonly class HistoryResult
{
    /** More facts than this are notes of a long night: the rest stands in the archive. */
    private const MOST = 240;

    /**
     * @param list<array{
     *     fact: int, at: float, kind: string, step: string, batch: int, code: string|null, planned_g: float|null, weighed_g: float|null,
     *     c: float|null, text: string|null,
     * }>  $steps
     *   minutes of the run
     * @param  list<array{code: string, planned_g: float, weighed_g: float}>  $sums
     */
    private function __construct(public array $steps, public array $sums, public bool $more) {}

    /** @param  list<Fact<RunFactKind>>  $facts in the order they were recorded */
    public static function of(RunPlan $plan, array $facts): self
    {
        $standing = Standing::of($facts);
        $steps = [];
        $some = array_slice($standing, 0, self::MOST);
        $states = RunState::each($plan, $some);
        foreach ($some as $i => $fact) {
            [$before, $after] = [$states[$i], $states[$i + 1]];
            $line = $fact->kind === RunFactKind::Weighed ? $before->cup()->current() : null;
            $batch = max(1, $before->step->batch);
            $weighings = $line === null ? [] : $after->cups[$batch]->weighings;
            $last = $weighings === [] ? null : $weighings[count($weighings) - 1];
            $steps[] = [
                'fact' => $fact->id, 'at' => $fact->at, 'kind' => $fact->kind->value, 'step' => $before->step->kind->value,
                'batch' => $before->step->batch,
                'code' => $line['add'] ?? null, 'planned_g' => $line['grams'] ?? null, 'weighed_g' => $last['grams'] ?? null,
                'c' => $fact->kind === RunFactKind::Heated ? $fact->number('c') : null,
                'text' => $fact->text('text') ?? $fact->text('note'),
            ];
        }
        $sums = [];
        foreach (RunState::of($plan, $facts)->cups as $batch => $cup) {
            foreach ($plan->batches[$batch - 1] ?? [] as $code => $planned) {
                $sums[$code] = [
                    'code' => (string) $code, 'planned_g' => ($sums[$code]['planned_g'] ?? 0.0) + $planned,
                    'weighed_g' => ($sums[$code]['weighed_g'] ?? 0.0) + ($cup->poured[$code] ?? 0.0),
                ];
            }
        }

        return new self($steps, array_values($sums), count($standing) > self::MOST);
    }

    /** @return HistoryShape */
    public function toArray(): array
    {
        return ['steps' => $this->steps, 'sums' => $this->sums, 'more' => $this->more];
    }
}
