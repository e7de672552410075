<?php

declare(strict_types=1);

namespace App\Formulas;

use App\Lists\Rows;
use App\Log\RecordedRun;
use App\Models\Formula;
use App\Models\FormulaKind;
use App\Models\FormulaVersion;
use App\Models\ImpressionKind;
use App\Models\Pour;
use App\Models\PourState;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Collection as Listed;

/** What the records know of one formula: its versions, what was poured with each, and where it could be poured next. */
final readonly class FormulaBook
{
    /** Of a formula that was changed more often than that, the newest. */
    private const VERSIONS_SHOWN = 40;

    private const POURS_SHOWN = 12;

    private const LINKS_SHOWN = 30;

    private const OTHERS_SHOWN = 40;

    /** Its newest versions with what they came from and what came of them, oldest first; the one that is asked for among them. */
    public function open(Formula $formula, int $asked): void
    {
        $versions = $formula->versions()
            ->reorder()
            ->orderByRaw('case when id = ? then 0 else 1 end', [$asked])
            ->orderByDesc('number')
            ->limit(self::VERSIONS_SHOWN)
            ->withCount(['swatches', 'pours'])
            ->get()
            ->sortBy('number')
            ->values();
        $formula->setRelation('versions', $versions->load(['parent', 'children']));
        $kin = $versions->flatMap(static fn (FormulaVersion $one): array => [$one, $one->parent, ...$one->children])->filter();
        // Most are of this very formula, which is at hand.
        $kin->where('formula_id', $formula->id)->each(static fn (FormulaVersion $one) => $one->setRelation('formula', $formula));
        (new Collection($kin->where('formula_id', '!=', $formula->id)->all()))->load('formula');
    }

    public function versionsOf(Formula $formula): int
    {
        $here = $formula->versions->count();

        return $here < self::VERSIONS_SHOWN ? $here : $formula->versions()->count();
    }

    /**
     * The newest pours of each version, by version.
     *
     * @return Listed<int|string, Collection<int, Pour>>
     */
    public function newest(Formula $formula): Listed
    {
        $asked = null;
        foreach ($formula->versions as $version) {
            $newest = Pour::query()
                ->inShort()
                ->withTitle()
                ->where('formula_version_id', $version->id)
                ->orderByDesc('started_at')
                ->limit(self::POURS_SHOWN);
            $asked = $asked === null ? $newest : $asked->unionAll($newest);
        }

        return ($asked?->get() ?? new Collection)->sortByDesc('started_at')->groupBy('formula_version_id');
    }

    /**
     * @return array{pour_id: int, at_ms: int, cups: int, lines: list<array{add: string, grams: float}>}|null what really went into the last
     *   cup of it
     */
    public function lastBatch(FormulaVersion $version): ?array
    {
        $pour = $version->pours()->whereNotNull('met_at')->orderByDesc('started_at')->first();
        if ($pour?->started_at === null) {
            return null;
        }
        $run = RecordedRun::of($pour);
        $poured = $run->state->cup()->poured;

        return [
            'pour_id' => $pour->id, 'at_ms' => (int) $pour->started_at->getTimestampMs(), 'cups' => count($run->plan->batches),
            'lines' => array_map(
                static fn (string $code, float $grams): array => [
                    'add' => in_array($code, ['A', 'B'], true) ? $code : $run->frozen->called($code), 'grams' => $grams,
                ],
                array_keys($poured), array_values($poured),
            ),
        ];
    }

    /**
     * @return list<array{id: int, name: string, same_base: bool, begun: bool}> links of jobs at hand that could take it, those of its base
     *   first
     */
    public function linksAtHand(string $base): array
    {
        $begun = Rows::of('pours')->whereColumn('pours.impression_id', 'impressions.id')->where('state', PourState::Draft)->selectRaw('1');
        $rows = Rows::of('impressions')
            ->join('jobs', 'jobs.id', '=', 'impressions.job_id')
            ->whereNull('impressions.deleted_at')
            ->whereNull('jobs.deleted_at')
            ->whereNot('impressions.kind', ImpressionKind::Original->value)
            ->orderByDesc('impressions.id')
            ->limit(self::LINKS_SHOWN)
            ->select(['impressions.id', 'impressions.name', 'impressions.material', 'jobs.name as job'])
            ->selectRaw("exists({$begun->toSql()}) as begun", $begun->getBindings())
            ->get();
        $links = $rows->map(static fn (\stdClass $row): array => [
            'id' => (int) $row->id, 'name' => "{$row->job}, {$row->name}", 'same_base' => $row->material === $base,
            'begun' => (bool) $row->begun,
        ]);

        return array_values($links->sortByDesc('same_base')->all());
    }

    /**
     * @return list<array{
     *     id: int, name: string, number: int,
     *     recipe: array{base: string, additives: list<array{code: string, amount: float, basis: string, into: string}>},
     * }> versions of formulas in use that a sheet can take, the newest first
     */
    public function offered(int $most): array
    {
        $rows = Rows::of('formula_versions')
            ->join('formulas', 'formulas.id', '=', 'formula_versions.formula_id')
            ->where('formulas.kind', FormulaKind::Mix->value)
            ->whereNull('formulas.retired_at')
            ->orderByDesc('formula_versions.id')
            ->limit($most)
            ->get(['formula_versions.id', 'formula_versions.number', 'formula_versions.recipe', 'formulas.name']);
        $offered = [];
        foreach ($rows as $row) {
            /** @var array{base: string, additives: list<array{code: string, amount: float, basis: string, into: string}>}|null $recipe */
            $recipe = json_decode((string) $row->recipe, true);
            if (is_array($recipe)) {
                $offered[] = ['id' => (int) $row->id, 'name' => (string) $row->name, 'number' => (int) $row->number, 'recipe' => $recipe];
            }
        }

        return $offered;
    }

    /** @return list<array{id: int, called: string}> versions of other formulas that one could be compared with, the newest first */
    public function others(Formula $formula): array
    {
        /** @var Listed<int, \stdClass> $rows */
        $rows = Rows::of('formula_versions')
            ->join('formulas', 'formulas.id', '=', 'formula_versions.formula_id')
            ->where('formulas.kind', $formula->kind->value)
            ->where('formulas.id', '!=', $formula->id)
            ->orderByDesc('formula_versions.id')
            ->limit(self::OTHERS_SHOWN)
            ->get(['formula_versions.id', 'formula_versions.number', 'formulas.name']);

        return array_values($rows->map(static fn (\stdClass $row): array => [
            'id' => (int) $row->id, 'called' => FormulaVersion::named((string) $row->name, (int) $row->number),
        ])->all());
    }
}
