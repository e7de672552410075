<?php

declare(strict_types=1);

namespace App\Log;

use Apalos\Core\Casting\WorkedResult;
use Apalos\Core\Material\AdditiveSheet;
use Apalos\Core\Pour\Recipe;
use Apalos\Core\Run\RunPlan;
use Apalos\Core\Run\StepKind;
use Apalos\Core\Units\Grams;
use App\Library\Library;
use App\Models\Snapshot;
use App\Room\CureClock;
use App\Room\FrozenClock;

/** Takes down what a pour or a series needs for the rest of its life, from the shelf as it stands now. */
final readonly class Freezer
{
    public function __construct(private Library $library, private CureClock $clock) {}

    /** The clock of this recipe, so much of it in one cup, that cools so many times as long as its sheet says. */
    public function clock(Recipe $recipe, Grams $batch, float $cools = 1.0): FrozenClock
    {
        $longer = $recipe->poursLonger();
        $model = $this->clock->model($recipe->base)->pouring($longer)->cooling($cools);

        return new FrozenClock($model, $model->massThatCounts($batch), $longer);
    }

    /** @return array{code: string, name: string, colour: string, brushed: bool, family: string} */
    public function base(Recipe $recipe): array
    {
        return [
            'code' => $recipe->base->code, 'name' => $recipe->base->name, 'colour' => $recipe->base->colour,
            'brushed' => $recipe->base->brushed, 'family' => $recipe->base->family,
        ];
    }

    /**
     * The sheets of all that is in it, the cautions that go with it, the faults there were words for, and how it is worked.
     *
     * @param  array<string, StepKind>  $cautions  more than the sheets ask for, with the step where each stands
     */
    public function snapshot(Recipe $recipe, ?RunPlan $run = null, array $cautions = [], ?WorkedResult $worked = null): Snapshot
    {
        $sheets = array_map(
            static fn (AdditiveSheet $sheet): array => $sheet->sheet()->toArray(),
            array_combine(array_map(static fn (AdditiveSheet $sheet): string => $sheet->code, $recipe->sheets()), $recipe->sheets()),
        );
        $faults = $this->library->faults();

        return Snapshot::of([
            'materials' => [$recipe->base->code => $recipe->base->sheet()->toArray(), ...$sheets],
            'cautions' => $this->cautions($recipe, $run, $cautions),
            'waste' => $this->library->cautions()['waste']['text'] ?? '',
            'faults' => array_map(
                static fn (string $id, array $fault): array => ['id' => $id, 'name' => $fault['name'], 'cause' => $fault['cause']],
                array_keys($faults), array_values($faults),
            ),
            ...($worked === null ? [] : ['worked' => $worked->toArray()]),
        ]);
    }

    /**
     * @param  array<string, StepKind>  $more  than the sheets ask for, with the step where each stands
     * @return list<array{id: string, title: string, text: string, gear: list<string>, at: string}>
     */
    public function cautions(Recipe $recipe, ?RunPlan $run = null, array $more = []): array
    {
        $family = $this->library->knowledge()->families[$recipe->base->family] ?? null;
        $at = [...$more, ...$this->standing([...$recipe->hazards(), ...$family->hazards ?? []], $run)];
        $known = array_intersect_key($this->library->cautions(), $at);

        return array_map(
            static fn (string $id, array $one): array => [
                'id' => $id, 'title' => $one['title'], 'text' => $one['text'], 'gear' => $one['gear'], 'at' => $at[$id]->value,
            ],
            array_keys($known), array_values($known),
        );
    }

    /**
     * Where each stands: on the step of its act; where a run has no such step, or nothing is run, at the beginning.
     *
     * @param  list<string>  $ids
     * @return array<string, StepKind>
     */
    public function standing(array $ids, ?RunPlan $run): array
    {
        $known = $this->library->cautions();
        $at = static fn (string $id): StepKind => StepKind::tryFrom($known[$id]['at'] ?? '') ?? StepKind::Gear;
        $ids = array_values(array_filter(array_unique($ids), static fn (string $id): bool => isset($known[$id])));

        return array_combine(
            $ids, array_map(static fn (string $id): StepKind => $run?->has($at($id)) === true ? $at($id) : StepKind::Gear, $ids),
        );
    }
}
