<?php

declare(strict_types=1);

namespace App\Reads;

use App\Models\Formula;
use App\Models\FormulaVersion;
use App\Workshop\HardnessBook;
use App\Workshop\Library;
use App\Workshop\SwatchBook;
use Carbon\CarbonImmutable;
use Illuminate\Support\Collection;

/**
 * The shop's formulas, each with what its newest version says.
 *
 * @phpstan-import-type ShelfShape from ShelfView
 */
final readonly class FormulasView implements View
{
    /** @param  Collection<int, Formula>  $formulas */
    public function __construct(private Collection $formulas, private Library $library, private HardnessBook $hardness, private SwatchBook $swatches) {}

    /**
     * @return array{
     *     formulas: list<array{
     *         id: int, name: string, kind: string, versions: int, base: string, colour: string, inside: list<array{name: string, colour: string, pct_of_ab: float}>, hardness: string|null,
     *         pours: int, last_ms: int|null, last_grade: string|null, retired: bool
     *     }>,
     *     shelf: ShelfShape
     * }
     */
    public function toArray(): array
    {
        return [
            'formulas' => array_values($this->formulas->map(function (Formula $formula): array {
                $version = $formula->versions->last();
                $recipe = $version === null ? null : $this->swatches->recipe($version);
                $last = $formula->versions->filter(static fn (FormulaVersion $v): bool => is_string($v->getAttribute('last_poured_at')))->sortBy('last_poured_at')->last();
                $at = $last?->getAttribute('last_poured_at');
                $grade = $last?->getAttribute('last_grade');
                $loads = $recipe?->loads() ?? [];

                return [
                    'id' => $formula->id, 'name' => $formula->name, 'kind' => $formula->kind->value, 'versions' => $formula->versions->count(),
                    'base' => $recipe->base->name ?? '', 'colour' => $recipe->base->colour ?? '#cfc4ae',
                    'inside' => array_map(static fn ($sheet): array => ['name' => $sheet->name, 'colour' => $sheet->colour, 'pct_of_ab' => 100.0 * $loads[$sheet->code]], $recipe?->sheets() ?? []),
                    'hardness' => $recipe === null || $formula->kind->value === 'paint' ? null : $this->hardness->expected($recipe),
                    'pours' => (int) $formula->versions->sum('pours_count'), 'last_ms' => is_string($at) ? (int) CarbonImmutable::parse($at, 'UTC')->getTimestampMs() : null, 'last_grade' => is_string($grade) ? $grade : null,
                    'retired' => $formula->retired_at !== null,
                ];
            })->all()),
            'shelf' => (new ShelfView($this->library->shelf()))->toArray(),
        ];
    }
}
