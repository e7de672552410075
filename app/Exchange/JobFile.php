<?php

declare(strict_types=1);

namespace App\Exchange;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Sheet\SheetKind;
use App\Builds\RecordedBuild;
use App\Contacts\JobContacts;
use App\Contacts\JudgedContact;
use App\Library\Library;
use App\Library\Recipes;
use App\Lists\Rows;
use App\Log\HistoryView;
use App\Log\RecordedRun;
use App\Models\Build;
use App\Models\FormulaVersion;
use App\Models\Impression;
use App\Models\Job;
use App\Models\Lot;
use App\Models\Pour;
use App\Models\PourState;
use App\Models\Workshop;
use App\People\Names;
use App\Room\CureClock;
use App\Room\RoomTemperature;
use Carbon\CarbonImmutable;

/**
 * The file of a job: its chain with contacts and reasons, its formulas on both bases, how it was built, what was really used
 * (lots, numbers), who, when, how it came out, what was found, and how whoever gets the piece keeps it. Complete enough that another shop
 * could make it again.
 *
 * @phpstan-type UsedShape array{code: string, part: string, grams: float, lot: string|null, number: string|null}
 */
final readonly class JobFile
{
    public const FORMAT = 'apalos-job';

    public const VERSION = 1;

    /** What is chosen for a contact that holds in another shop as well. */
    public const CHOSEN = ['release', 'sealed_with', 'damp', 'latex_touched', 'post_cured'];

    /** Of more pours, the newest: a file is read by people. */
    private const MOST_POURS = 200;

    public function __construct(
        private Library $library,
        private JobContacts $contacts,
        private Recipes $recipes,
        private RoomTemperature $room,
        private CureClock $clock,
        private Names $names,
        private Workshop $shop,
        private PieceCare $care,
        private JobMoulds $moulds,
    ) {}

    /** @return array<string, mixed> with phrases in it: said in the units of whoever reads it */
    public function of(Job $job, CarbonImmutable $now): array
    {
        $links = $job->load('impressions')->impressions->sortBy('position')->values();
        $pours = Pour::query()
            ->with('impression', 'snapshot', 'formulaVersion.formula')
            ->whereIn('impression_id', $links->pluck('id'))
            ->whereNotNull('started_at')
            ->where('state', '!=', PourState::GivenUp)
            ->orderByDesc('id')
            ->limit(self::MOST_POURS)
            ->get()
            ->reverse()
            ->values();
        $places = array_flip($links->pluck('id')->all());
        $codes = $this->codes($links->all(), $pours->all());

        return [
            'format' => self::FORMAT, 'version' => self::VERSION, 'made_at' => $now->utc()->toIso8601ZuluString(),
            'shop' => $this->shop->name,
            'job' => [
                'name' => $job->name, 'purpose' => $job->purpose ?? '', 'for_whom' => $job->for_whom ?? '', 'quantity' => $job->quantity,
                'due_on' => $job->due_on?->toDateString(), 'skin' => $job->skin, 'uses' => $job->usedFor(),
            ],
            'chain' => array_values($links->map(fn (Impression $link): array => $this->link($job, $link, $places))->all()),
            'formulas' => $this->formulas($pours->all()),
            'sheets' => $this->sheets($codes),
            'builds' => array_values(
                Build::query()
                    ->where('plain', false)
                    ->whereIn('impression_id', $links->pluck('id'))
                    ->with('impression.job')
                    ->orderBy('id')
                    ->get()
                    ->map(fn (Build $build): array => $this->build($build, $places, $now))
                    ->all(),
            ),
            'pours' => $this->pours(array_values($pours->all()), $places),
            'moulds' => $this->moulds->of($places),
            'care' => $this->care->of($job),
            'cautions' => $this->cautions($codes),
            'not_certified' => $this->care->notCertified(),
        ];
    }

    /**
     * @param  array<int, int>  $places  of the links in their chain, by number
     * @return array<string, mixed>
     */
    private function link(Job $job, Impression $link, array $places): array
    {
        $base = $this->library->shelf()->bases[$link->material ?? ''] ?? null;
        $chosen = [];
        foreach ($link->contacts ?? [] as $key => $of) {
            $chosen[self::placed((string) $key, $places)] = array_intersect_key((array) $of, array_flip(self::CHOSEN));
        }

        return [
            'kind' => $link->kind->value, 'name' => $link->name, 'material' => $link->material,
            'material_name' => $base->name ?? $link->material ?? '', 'surface' => $link->surface, 'role' => $link->role->value,
            'mould_kind' => $link->mould_kind,
            'wall' => $link->wall, 'bed' => $link->bed,
            'note' => $link->note ?? '', 'from' => $link->from_id === null ? null : ($places[$link->from_id] ?? null), 'chosen' => $chosen,
            'contacts' => array_map(static fn (JudgedContact $one): array => [
                'with' => $one->touch->with, 'fresh' => $one->fresh->name, 'verdict' => $one->result->verdict->value,
                'in_short' => $one->result->inShort,
                'because' => array_column(array_slice($one->result->because, 0, 4), 'text'),
                'plan' => array_map(
                    static fn ($step): array => ['what' => $step->what, 'coats' => $step->coats, 'note' => $step->note], $one->result->plan,
                ),
                'overruled' => $one->overruled(),
            ], $this->contacts->of($link, $this->contacts->chain($job))),
        ];
    }

    /**
     * Links are told by their place, so that another shop finds them.
     *
     * @param  array<int, int>  $places
     */
    private static function placed(string $key, array $places): string
    {
        return preg_match('/^link-(\d+)$/', $key, $part) === 1 && isset($places[(int) $part[1]]) ? "link#{$places[(int) $part[1]]}" : $key;
    }

    /**
     * @param  array<int, Pour>  $pours
     * @return list<array<string, mixed>>
     */
    private function formulas(array $pours): array
    {
        $formulas = [];
        foreach ($pours as $pour) {
            $version = $pour->formulaVersion;
            if ($version instanceof FormulaVersion && ! isset($formulas[$version->id])) {
                $recipe = $this->recipes->of($version);
                $shares = $recipe?->composition()->onBothBases() ?? [];
                $formulas[$version->id] = [
                    'name' => $version->formula->name, 'number' => $version->number, 'base' => $version->recipe['base'],
                    'base_name' => $recipe->base->name ?? $version->recipe['base'],
                    'additives' => array_map(
                        static fn (array $one): array => [
                            ...$one, 'name' => $recipe?->names()[$one['code']] ?? $one['code'],
                            'pct_of_ab' => $shares[$one['code']]['pct_of_ab'] ?? null,
                            'pct_of_one_part' => $shares[$one['code']]['pct_of_one_part'] ?? null,
                        ],
                        $version->recipe['additives'],
                    ),
                ];
            }
        }

        return array_values($formulas);
    }

    /**
     * @param  array<int, Impression>  $links
     * @param  array<int, Pour>  $pours
     * @return list<string>
     */
    private function codes(array $links, array $pours): array
    {
        $codes = array_filter(array_map(static fn (Impression $link): ?string => $link->material, $links));
        foreach ($pours as $pour) {
            $codes = [...$codes, (string) $pour->base_code, ...array_column($pour->formulaVersion->recipe['additives'] ?? [], 'code')];
        }

        return array_values(array_unique(array_filter($codes)));
    }

    /**
     * Sheets the shop wrote itself go along, as they were written.
     *
     * @param  list<string>  $codes
     * @return list<array{kind: string, code: string, sheet: array<string, mixed>}>
     */
    private function sheets(array $codes): array
    {
        $sheets = [];
        foreach ([SheetKind::Base, SheetKind::Additive] as $kind) {
            foreach (array_intersect($codes, array_keys($this->library->own($kind->value))) as $code) {
                $written = $this->library->written($kind, $code);
                $written === null || $sheets[] = ['kind' => $kind->value, 'code' => $code, 'sheet' => $written];
            }
        }

        return $sheets;
    }

    /**
     * @param  array<int, int>  $places
     * @return array<string, mixed>
     */
    private function build(Build $build, array $places, CarbonImmutable $now): array
    {
        $recorded = RecordedBuild::of($build, $now);
        $operations = [];
        foreach ($recorded->state->operations as $one) {
            $operations[] = [
                'name' => $one->operation->name, 'how' => Phrase::written($one->operation->how), 'minutes' => $one->operation->minutes,
                'state' => $one->state->value, 'began_ms' => $recorded->ms($one->startedAt), 'ended_ms' => $recorded->ms($one->endedAt),
            ];
        }

        return [
            'link' => $places[$build->impression_id] ?? 0, 'kind' => $build->kind, 'name' => $build->name,
            'measured' => $build->plan['measured'] ?? [], 'operations' => $operations,
        ];
    }

    /**
     * @param  list<Pour>  $pours
     * @param  array<int, int>  $places
     * @return list<array<string, mixed>>
     */
    private function pours(array $pours, array $places): array
    {
        $used = $this->used(array_map(static fn (Pour $pour): int => $pour->id, $pours));
        $told = [];
        [$runs] = RecordedRun::legible($pours);
        foreach ($runs as $run) {
            $history = (new HistoryView($run, $this->room, $this->clock, $this->library->castings(), $this->names))->toArray();
            $people = array_values(array_unique(array_filter(array_column($history['steps'], 'person'))));
            $told[] = [
                'no' => $run->pour->id, 'link' => $places[$run->pour->impression_id] ?? 0, 'operation' => $run->pour->operation,
                'began_ms' => (int) ($run->pour->started_at?->getTimestampMs() ?? 0), 'formula' => $run->frozen->formula,
                'base' => $run->frozen->base, 'base_code' => $run->frozen->code, 'room_c' => $run->frozen->roomC,
                'sums' => $history['sums'], 'times' => $history['times'], 'people' => $people, 'lots' => $used[$run->pour->id] ?? [],
                'weighed_g' => round($run->state->weighedGrams(), 3), 'used_g' => $run->pour->used_g, 'pieces' => $run->pour->pieces,
                'good' => $run->pour->good,
                'grade' => $run->pour->grade?->value,
                'faults' => array_map(fn (string $id): string => $this->library->faults()[$id]['name'] ?? $id, $run->pour->faults ?? []),
                'cause' => $run->pour->cause === null
                    ? null
                    : ($this->library->faultBook()->causes[$run->pour->cause]->name ?? $run->pour->cause),
                'note' => $run->pour->note ?? '',
                'sheet' => array_intersect_key($run->pour->sheet, array_flip(['volume', 'target', 'formula', 'plan', 'formula_name'])),
            ];
        }

        return $told;
    }

    /**
     * @param  list<int>  $pours
     * @return array<int, list<UsedShape>>
     */
    private function used(array $pours): array
    {
        $used = [];
        $draws = Rows::of('lot_draws')
            ->leftJoin(
                'lot_parts',
                static fn ($join) => $join->on('lot_parts.lot_id', '=', 'lot_draws.lot_id')->on('lot_parts.part', '=', 'lot_draws.part'),
            )
            ->whereIn('lot_draws.pour_id', $pours)
            ->orderBy('lot_draws.id')
            ->get([
                'lot_draws.pour_id', 'lot_draws.lot_id', 'lot_draws.code', 'lot_draws.part', 'lot_draws.grams', 'lot_parts.maker_number',
            ]);
        foreach ($draws as $draw) {
            $used[(int) $draw->pour_id][] = [
                'code' => (string) $draw->code, 'part' => (string) $draw->part, 'grams' => (float) $draw->grams,
                'lot' => $draw->lot_id === null ? null : Lot::numbered($draw->lot_id),
                'number' => $draw->maker_number === null ? null : (string) $draw->maker_number,
            ];
        }

        return $used;
    }

    /**
     * @param  list<string>  $codes
     * @return list<array{title: string, text: Phrase}>
     */
    private function cautions(array $codes): array
    {
        $shelf = $this->library->shelf();
        $hazards = array_merge(
            ...array_map(
                static fn (string $code): array => $shelf->bases[$code]->hazards ?? $shelf->additives[$code]->hazards ?? [], $codes,
            ),
        );
        $known = array_intersect_key($this->library->cautions(), array_flip($hazards));

        return array_values(
            array_map(static fn (array $one): array => ['title' => $one['title'], 'text' => Phrase::written($one['text'])], $known),
        );
    }
}
