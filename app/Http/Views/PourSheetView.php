<?php

declare(strict_types=1);

namespace App\Http\Views;

use Apalos\Core\Material\AdditiveSheet;
use Apalos\Core\Material\BaseSheet;
use App\Models\FormulaVersion;
use App\Models\Pour;
use App\Models\Workshop;
use App\Shop\Library;
use Illuminate\Support\Collection;

/** What a pour sheet needs to be filled in: itself as typed, the shelf, earlier formulas, what earlier pours taught. */
final readonly class PourSheetView implements View
{
    /**
     * @param  Collection<int, FormulaVersion>  $formulas
     * @param  array{pct: float, pours: int}|null  $learnt
     */
    public function __construct(
        private Pour $pour,
        private Library $library,
        private Workshop $workshop,
        private Collection $formulas,
        private ?array $learnt,
    ) {}

    /**
     * @return array{
     *     id: int, job_id: int, job: string, impression: string, kind: string, sheet: array<string, mixed>,
     *     bases: list<array{code: string, name: string, shore: string|null, one_part: bool, part_a: string, part_b: string|null, by_volume_ok: bool, vacuum: string, colour: string}>,
     *     additives: list<array{code: string, name: string, role: string, families: list<string>, basis: string, into: string, colour: string}>,
     *     families: array<string, string>,
     *     formulas: list<array{id: int, name: string, number: int, recipe: array{base: string, additives: list<array{code: string, amount: float, basis: string, into: string}>}}>,
     *     learnt: array{pct: float, pours: int}|null,
     *     scale: array{division_g: float, capacity_g: float}
     * }
     */
    public function toArray(): array
    {
        $shelf = $this->library->shelf();

        return [
            'id' => $this->pour->id,
            'job_id' => $this->pour->impression->job_id,
            'job' => $this->pour->impression->job->name,
            'impression' => $this->pour->impression->name,
            'kind' => $this->pour->impression->kind->value,
            'sheet' => $this->pour->sheet,
            'bases' => array_values(array_map(static fn (BaseSheet $base): array => [
                'code' => $base->code, 'name' => $base->name, 'shore' => $base->shore(), 'one_part' => $base->ratio->isOnePart(),
                'part_a' => $base->partNames['a'], 'part_b' => $base->partNames['b'] ?? null, 'by_volume_ok' => $base->measuredByVolumeOk,
                'vacuum' => $base->vacuum, 'colour' => $base->colour,
            ], $shelf->bases)),
            'additives' => array_values(array_map(static fn (AdditiveSheet $additive): array => [
                'code' => $additive->code, 'name' => $additive->name, 'role' => $additive->role->value, 'families' => $additive->families,
                'basis' => $additive->basis->value, 'into' => $additive->into->value, 'colour' => $additive->colour,
            ], $shelf->additives)),
            'families' => array_map(static fn (BaseSheet $base): string => $base->family, $shelf->bases),
            'formulas' => array_values($this->formulas->map(static fn (FormulaVersion $version): array => [
                'id' => $version->id, 'name' => $version->formula->name, 'number' => $version->number, 'recipe' => $version->recipe,
            ])->all()),
            'learnt' => $this->learnt,
            'scale' => ['division_g' => $this->workshop->scale_division_g, 'capacity_g' => $this->workshop->scale_capacity_g],
        ];
    }
}
