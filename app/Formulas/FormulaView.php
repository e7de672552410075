<?php

declare(strict_types=1);

namespace App\Formulas;

use Apalos\Core\Pour\ComparisonResult;
use App\Library\Library;
use App\Library\ShelfView;
use App\Log\RecordedRun;
use App\Models\Formula;
use App\Models\FormulaVersion;
use App\Models\Impression;
use App\Models\ImpressionKind;
use App\Models\Pour;
use App\Models\PourState;
use App\Types\View;
use Illuminate\Support\Collection;

/**
 * One formula: its versions, what came of each, one beside another, and where it can be poured.
 *
 * @phpstan-import-type ShelfShape from ShelfView
 * @phpstan-import-type ComparisonShape from ComparisonResult
 *
 * @phpstan-type VersionShape array{
 *     id: int, number: int, recipe: array{base: string, additives: list<array{code: string, amount: float, basis: string, into: string}>}, parent: array{called: string, href: string}|null,
 *     children: list<array{called: string, href: string}>, note: string, photo: bool, kept_ms: int, swatches: int, pours_in_all: int,
 *     pours: list<array{id: int, name: string, grams: float|null, grade: string|null, at_ms: int|null, href: string}>
 * }
 */
final readonly class FormulaView implements View
{
    private const POURS_SHOWN = 12;

    private const LINKS_SHOWN = 30;

    /**
     * @param  Collection<int, Impression>  $links  where it could be poured
     */
    public function __construct(private Formula $formula, private FormulaVersion $chosen, private ?FormulaVersion $other, private ?ComparisonResult $comparison, private Collection $links, private int $versionsInAll, private Library $library) {}

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
        $pours = $this->newest();

        return [
            'id' => $this->formula->id, 'edition' => $this->formula->edition, 'name' => $this->formula->name, 'kind' => $this->formula->kind->value, 'retired' => $this->formula->retired_at !== null,
            'chosen' => $this->chosen->id, 'other' => $this->other?->id,
            'versions' => array_values($this->formula->versions->map(fn (FormulaVersion $version): array => $this->version($version, $pours->get($version->id)?->all() ?? []))->all()),
            'versions_in_all' => $this->versionsInAll,
            'comparison' => $this->comparison?->toArray(),
            'last_batch' => $this->lastBatch(),
            'links' => array_values($this->links->map(fn (Impression $link): array => [
                'id' => $link->id, 'name' => "{$link->job->name}, {$link->name}", 'same_base' => $link->material === $this->chosen->recipe['base'],
                'begun' => (int) $link->getAttribute('drafts_count') > 0,
            ])->sortByDesc('same_base')->all()),
            'shelf' => (new ShelfView($this->library))->toArray(),
        ];
    }

    /**
     * The newest pours of each version, by version.
     *
     * @return Collection<int|string, \Illuminate\Database\Eloquent\Collection<int, Pour>>
     */
    private function newest(): Collection
    {
        $asked = null;
        foreach ($this->formula->versions as $version) {
            $newest = Pour::query()->inShort()->where('formula_version_id', $version->id)->orderByDesc('started_at')->limit(self::POURS_SHOWN);
            $asked = $asked === null ? $newest : $asked->unionAll($newest);
        }

        return ($asked?->get() ?? new \Illuminate\Database\Eloquent\Collection)->load('impression.job')->sortByDesc('started_at')->groupBy('formula_version_id');
    }

    /**
     * @param  array<int, Pour>  $pours
     * @return VersionShape
     */
    private function version(FormulaVersion $version, array $pours): array
    {
        $link = static fn (FormulaVersion $v): array => ['called' => $v->called(), 'href' => "/formulas/{$v->formula_id}?version={$v->id}"];

        return [
            'id' => $version->id, 'number' => $version->number, 'recipe' => $version->recipe, 'parent' => $version->parent === null ? null : $link($version->parent),
            'children' => array_values($version->children->reject(static fn (FormulaVersion $child): bool => $child->formula_id === $version->formula_id)->map($link)->all()),
            'note' => $version->note ?? '', 'photo' => $version->photo !== null, 'kept_ms' => (int) $version->created_at->getTimestampMs(), 'swatches' => (int) $version->getAttribute('swatches_count'), 'pours_in_all' => (int) $version->getAttribute('pours_count'),
            'pours' => array_map(static fn (Pour $pour): array => [
                'id' => $pour->id, 'name' => "{$pour->impression->job->name}, {$pour->impression->name}", 'grams' => $pour->used_g ?? $pour->weighed_g, 'grade' => $pour->grade?->value,
                'at_ms' => $pour->started_at === null ? null : (int) $pour->started_at->getTimestampMs(), 'href' => "/pours/{$pour->id}/run",
            ], array_values($pours)),
        ];
    }

    /** @return array{pour_id: int, at_ms: int, cups: int, lines: list<array{add: string, grams: float}>}|null what really went into the last cup of it */
    private function lastBatch(): ?array
    {
        $pour = $this->chosen->pours()->whereNotNull('met_at')->orderByDesc('started_at')->first();
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
        return Impression::query()->whereNot('kind', ImpressionKind::Original)->whereHas('job', static fn ($job) => $job->whereNull('deleted_at'))->with('job')->withCount(['pours as drafts_count' => static fn ($pours) => $pours->where('state', PourState::Draft)])->orderByDesc('id')->limit(self::LINKS_SHOWN)->get();
    }
}
