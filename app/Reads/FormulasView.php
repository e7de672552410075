<?php

declare(strict_types=1);

namespace App\Reads;

use Apalos\Core\Material\AdditiveSheet;
use App\Models\Formula;
use App\Models\Pour;
use App\Workshop\HardnessBook;
use App\Workshop\Library;
use App\Workshop\Recipes;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection;

/**
 * The shop's formulas, each with what its newest version says.
 *
 * @phpstan-import-type ShelfShape from ShelfView
 */
final readonly class FormulasView implements View
{
    /**
     * @param  Collection<int, Formula>  $formulas  with `newest` and how many versions there are
     * @param  array{kind: string, q: string}  $filter
     */
    public function __construct(private Collection $formulas, private Slice $slice, private int $total, private array $filter, private Library $library, private HardnessBook $hardness, private Recipes $recipes) {}

    /**
     * @return array{
     *     formulas: list<array{
     *         id: int, name: string, kind: string, versions: int, base: string, colour: string, inside: list<array{name: string, colour: string, pct_of_ab: float}>, hardness: string|null,
     *         pours: int, last_ms: int|null, last_grade: string|null, retired: bool
     *     }>,
     *     pages: array{page: int, pages: int, total: int}, filter: array{kind: string, q: string},
     *     shelf: ShelfShape
     * }
     */
    public function toArray(): array
    {
        $pours = $this->pours();

        return [
            'formulas' => array_values($this->formulas->map(function (Formula $formula) use ($pours): array {
                $recipe = $formula->newest === null ? null : $this->recipes->of($formula->newest);
                $loads = $recipe?->loads() ?? [];
                $at = $pours[$formula->id]['last'] ?? null;

                return [
                    'id' => $formula->id, 'name' => $formula->name, 'kind' => $formula->kind->value, 'versions' => (int) $formula->getAttribute('versions_count'),
                    'base' => $recipe->base->name ?? '', 'colour' => $recipe->base->colour ?? '#cfc4ae',
                    'inside' => array_map(static fn (AdditiveSheet $sheet): array => ['name' => $sheet->name, 'colour' => $sheet->colour, 'pct_of_ab' => 100.0 * $loads[$sheet->code]], $recipe?->sheets() ?? []),
                    'hardness' => $recipe === null || $formula->kind->value === 'paint' ? null : $this->hardness->expected($recipe),
                    'pours' => $pours[$formula->id]['pours'] ?? 0, 'last_ms' => $at === null ? null : (int) CarbonImmutable::parse($at, 'UTC')->getTimestampMs(), 'last_grade' => $pours[$formula->id]['grade'] ?? null,
                    'retired' => $formula->retired_at !== null,
                ];
            })->all()),
            'pages' => $this->slice->toArray($this->total), 'filter' => $this->filter,
            'shelf' => (new ShelfView($this->library->shelf()))->toArray(),
        ];
    }

    /** @return array<int, array{pours: int, last: string|null, grade: string|null}> how often, when last and how well each was poured */
    private function pours(): array
    {
        $ids = $this->formulas->modelKeys();
        $counted = Pour::query()->join('formula_versions', 'formula_versions.id', '=', 'pours.formula_version_id')->whereIn('formula_versions.formula_id', $ids)
            ->groupBy('formula_versions.formula_id')->selectRaw('formula_versions.formula_id, count(*) as pours, max(pours.started_at) as last')->toBase()->get();
        $pours = [];
        foreach ($counted as $row) {
            $pours[(int) $row->formula_id] = ['pours' => (int) $row->pours, 'last' => $row->last === null ? null : (string) $row->last, 'grade' => null];
        }
        $grades = Pour::query()->join('formula_versions', 'formula_versions.id', '=', 'pours.formula_version_id')->whereIn('formula_versions.formula_id', array_keys($pours))
            ->whereIn('pours.started_at', array_filter(array_column($pours, 'last')))->orderBy('pours.id')->toBase()->get(['formula_versions.formula_id', 'pours.started_at', 'pours.grade']);
        foreach ($grades as $row) {
            $of = (int) $row->formula_id;
            if ($pours[$of]['last'] === (string) $row->started_at) {
                $pours[$of]['grade'] = $row->grade === null ? null : (string) $row->grade;
            }
        }

        return $pours;
    }
}
