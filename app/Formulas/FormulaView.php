<?php

declare(strict_types=1);

namespace App\Formulas;

use Apalos\Core\Pour\ComparisonResult;
use App\Library\Library;
use App\Library\ShelfView;
use App\Models\Formula;
use App\Models\FormulaVersion;
use App\Models\Pour;
use App\Types\View;

/**
 * One formula: its versions, what came of each, one beside another, and where it can be poured.
 *
 * @phpstan-import-type ShelfShape from ShelfView
 * @phpstan-import-type ComparisonShape from ComparisonResult
 *
 * @phpstan-type VersionShape array{
 *     id: int, number: int, recipe: array{base: string, additives: list<array{code: string, amount: float, basis: string, into: string}>},
 *     parent: array{called: string, href: string}|null,
 *     children: list<array{called: string, href: string}>, note: string, photo: bool, kept_ms: int, swatches: int, pours_in_all: int,
 *     pours: list<array{id: int, name: string, grams: float|null, grade: string|null, at_ms: int|null, href: string}>
 * }
 */
final readonly class FormulaView implements View
{
    public function __construct(
        private Formula $formula,
        private FormulaVersion $chosen,
        private ?FormulaVersion $other,
        private ?ComparisonResult $comparison,
        private FormulaBook $book,
        private Library $library,
    ) {}

    /**
     * @return array{
     *     id: int, edition: int, name: string, kind: 'mix'|'paint'|'trial', retired: bool, chosen: int, other: int|null,
     *     versions: list<VersionShape>, versions_in_all: int, comparison: ComparisonShape|null,
     *     last_batch: array{pour_id: int, at_ms: int, cups: int, lines: list<array{add: string, grams: float}>}|null,
     *     links: list<array{id: int, name: string, same_base: bool, begun: bool}>, shelf: ShelfShape
     * }
     */
    public function toArray(): array
    {
        $pours = $this->book->newest($this->formula);

        return [
            'id' => $this->formula->id, 'edition' => $this->formula->edition, 'name' => $this->formula->name,
            'kind' => $this->formula->kind->value, 'retired' => $this->formula->retired_at !== null,
            'chosen' => $this->chosen->id, 'other' => $this->other?->id,
            'versions' => array_values(
                $this->formula->versions->map(
                    fn (FormulaVersion $version): array => $this->version($version, $pours->get($version->id)?->all() ?? []),
                )->all(),
            ),
            'versions_in_all' => $this->book->versionsOf($this->formula),
            'comparison' => $this->comparison?->toArray(),
            'last_batch' => $this->book->lastBatch($this->chosen),
            'links' => $this->book->linksAtHand($this->chosen->recipe['base']),
            'shelf' => (new ShelfView($this->library))->toArray(),
        ];
    }

    /**
     * @param  array<int, Pour>  $pours
     * @return VersionShape
     */
    private function version(FormulaVersion $version, array $pours): array
    {
        $link = static fn (FormulaVersion $v): array => ['called' => $v->called(), 'href' => "/formulas/{$v->formula_id}?version={$v->id}"];

        return [
            'id' => $version->id, 'number' => $version->number, 'recipe' => $version->recipe,
            'parent' => $version->parent === null ? null : $link($version->parent),
            'children' => array_values(
                $version->children
                    ->reject(static fn (FormulaVersion $child): bool => $child->formula_id === $version->formula_id)
                    ->map($link)
                    ->all(),
            ),
            'note' => $version->note ?? '', 'photo' => $version->photo !== null, 'kept_ms' => (int) $version->created_at->getTimestampMs(),
            'swatches' => (int) $version->getAttribute('swatches_count'), 'pours_in_all' => (int) $version->getAttribute('pours_count'),
            'pours' => array_map(static fn (Pour $pour): array => [
                'id' => $pour->id, 'name' => "{$pour->jobName()}, {$pour->linkName()}",
                'grams' => $pour->used_g ?? $pour->weighed_g, 'grade' => $pour->grade?->value,
                'at_ms' => $pour->started_at === null ? null : (int) $pour->started_at->getTimestampMs(),
                'href' => "/pours/{$pour->id}/run",
            ], array_values($pours)),
        ];
    }
}
