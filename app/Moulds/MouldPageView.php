<?php

declare(strict_types=1);

namespace App\Moulds;

use Apalos\Core\Care\CareRule;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Units\Minutes;
use App\Contacts\DrynessView;
use App\Costs\CostBook;
use App\Facts\Happened;
use App\Library\Library;
use App\Lists\Rows;
use App\Looks\Look;
use App\Models\Impression;
use App\Models\Mould;
use App\People\Names;
use App\Types\View;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/**
 * One mould: what it is, where it comes from, what was cast in it and how that came out, what it wants, how long it will do.
 *
 * @phpstan-import-type DryShape from DrynessView
 *
 * @phpstan-type LifeShape array{
 *     left: array{low: int, likely: int, high: int}, chance_of_ahead: float|null, rests_on: int, advice: Phrase,
 *     warnings: list<array{code: string, message: Phrase}>,
 * }
 * @phpstan-type WantShape array{id: string, act: string|null, text: Phrase, why: Phrase, certain: bool}
 * @phpstan-type CastInShape array{
 *     pour_id: int, at_ms: int, job: string, link: string, base: string, released: bool|null, release: string|null, good: int,
 *     usable: int, reject: int, faults: list<string>, grade: string,
 * }
 */
final readonly class MouldPageView implements View
{
    /** The newest; the log has the others. */
    private const CASTS_SHOWN = 25;

    private const FACTS_SHOWN = 25;

    /** What it wants after so much rest, it wants for minutes and hours. */
    private const HOLDS_S = 30;

    public function __construct(
        private RecordedMould $recorded,
        private Library $library,
        private Lives $lives,
        private Rack $rack,
        private MouldWants $wants,
        private CostBook $costs,
        private Names $names,
        private Look $look,
    ) {}

    /**
     * @return array{
     *     id: int, code: string, name: string, job: string|null, job_id: int|null, made_ms: int, place: string|null, photo: bool,
     *     note: string|null,
     *     parts: list<array{name: string, role: string, pour_id: int|null, material: string|null, colour: string|null}>,
     *     material: string|null, casting: string|null, casting_code: string|null,
     *     from: array{id: int, name: string, kind: string, gone_ms: int|null}|null, remade_of: array{id: int, name: string}|null,
     *     remade_as: array{id: int, name: string}|null,
     *     condition: string|null, marks: list<string>, care: array<string, array{at_ms: int, casts_since: int}>, casts: int,
     *     tally: array<string, int>,
     *     life: LifeShape|null,
     *     ahead: int|null, longer: string, usual: float,
     *     wants: list<WantShape>,
     *     castings: list<CastInShape>,
     *     facts: list<array{id: int, kind: string, at_ms: int, payload: array<string, mixed>, by: string|null}>, take_back: int|null,
     *     filled: array{pour: int, job: string, link: string}|null,
     *     cost: string|null, worth: string|null, retired_ms: int|null, retired_why: string|null, dry: DryShape|null
     * }
     */
    public function toArray(): array
    {
        $mould = $this->recorded->mould;
        $shelf = $this->library->shelf();
        $now = CarbonImmutable::now();
        $from = $mould->impression === null ? null : $this->rack->groups($mould->impression->job)->with($mould->impression->id)?->from;
        $filled = $this->rack->filledWith([$mould->id])[$mould->id] ?? null;
        $as = Mould::query()->where('remade_of', $mould->id)->orderByDesc('id')->first(['id', 'workshop_id', 'name']);
        $of = $mould->remade_of === null ? null : Mould::query()->find($mould->remade_of, ['id', 'workshop_id', 'name']);

        return [
            'id' => $mould->id, 'code' => $mould->code(), 'name' => $mould->name, 'job' => $mould->job?->name, 'job_id' => $mould->job_id,
            'made_ms' => (int) $mould->made_at->getTimestampMs(), 'place' => $mould->place,
            'photo' => $mould->photo !== null, 'note' => $mould->impression?->note,
            'parts' => array_map(
                fn (array $part): array => [
                    'name' => $part['name'], 'role' => $part['role'], 'pour_id' => $part['pour_id'],
                    'material' => $shelf->bases[$part['base'] ?? '']->name
                        ?? $this->library->knowledge()->surfaces[$part['base'] ?? '']->name
                        ?? null,
                    'colour' => $shelf->bases[$part['base'] ?? '']->colour ?? null,
                ],
                $mould->parts,
            ),
            'material' => $shelf->bases[$mould->material ?? '']->name
                ?? $this->library->knowledge()->surfaces[$mould->material ?? '']->name
                ?? $mould->material,
            'casting' => $shelf->bases[$mould->casting ?? '']->name ?? null, 'casting_code' => $mould->casting,
            'from' => $from === null ? null : self::from($from),
            'remade_of' => $of === null ? null : ['id' => $of->id, 'name' => $of->name],
            'remade_as' => $as === null ? null : ['id' => $as->id, 'name' => $as->name],
            'condition' => $mould->condition?->value, 'marks' => $mould->marks ?? [],
            'care' => array_map(
                static fn (array $one): array => ['at_ms' => $one['at_ms'], 'casts_since' => max(0, $mould->casts - $one['casts'])],
                $mould->care ?? [],
            ),
            'casts' => $mould->casts, 'tally' => $this->tally($mould),
            ...$this->look->of(
                "mould:{$mould->id}", $this->look->changes(), $now, self::HOLDS_S, fn (): array => $this->held($mould, $now),
            ),
            'facts' => array_map(
                fn (Happened $fact): array => [
                    'id' => $fact->id, 'kind' => $fact->kind, 'at_ms' => $fact->atMs, 'payload' => $fact->payload,
                    'by' => $this->names->by($fact->person, $fact->witness),
                ],
                array_slice(
                    array_values(
                        array_filter(
                            array_reverse($this->recorded->facts), static fn (Happened $fact): bool => $fact->key !== Mould::FIRST,
                        ),
                    ),
                    0, self::FACTS_SHOWN,
                ),
            ),
            'take_back' => $this->recorded->state->takeBack,
            'filled' => $filled === null ? null : ['pour' => $filled['pour'], 'job' => $filled['job'], 'link' => $filled['link']],
            'cost' => $mould->cost, 'worth' => $this->costs->worth($mould),
            'retired_ms' => $mould->retired_at === null ? null : (int) $mould->retired_at->getTimestampMs(),
            'retired_why' => $mould->retired_why?->value,
            'dry' => $this->dry($mould),
        ];
    }

    /**
     * @return array{
     *     life: LifeShape|null, ahead: int|null, longer: string, usual: float, wants: list<WantShape>, castings: list<CastInShape>,
     * } what takes a moment to put together
     */
    private function held(Mould $mould, CarbonImmutable $now): array
    {
        $ahead = $this->rack->ahead($mould);
        $life = $mould->retired_at === null ? $this->lives->of([$mould], $ahead === null ? [] : [$mould->id => $ahead])[$mould->id] : null;
        $pairing = $this->lives->pairing($mould);
        $wants = $mould->retired_at !== null || $mould->casting === null ? [] : $this->wants->of($mould, $mould->casting, $now);

        return [
            'life' => $life?->toArray(), 'ahead' => $ahead, 'longer' => $pairing->longer, 'usual' => $pairing->median,
            'wants' => array_map(
                static fn (CareRule $rule): array => [
                    'id' => $rule->id, 'act' => $rule->act?->value, 'text' => Phrase::written($rule->text),
                    'why' => Phrase::written($rule->why), 'certain' => $rule->isCertain(),
                ],
                $wants,
            ),
            'castings' => $this->castings($mould),
        ];
    }

    /** @return DryShape|null of one that drinks water */
    private function dry(Mould $mould): ?array
    {
        $of = $this->library->shelf()->bases[$mould->material ?? '']->family ?? $mould->material ?? '';
        $knowledge = $this->library->knowledge();
        $surface = $knowledge->surfaces[$knowledge->families[$of]->curesTo ?? $of] ?? null;

        return $surface?->holdsWater() !== true
            ? null
            : (
                new DrynessView(
                    $this->recorded->state->weighings, $this->recorded->dryness(),
                    static fn (float $minutes): int => Minutes::ms($minutes),
                )
            )->toArray();
    }

    /** @return array{id: int, name: string, kind: string, gone_ms: int|null} */
    private static function from(Impression $from): array
    {
        return [
            'id' => $from->id, 'name' => $from->name, 'kind' => $from->kind->value,
            'gone_ms' => $from->gone_at === null ? null : (int) $from->gone_at->getTimestampMs(),
        ];
    }

    /** @return array<string, int> pieces by outcome */
    private function tally(Mould $mould): array
    {
        return array_map(
            intval(...),
            Rows::of('castings')
                ->where('mould_id', $mould->id)
                ->groupBy('outcome')
                ->selectRaw('outcome, count(*) as n')
                ->pluck('n', 'outcome')
                ->all(),
        );
    }

    /** @return list<CastInShape> */
    private function castings(Mould $mould): array
    {
        $pours = DB::table('pour_moulds')
            ->where('mould_id', $mould->id)
            ->whereNotNull('cast_at')
            ->orderByDesc('cast_at')
            ->limit(self::CASTS_SHOWN)
            ->join('pours', 'pours.id', '=', 'pour_moulds.pour_id')->join(
                'impressions', 'impressions.id', '=', 'pours.impression_id',
            )->join('jobs', 'jobs.id', '=', 'impressions.job_id')
            ->get([
                'pours.id', 'pour_moulds.cast_at', 'pours.poured_at', 'pours.base_code', 'pours.grade', 'pours.faults', 'jobs.name as job',
                'impressions.name as link',
            ]);
        $ids = $pours->pluck('id')->all();
        $pieces = Rows::of('castings')
            ->where('mould_id', $mould->id)
            ->whereIn('pour_id', $ids)
            ->groupBy('pour_id', 'outcome')
            ->selectRaw('pour_id, outcome, count(*) as n')
            ->get();
        $releases = Rows::of('mould_care')
            ->where('mould_id', $mould->id)
            ->where('act', 'released')
            ->orderByDesc('at')
            ->limit(4 * self::CASTS_SHOWN)
            ->get(['at', 'what'])
            ->all();
        $faults = $this->library->faults();
        $shelf = $this->library->shelf();

        return array_values($pours->map(static function (\stdClass $pour, int $i) use ($pours, $pieces, $releases, $faults, $shelf): array {
            $before = (string) ($pours->get($i + 1)->cast_at ?? '');
            $of = static fn (string $outcome): int => (int) ($pieces->where('pour_id', $pour->id)->firstWhere('outcome', $outcome)->n ?? 0);
            $known = (array) json_decode((string) $pour->faults, true);
            // Put on after the cast before, and before this one was poured.
            $on = array_values(
                array_filter(
                    $releases,
                    static fn (\stdClass $one): bool => (string) $one->at > $before
                        && (string) $one->at <= (string) ($pour->poured_at ?? $pour->cast_at),
                ),
            );

            return [
                'pour_id' => (int) $pour->id, 'at_ms' => (int) CarbonImmutable::parse((string) $pour->cast_at, 'UTC')->getTimestampMs(),
                'job' => (string) $pour->job, 'link' => (string) $pour->link,
                'base' => $shelf->bases[(string) $pour->base_code]->name ?? (string) $pour->base_code,
                'released' => $releases === [] ? null : $on !== [], 'release' => ($on[0] ?? null)?->what,
                'good' => $of('good'), 'usable' => $of('usable'), 'reject' => $of('reject'),
                'faults' => array_values(
                    array_filter(
                        array_map(static fn (mixed $id): ?string => is_string($id) ? ($faults[$id]['name'] ?? null) : null, $known),
                    ),
                ),
                'grade' => (string) $pour->grade,
            ];
        })->all());
    }
}
