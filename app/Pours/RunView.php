<?php

declare(strict_types=1);

namespace App\Pours;

use Apalos\Core\Casting\CastingWays;
use Apalos\Core\Casting\WorkedResult;
use Apalos\Core\Cure\Milestone;
use Apalos\Core\Cure\ReadyResult;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Run\RunFactKind;
use Apalos\Core\Run\StepKind;
use App\Log\Readiness;
use App\Log\RecordedRun;
use App\Room\CureClock;
use App\Stock\ScrapBook;
use App\Types\View;
use Carbon\CarbonImmutable;

/**
 * A run as its screen shows it: where it stands, what to do now, what the cup holds and what the clock says.
 *
 * @phpstan-import-type ReadyShape from ReadyResult
 * @phpstan-import-type WorkedShape from WorkedResult
 */
final readonly class RunView implements View
{
    /** Of more notes, and of more readings of the pot, the last stand on the page. */
    private const NOTES = 60;

    private const READINGS = 12;

    public function __construct(
        private RecordedRun $run,
        private CureClock $clock,
        private Readiness $readiness,
        private CastingWays $ways,
    ) {}

    /**
     * The last of them; one that names a fault is asked after when the cast is graded, however long ago it was.
     *
     * @param  list<array{at: float, text: string, fault: string|null}>  $notes
     * @return list<array{at: float, text: string, fault: string|null}>
     */
    private function notes(array $notes): array
    {
        $last = count($notes) - self::NOTES;

        return array_slice(
            array_values(
                array_filter(
                    $notes, static fn (array $note, int $i): bool => $i >= $last || $note['fault'] !== null, ARRAY_FILTER_USE_BOTH,
                ),
            ),
            -2 * self::NOTES,
        );
    }

    /**
     * @return array{
     *     pour_id: int, build_id: int, laid: bool, worked: WorkedShape, job_id: int, job: string, impression: string, kind: string,
     *     formula: string, base: string, base_code: string,
     *     step: array{key: string, kind: string, batch: int, weighing: int}, batches: int, step_since_ms: int,
     *     cup: array{
     *         fills: list<array{code: string, name: string, planned_g: float, poured_g: float, colour: string}>,
     *         capacity_ml: float|null, sg: float, display_g: float, k: float, mass_g: float
     *     },
     *     line: array{add: string, label: string, grams: float, running: float, from: float, to: float}|null,
     *     next_line: string|null, meets_now: bool, one_part: bool, division_g: float,
     *     rescue: array{
     *         needed: bool, k: float, planned: array<string, float>, lines: list<array{add: string, grams: float, running: float}>,
     *         extra_g: float, fits: bool, ratio_error_if_ignored_pct: float, warnings: list<array{code: string, message: Phrase}>
     *     }|null,
     *     clock: array{
     *         met_ms: int|null, pot_ends_ms: int|null, pot_life_min: float|null, mix_min: float, degas_min: float, usable_min: float|null,
     *     },
     *     cups: list<array{batch: int, grams: float, weighed: bool, met_ms: int|null, pot_ends_ms: int|null, filled_ms: int|null}>,
     *     may_swap: bool, may_plan: bool, carried: bool, second_cup: bool, degas_planned: bool,
     *     heat: array{
     *         from_c: float, to_c: float, over_c: float, step_ms: int, stands: string,
     *         readings: list<array{at_ms: int, c: float, by: string}>, reheats: int,
     *     }|null,
     *     scrap: array{worth: bool, lot: array{id: int, label: string, grams: float, remelts: int}|null}|null,
     *     wait: array{
     *         open_low_ms: int|null, open_likely_ms: int|null, open_high_ms: int|null, service_ms: int|null, gelled_ms: int|null,
     *         poured_ms: int|null, opened_ms: int|null,
     *     },
     *     ready: ReadyShape,
     *     notes: list<array{at_ms: int, text: string, fault: string|null}>, notes_before: int,
     *     cautions: list<array{id: string, title: string, text: Phrase}>, gear: list<string>, waste: Phrase,
     *     faults: list<array{id: string, name: string, cause: string}>,
     *     checklist: list<array{id: string, text: string, minutes: float, begun_ms: int|null, done: bool}>,
     *     weighed_g: float, left_g: float|null, planned_g: float, likely_ml: float|null,
     *     grade: array{grade: string, faults: list<string>, used_g: float, pieces: int, note: string, correction_pct: float|null}|null,
     *     given_up: array{fate: string, note: string}|null,
     *     last_fact_id: int,
     *     take_back: array{of: int, kind: string, step: string|null, about: string|null, name: string|null, grams: float|null}|null
     * }
     */
    public function toArray(): array
    {
        $state = $this->run->state;
        $cup = $state->cup();
        $inCup = new InCup($this->run, $this->clock);
        $line = $state->step->kind === StepKind::Weigh ? $cup->current() : null;
        $frozen = $this->run->frozen;
        $pot = $this->clock->potLifeNow($frozen->clock, $this->run->plan->mixing, $this->run->plan->degassing);

        return [
            'pour_id' => $this->run->pour->id,
            'build_id' => $this->run->pour->build_id,
            'laid' => $this->run->plan->endsLaid,
            'worked' => $this->run->worked($this->ways)->toArray(),
            'job_id' => $this->run->pour->impression->job_id,
            'job' => $this->run->pour->impression->job->name,
            'impression' => $this->run->pour->impression->name,
            'kind' => $this->run->pour->impression->kind->value,
            'formula' => $frozen->formula,
            'base' => $frozen->base,
            'base_code' => $frozen->code,
            'step' => [
                'key' => $state->step->key(), 'kind' => $state->step->kind->value, 'batch' => $state->step->batch,
                'weighing' => $state->step->weighing,
            ],
            'batches' => count($this->run->plan->batches),
            'step_since_ms' => $this->ms($this->run->at($state->since)) ?? 0,
            'cup' => $inCup->fills(),
            'line' => $line === null ? null : ['label' => $frozen->called($line['add']), ...$line],
            'next_line' => isset($cup->queue[1]) && $line !== null ? $frozen->called($cup->queue[1]['add']) : null,
            'meets_now' => $line !== null && $cup->meetsNow(),
            'one_part' => $this->run->plan->onePart,
            'division_g' => $this->run->plan->division->g,
            'rescue' => $state->step->kind === StepKind::Rescue ? $inCup->rescue() : null,
            'clock' => [
                'met_ms' => $this->ms($this->run->at($cup->metAt)),
                'pot_ends_ms' => $this->ms($this->run->potLifeEnds($this->clock)),
                'pot_life_min' => $pot?->whole->min,
                'mix_min' => $this->run->plan->mixing->min,
                'degas_min' => $this->run->plan->degassing->min,
                'usable_min' => $pot?->usable->min,
            ],
            'cups' => $inCup->all(),
            'may_swap' => $state->step->kind === StepKind::Weigh && $cup->mayBeSwapped(),
            'may_plan' => $state->lastMetAt() === null && ! in_array($state->step->kind, [StepKind::Done, StepKind::GivenUp], true),
            'carried' => $cup->weighings !== [] && $state->step->kind === StepKind::Tare,
            'second_cup' => array_sum($cup->planned) > $this->run->plan::SECOND_CUP_G,
            'degas_planned' => $this->run->plan->degassing->min > 0.0,
            'heat' => $this->heat(),
            'scrap' => ScrapBook::of($this->run->pour) === null
                ? null
                : [
                    'worth' => ScrapBook::isWorthKeeping($this->run),
                    'lot' => $state->step->kind === StepKind::Done ? ScrapBook::leftOf($this->run->pour) : null,
                ],
            'wait' => $this->wait(),
            'ready' => $this->readiness->of(
                $this->run->pour, $this->run->at($state->lastMetAt()), $frozen->clock, CarbonImmutable::now(),
            )->toArray(),
            'notes_before' => count($state->notes) - count($this->notes($state->notes)),
            'notes' => array_map(
                fn (array $note): array => [
                    'at_ms' => $this->ms($this->run->at($note['at'])) ?? 0, 'text' => $note['text'], 'fault' => $note['fault'],
                ],
                $this->notes($state->notes),
            ),
            'cautions' => $this->cautions(),
            'gear' => $this->gear(),
            'waste' => Phrase::written($this->run->pour->snapshot->content['waste'] ?? ''),
            'faults' => $this->snapshot()['faults'],
            'checklist' => array_map(
                fn (array $item): array => [
                    'id' => $item['id'], 'text' => $item['text'], 'minutes' => $item['minutes'],
                    'begun_ms' => $this->ms($this->run->at($state->begunAt[$item['id']] ?? null)),
                    'done' => in_array($item['id'], $state->checked, true),
                ],
                $this->run->plan->checklist,
            ),
            'weighed_g' => $state->weighedGrams(),
            'left_g' => $this->run->beside->leftG,
            'planned_g' => array_sum(array_map(array_sum(...), $this->run->plan->batches)),
            'likely_ml' => $frozen->likelyMl,
            'grade' => $this->grade(),
            'given_up' => $state->givenUp === null
                ? null
                : ['fate' => Fields::of($state->givenUp)->text('fate'), 'note' => Fields::of($state->givenUp)->textOrNull('note') ?? ''],
            'last_fact_id' => $this->run->lastFactId(),
            'take_back' => $this->takeBack(),
        ];
    }

    /**
     * @return array{
     *     from_c: float, to_c: float, over_c: float, step_ms: int, stands: string,
     *     readings: list<array{at_ms: int, c: float, by: string}>, reheats: int,
     * }|null
     *   how warm it was read; null where nothing is heated
     */
    private function heat(): ?array
    {
        $heat = $this->run->plan->heat;
        if ($heat === null) {
            return null;
        }
        $readings = $this->run->state->heated[max(1, $this->run->state->step->batch)] ?? [];

        return [
            'from_c' => $heat->from->degrees, 'to_c' => $heat->to->degrees, 'over_c' => $heat->over->degrees,
            'step_ms' => (int) round(1000.0 * $heat->stepSeconds), 'stands' => $heat->stands($readings)->value,
            'readings' => array_map(
                fn (array $one): array => ['at_ms' => $this->ms($this->run->at($one['at'])) ?? 0, 'c' => $one['c'], 'by' => $one['by']],
                array_slice($readings, -self::READINGS),
            ),
            'reheats' => $this->run->state->reheats,
        ];
    }

    private function ms(?CarbonImmutable $at): ?int
    {
        return $at === null ? null : (int) $at->getTimestampMs();
    }

    /**
     * @return array{
     *     open_low_ms: int|null, open_likely_ms: int|null, open_high_ms: int|null, service_ms: int|null, gelled_ms: int|null,
     *     poured_ms: int|null, opened_ms: int|null,
     * }
     */
    private function wait(): array
    {
        $state = $this->run->state;
        $met = $this->run->at($state->lastMetAt());
        $open = $met === null ? null : $this->clock->from($met, $this->run->frozen->clock, Milestone::Demould);
        $service = $met === null ? null : $this->clock->from($met, $this->run->frozen->clock, Milestone::Service);
        $filled = $state->filledAt === [] ? null : max($state->filledAt);

        return [
            'open_low_ms' => $this->ms($open?->low()),
            'open_likely_ms' => $this->ms($open?->likely()),
            'open_high_ms' => $this->ms($open?->high()),
            'service_ms' => $this->ms($service?->likely()),
            'gelled_ms' => $this->ms($this->run->at($state->gelledAt)),
            'poured_ms' => $state->isPoured() ? $this->ms($this->run->at($filled)) : null,
            'opened_ms' => $this->ms($this->run->at($state->openedAt)),
        ];
    }

    /**
     * @return list<array{id: string, title: string, text: Phrase}> those of the act this step is, once: what was read over the first cup
     *   holds for the next
     */
    private function cautions(): array
    {
        $step = $this->run->state->step;
        $here = array_filter(
            $this->snapshot()['cautions'],
            static fn (array $caution): bool => $step->batch <= 1 && ($caution['at'] ?? StepKind::Gear->value) === $step->kind->value,
        );

        return array_values(
            array_map(
                static fn (array $caution): array => [
                    'id' => $caution['id'], 'title' => $caution['title'], 'text' => Phrase::written($caution['text']),
                ],
                $here,
            ),
        );
    }

    /** @return list<string> */
    private function gear(): array
    {
        return array_values(
            array_unique(array_merge(...array_map(static fn (array $caution): array => $caution['gear'], $this->snapshot()['cautions']))),
        );
    }

    /**
     * @return array{
     *     materials: array<string, array<string, mixed>>,
     *     cautions: list<array{id: string, title: string, text: string, gear: list<string>, at?: string}>,
     *     faults: list<array{id: string, name: string, cause: string}>,
     * }
     */
    private function snapshot(): array
    {
        return $this->run->pour->snapshot->content ?? ['materials' => [], 'cautions' => [], 'faults' => []];
    }

    /** @return array{grade: string, faults: list<string>, used_g: float, pieces: int, note: string, correction_pct: float|null}|null */
    private function grade(): ?array
    {
        if ($this->run->state->grade === null) {
            return null;
        }
        $grade = Fields::of($this->run->state->grade);

        return [
            'grade' => $grade->text('grade'),
            'faults' => $grade->strings('faults'),
            'used_g' => $grade->number('used_g'),
            'pieces' => (int) ($grade->numberOrNull('pieces') ?? 1.0),
            'note' => $grade->textOrNull('note') ?? '',
            'correction_pct' => $grade->numberOrNull('correction_pct', -100.0),
        ];
    }

    /**
     * @return array{of: int, kind: string, step: string|null, about: string|null, name: string|null, grams: float|null}|null the last thing
     *   that can be taken back
     */
    private function takeBack(): ?array
    {
        $id = $this->run->state->takeBack;
        $fact = $id === null ? null : $this->run->fact($id);
        if ($fact === null) {
            return null;
        }
        // Of the cup it was weighed into: another may stand on the scale by now.
        $said = is_string($fact->payload['step'] ?? null) ? $fact->payload['step'] : null;
        [$batch, $step] = $said === null ? ['0', null] : [...explode(':', $said), null];
        $weighings = ($this->run->state->cups[max(1, (int) $batch)] ?? $this->run->state->cup())->weighings;
        $last = $fact->kind === RunFactKind::Weighed->value ? ($weighings[count($weighings) - 1] ?? null) : null;

        return [
            'of' => $fact->id, 'kind' => $fact->kind, 'step' => $step, 'about' => $said,
            'name' => $last === null ? null : $this->run->frozen->called($last['add']), 'grams' => $last['grams'] ?? null,
        ];
    }
}
