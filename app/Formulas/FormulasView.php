<?php

declare(strict_types=1);

namespace App\Formulas;

use Apalos\Core\Material\AdditiveSheet;
use App\Library\Library;
use App\Library\Recipes;
use App\Library\ShelfView;
use App\Lists\Rows;
use App\Lists\Slice;
use App\Models\Formula;
use App\Models\FormulaVersion;
use App\Swatches\HardnessBook;
use App\Types\View;
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
    public function __construct(
        private Collection $formulas,
        private Slice $slice,
        private int $total,
        private array $filter,
        private Library $library,
        private HardnessBook $hardness,
        private Recipes $recipes,
    ) {}

    /**
     * @return array{
     *     formulas: list<array{
     *         id: int, name: string, kind: string, versions: int, base: string, colour: string,
     *         inside: list<array{name: string, colour: string, pct_of_ab: float}>, hardness: string|null,
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
                    'id' => $formula->id, 'name' => $formula->name, 'kind' => $formula->kind->value,
                    'versions' => (int) $formula->getAttribute('versions_count'),
                    'base' => $recipe->base->name ?? '', 'colour' => $recipe->base->colour ?? '#cfc4ae',
                    'inside' => array_map(
                        static fn (AdditiveSheet $sheet): array => [
                            'name' => $sheet->name, 'colour' => $sheet->colour, 'pct_of_ab' => 100.0 * $loads[$sheet->code],
                        ],
                        $recipe?->sheets() ?? [],
                    ),
                    'hardness' => $recipe === null || $formula->kind->value === 'paint' ? null : $this->hardness->expected($recipe),
                    'pours' => $pours[$formula->id]['pours'] ?? 0,
                    'last_ms' => $at === null ? null : (int) CarbonImmutable::parse($at, 'UTC')->getTimestampMs(),
                    'last_grade' => $pours[$formula->id]['grade'] ?? null,
                    'retired' => $formula->retired_at !== null,
                ];
            })->all()),
            'pages' => $this->slice->toArray($this->total), 'filter' => $this->filter,
            'shelf' => (new ShelfView($this->library))->toArray(),
        ];
    }

    /** @return array<int, array{pours: int, last: string|null, grade: string|null}> how often, when last and how well each was poured */
    private function pours(): array
    {
        $of = FormulaVersion::query()->whereIn('formula_id', $this->formulas->modelKeys())->toBase()->pluck('formula_id', 'id')->all();
        $counted = Rows::of('pours')
            ->whereIn('formula_version_id', array_keys($of))
            ->groupBy('formula_version_id')
            ->selectRaw('formula_version_id, count(*) as pours, max(started_at) as last')
            ->get();
        /** @var array<int, array{pours: int, last: string|null, version: int}> $pours */
        $pours = [];
        foreach ($counted as $row) {
            $formula = (int) $of[$row->formula_version_id];
            $so = $pours[$formula] ?? ['pours' => 0, 'last' => null, 'version' => 0];
            $isLater = $row->last !== null && ($so['last'] === null || (string) $row->last > $so['last']);
            $pours[$formula] = [
                'pours' => $so['pours'] + (int) $row->pours, 'last' => $isLater ? (string) $row->last : $so['last'],
                'version' => $isLater ? (int) $row->formula_version_id : $so['version'],
            ];
        }
        $last = null;
        foreach ($pours as $formula => $so) {
            $one = Rows::of('pours')
                ->where('formula_version_id', $so['version'])
                ->orderByDesc('started_at')
                ->limit(1)
                ->selectRaw("{$formula} as formula_id, grade");
            $last = $last === null ? $one : $last->unionAll($one);
        }
        $grades = [];
        foreach ($last?->get() ?? [] as $row) {
            $grades[(int) $row->formula_id] = $row->grade === null ? null : (string) $row->grade;
        }

        $told = [];
        foreach ($pours as $formula => $so) {
            $told[$formula] = ['pours' => $so['pours'], 'last' => $so['last'], 'grade' => $grades[$formula] ?? null];
        }

        return $told;
    }
}
