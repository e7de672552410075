<?php

declare(strict_types=1);

namespace App\Reads;

use Apalos\Core\Pour\ComparisonResult;
use App\Models\Formula;
use App\Models\FormulaVersion;
use App\Models\Impression;
use App\Models\ImpressionKind;
use App\Models\Pour;
use App\Models\PourState;
use App\Workshop\Library;
use App\Workshop\RecordedRun;
use Illuminate\Support\Collection;

/**
 * One formula: its versions, what came of each, one beside another, and where it can be poured.
 *
 * @phpstan-import-type ShelfShape from ShelfView
 * @phpstan-import-type ComparisonShape from ComparisonResult
 *
 * @phpstan-type VersionShape array{
 *     id: int, number: int, recipe: array{base: string, additives: list<array{code: string, amount: float, basis: string, into: string}>}, parent: array{called: string, href: string}|null,
 *     children: list<array{called: string, href: string}>, note: string, photo: bool, kept_ms: int, swatches: int,
 *     pours: list<array{id: int, name: string, grams: float|null, grade: string|null, at_ms: int|null, href: string}>
 * }
 */
final readonly class FormulaView implements View
{
    private const POURS_SHOWN = 12;

    /**
     * @param  Collection<int, Impression>  $links  where it could be poured
     */
    public function __construct(private Formula $formula, private FormulaVersion $chosen, private ?FormulaVersion $other, private ?ComparisonResult $comparison, private Collection $links, private Library $library) {}

    /**
     * @return array{
     *     id: int, name: string, kind: 'mix'|'paint'|'trial', retired: bool, chosen: int, other: int|null,
     *     versions: list<VersionShape>, comparison: ComparisonShape|null,
     *     last_batch: array{pour_id: int, at_ms: int, cups: int, lines: list<array{add: string, grams: float}>}|null,
     *     links: list<array{id: int, name: string, same_base: bool, begun: bool}>, shelf: ShelfShape
     * }
     */
    public function toArray(): array
    {
        return [
            'id' => $this->formula->id, 'name' => $this->formula->name, 'kind' => $this->formula->kind->value, 'retired' => $this->formula->retired_at !== null,
            'chosen' => $this->chosen->id, 'other' => $this->other?->id,
            'versions' => array_values($this->formula->versions->map(self::version(...))->all()),
            'comparison' => $this->comparison?->toArray(),
            'last_batch' => $this->lastBatch(),
            'links' => array_values($this->links->map(fn (Impression $link): array => [
                'id' => $link->id, 'name' => "{$link->job->name}, {$link->name}", 'same_base' => $link->material === $this->chosen->recipe['base'],
                'begun' => $link->pours->contains(static fn (Pour $pour): bool => $pour->state === PourState::Draft),
            ])->sortByDesc('same_base')->all()),
            'shelf' => (new ShelfView($this->library->shelf()))->toArray(),
        ];
    }

    /** @return VersionShape */
    private static function version(FormulaVersion $version): array
    {
        $link = static fn (FormulaVersion $v): array => ['called' => $v->called(), 'href' => "/formulas/{$v->formula_id}?version={$v->id}"];

        return [
            'id' => $version->id, 'number' => $version->number, 'recipe' => $version->recipe, 'parent' => $version->parent === null ? null : $link($version->parent),
            'children' => array_values($version->children->reject(static fn (FormulaVersion $child): bool => $child->formula_id === $version->formula_id)->map($link)->all()),
            'note' => $version->note ?? '', 'photo' => $version->photo !== null, 'kept_ms' => (int) $version->created_at->getTimestampMs(), 'swatches' => $version->swatches->count(),
            'pours' => array_values($version->pours->sortByDesc('started_at')->take(self::POURS_SHOWN)->map(static fn (Pour $pour): array => [
                'id' => $pour->id, 'name' => "{$pour->impression->job->name}, {$pour->impression->name}", 'grams' => $pour->used_g ?? $pour->weighed_g, 'grade' => $pour->grade?->value,
                'at_ms' => $pour->started_at === null ? null : (int) $pour->started_at->getTimestampMs(), 'href' => "/pours/{$pour->id}/run",
            ])->all()),
        ];
    }

    /** @return array{pour_id: int, at_ms: int, cups: int, lines: list<array{add: string, grams: float}>}|null what really went into the last cup of it */
    private function lastBatch(): ?array
    {
        $pour = $this->chosen->pours->whereNotNull('met_at')->sortBy('started_at')->last();
        if ($pour?->started_at === null) {
            return null;
        }
        $run = RecordedRun::of($pour);
        $poured = $run->state->cup()->poured;

        return [
            'pour_id' => $pour->id, 'at_ms' => (int) $pour->started_at->getTimestampMs(), 'cups' => count($run->plan->batches),
            'lines' => array_map(static fn (string $code, float $grams): array => ['add' => in_array($code, ['A', 'B'], true) ? $code : $run->frozen->called($code), 'grams' => $grams], array_keys($poured), array_values($poured)),
        ];
    }

    /**
     * Links of jobs at hand that could take it.
     *
     * @return Collection<int, Impression>
     */
    public static function linksAtHand(): Collection
    {
        return Impression::query()->whereNot('kind', ImpressionKind::Original)->whereHas('job', static fn ($job) => $job->whereNull('deleted_at'))->with(['job', 'pours'])->orderByDesc('id')->limit(60)->get();
    }
}
