<?php

declare(strict_types=1);

namespace App\Reads;

use Apalos\Core\Cure\Milestone;
use Apalos\Core\Input\Fields;
use Apalos\Core\Mix\TopupResult;
use Apalos\Core\Run\StepKind;
use App\Workshop\CureClock;
use App\Workshop\Library;
use App\Workshop\RecordedRun;
use Carbon\CarbonImmutable;

/** A run as its screen shows it: where it stands, what to do now, what the cup holds and what the clock says. */
final readonly class RunView implements View
{
    public function __construct(private RecordedRun $run, private Library $library, private CureClock $clock) {}

    /**
     * @return array{
     *     pour_id: int, job_id: int, job: string, impression: string, kind: string, formula: string, base: string,
     *     step: array{key: string, kind: string, batch: int, weighing: int}, batches: int, step_since_ms: int,
     *     cup: array{
     *         fills: list<array{name: string, planned_g: float, poured_g: float, colour: string}>,
     *         capacity_ml: float|null, sg: float, display_g: float, k: float, mass_g: float
     *     },
     *     line: array{add: string, label: string, grams: float, running: float, from: float, to: float}|null,
     *     next_line: string|null, meets_now: bool, one_part: bool, division_g: float,
     *     rescue: array{
     *         needed: bool, k: float, planned: array<string, float>, lines: list<array{add: string, grams: float, running: float}>,
     *         extra_g: float, fits: bool, ratio_error_if_ignored_pct: float, warnings: list<array{code: string, message: string}>
     *     }|null,
     *     clock: array{met_ms: int|null, pot_ends_ms: int|null, pot_life_min: float|null, mix_min: float, degas_min: float, usable_min: float|null},
     *     second_cup: bool, degas_planned: bool,
     *     wait: array{open_low_ms: int|null, open_likely_ms: int|null, open_high_ms: int|null, service_ms: int|null, gelled_ms: int|null, poured_ms: int|null, opened_ms: int|null},
     *     notes: list<array{at_ms: int, text: string, fault: string|null}>,
     *     cautions: list<array{id: string, title: string, text: string}>, gear: list<string>,
     *     faults: list<array{id: string, name: string, cause: string}>,
     *     checklist: list<array{id: string, text: string, minutes: float, begun_ms: int|null, done: bool}>,
     *     weighed_g: float, planned_g: float, likely_ml: float|null,
     *     grade: array{grade: string, faults: list<string>, used_g: float, pieces: int, note: string, correction_pct: float|null}|null,
     *     last_event_id: int, take_back: array{event: int, what: string}|null
     * }
     */
    public function toArray(): array
    {
        $state = $this->run->state;
        $plan = Fields::of($this->run->pour->plan ?? []);
        $cup = $state->cup();
        $line = $state->step->kind === StepKind::Weigh ? $cup->current() : null;
        $base = $plan->object('base');
        $names = $base->object('part_names');
        $label = static fn (string $add): string => match (true) {
            $add === 'A' && $names->has('a') => $names->text('a'),
            $add === 'B' && $names->has('b') => $names->text('b'),
            default => $add,
        };

        return [
            'pour_id' => $this->run->pour->id,
            'job_id' => $this->run->pour->impression->job_id,
            'job' => $this->run->pour->impression->job->name,
            'impression' => $this->run->pour->impression->name,
            'kind' => $this->run->pour->impression->kind->value,
            'formula' => $plan->text('formula_name'),
            'base' => $base->text('name'),
            'step' => ['key' => $state->step->key(), 'kind' => $state->step->kind->value, 'batch' => $state->step->batch, 'weighing' => $state->step->weighing],
            'batches' => count($this->run->plan->batches),
            'step_since_ms' => $this->ms($this->run->at($state->since)) ?? 0,
            'cup' => $this->cup($plan),
            'line' => $line === null ? null : ['label' => $label($line['add']), ...$line],
            'next_line' => isset($cup->queue[1]) && $line !== null ? $label($cup->queue[1]['add']) : null,
            'meets_now' => $line !== null && $cup->meetsNow(),
            'one_part' => $this->run->plan->onePart,
            'division_g' => $this->run->plan->division->g,
            'rescue' => $state->step->kind === StepKind::Rescue ? $this->rescue($cup->rescue()) : null,
            'clock' => [
                'met_ms' => $this->ms($this->run->at($cup->metAt)),
                'pot_ends_ms' => $this->ms($this->run->potLifeEnds($this->clock)),
                'pot_life_min' => $plan->numberOrNull('pot_life_min'),
                'mix_min' => $this->run->plan->mixing->min,
                'degas_min' => $this->run->plan->degassing->min,
                'usable_min' => $plan->numberOrNull('usable_min'),
            ],
            'second_cup' => array_sum($cup->planned) > $this->run->plan::SECOND_CUP_G,
            'degas_planned' => $this->run->plan->degassing->min > 0.0,
            'wait' => $this->wait(),
            'notes' => array_map(fn (array $note): array => ['at_ms' => $this->ms($this->run->at($note['at'])) ?? 0, 'text' => $note['text'], 'fault' => $note['fault']], $state->notes),
            'cautions' => $this->cautions($plan),
            'gear' => $this->gear($plan),
            'faults' => $this->faults(),
            'checklist' => array_map(fn (array $item): array => [...$item, 'begun_ms' => $this->ms($this->run->at($state->begunAt[$item['id']] ?? null)), 'done' => in_array($item['id'], $state->checked, true)], $this->run->plan->checklist),
            'weighed_g' => $state->weighedGrams(),
            'planned_g' => array_sum(array_map(array_sum(...), $this->run->plan->batches)),
            'likely_ml' => $plan->numberOrNull('likely_ml'),
            'grade' => $this->grade(),
            'last_event_id' => $this->run->lastEventId(),
            'take_back' => $this->takeBack(),
        ];
    }

    private function ms(?CarbonImmutable $at): ?int
    {
        return $at === null ? null : (int) $at->getTimestampMs();
    }

    /** @return array{fills: list<array{name: string, planned_g: float, poured_g: float, colour: string}>, capacity_ml: float|null, sg: float, display_g: float, k: float, mass_g: float} */
    private function cup(Fields $plan): array
    {
        $cup = $this->run->state->cup();
        $colours = $plan->object('colours');
        $fills = [];
        foreach ($cup->planned as $name => $planned) {
            $fills[] = [
                'name' => (string) $name,
                'planned_g' => $planned,
                'poured_g' => $cup->poured[$name] ?? 0.0,
                'colour' => $colours->has((string) $name) ? $colours->text((string) $name) : '#c9b38c',
            ];
        }

        return [
            'fills' => $fills,
            'capacity_ml' => $this->run->plan->capacity?->ml,
            'sg' => $this->run->plan->density->gPerMl,
            'display_g' => $cup->display,
            'k' => $cup->k,
            'mass_g' => array_sum($cup->planned),
        ];
    }

    /**
     * @return array{
     *     needed: bool, k: float, planned: array<string, float>, lines: list<array{add: string, grams: float, running: float}>,
     *     extra_g: float, fits: bool, ratio_error_if_ignored_pct: float, warnings: list<array{code: string, message: string}>
     * }
     */
    private function rescue(TopupResult $rescue): array
    {
        return $rescue->toArray();
    }

    /** @return array{open_low_ms: int|null, open_likely_ms: int|null, open_high_ms: int|null, service_ms: int|null, gelled_ms: int|null, poured_ms: int|null, opened_ms: int|null} */
    private function wait(): array
    {
        $state = $this->run->state;
        $met = $this->run->at($state->lastMetAt());
        $open = $met === null ? null : $this->clock->reaches($this->run->pour, Milestone::Demould, $met);
        $service = $met === null ? null : $this->clock->reaches($this->run->pour, Milestone::Service, $met);
        $filled = $state->filledAt === [] ? null : max($state->filledAt);

        return [
            'open_low_ms' => $this->ms($open['low'] ?? null),
            'open_likely_ms' => $this->ms($open['likely'] ?? null),
            'open_high_ms' => $this->ms($open['high'] ?? null),
            'service_ms' => $this->ms($service['likely'] ?? null),
            'gelled_ms' => $this->ms($this->run->at($state->gelledAt)),
            'poured_ms' => $state->isPoured() ? $this->ms($this->run->at($filled)) : null,
            'opened_ms' => $this->ms($this->run->at($state->openedAt)),
        ];
    }

    /** @return list<array{id: string, title: string, text: string}> */
    private function cautions(Fields $plan): array
    {
        $all = $this->library->cautions();
        $cautions = [];
        foreach ($plan->strings('cautions') as $id) {
            if (isset($all[$id])) {
                $cautions[] = ['id' => $id, 'title' => $all[$id]['title'], 'text' => $all[$id]['text']];
            }
        }

        return $cautions;
    }

    /** @return list<string> */
    private function gear(Fields $plan): array
    {
        $all = $this->library->cautions();
        $gear = [];
        foreach ($plan->strings('cautions') as $id) {
            $gear = [...$gear, ...($all[$id]['gear'] ?? [])];
        }

        return array_values(array_unique($gear));
    }

    /** @return list<array{id: string, name: string, cause: string}> */
    private function faults(): array
    {
        $faults = [];
        foreach ($this->library->faults() as $id => $fault) {
            $faults[] = ['id' => $id, 'name' => $fault['name'], 'cause' => $fault['cause']];
        }

        return $faults;
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

    /** @return array{event: int, what: string}|null the last thing that can be taken back */
    private function takeBack(): ?array
    {
        $id = $this->run->state->takeBack;
        $event = $id === null ? null : $this->run->event($id);

        return $event === null ? null : ['event' => $event->id, 'what' => $event->kind->value];
    }
}
