<?php

declare(strict_types=1);

namespace App\Jobs;

use Apalos\Core\Contact\Chain;
use Apalos\Core\Contact\ContactResult;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use App\Contacts\JobContacts;
use App\Contacts\JudgedContact;
use App\Library\Library;
use App\Log\Readiness;
use App\Looks\Look;
use App\Models\Build;
use App\Models\Impression;
use App\Models\ImpressionKind;
use App\Models\Job;
use App\Models\ModelFile;
use App\Models\Mould;
use App\Models\Pour;
use App\Models\PourState;
use App\Moulds\Lives;
use App\People\Names;
use App\Types\View;
use Carbon\CarbonImmutable;

/**
 * A job: its piece and its chain, each link with its material and where its pours stand.
 *
 * @phpstan-import-type ContactShape from ContactResult
 *
 * @phpstan-type LinkContactShape array{
 *     key: string, with: string, surface: string, surface_name: string, fresh: string, blocks: bool, overruled: string|null,
 *     overruled_by: string|null, lapsed: string|null, words: Phrase|null, certain: bool, proved_dry_ms: int|null, holds_water: bool,
 *     post_cured: bool,
 *     release: string|null, sealed_with: string|null, sealed_ms: int|null,
 *     seal: array{name: string, coats: int, minutes: float, how: string}|null, damp: bool, latex_touched: bool, cured_ms: int|null,
 *     opened_ms: int|null, solvent_ms: int|null,
 *     result: ContactShape
 * }
 * @phpstan-type LinkShape array{
 *     id: int, edition: int, kind: string, positive: bool, name: string, material: string, material_code: string|null, shore: string|null,
 *     colour: string, note: string,
 *     status: Phrase|string, settled: bool, pourable: bool, had: bool, knows_nothing: bool, not_for_skin: bool,
 *     contacts: list<LinkContactShape>,
 *     surface: string|null, role: string, from_id: int|null, wall: string|null, bed: string|null,
 *     builds: list<array{id: int, name: string, began_ms: int|null, ended: bool, copy: int|null, wanted_on: string|null}>,
 *     gone_ms: int|null,
 *     pours_in_all: int,
 *     pours: list<array{
 *         id: int, state: string, operation: string, href: string, grams: float|null, grade: string|null, at_ms: int|null,
 *         planned_ml: float|null,
 *     }>
 * }
 * @phpstan-type JobHeldShape array{
 *     cast: int, ready: list<array{link_id: int, pour_id: int, name: string, ready_ms: int, full: bool, late_days: int}>,
 *     pieces_a_pour: int,
 *     moulds: list<array{id: int, code: string, name: string, casts: int, likely: int|null, retired: bool}>, lives: Phrase|null,
 *     chain: list<LinkShape>
 * }
 */
final readonly class JobView implements View
{
    /** The colour of what is on no sheet. */
    public const BARE = '#ab8e68';

    private const POURS_SHOWN = 12;

    private const BUILDS_SHOWN = 30;

    private const MOULDS_SHOWN = 8;

    /** What waits on a chain waits for minutes and hours. */
    private const HOLDS_S = 30;

    public function __construct(
        private Job $job,
        private Library $library,
        private JobContacts $contacts,
        private Lives $lives,
        private Readiness $readiness,
        private Look $look,
        private Names $names,
        private CarbonImmutable $now,
    ) {}

    /**
     * @return array{
     *     id: int, edition: int, name: string, purpose: string, for_whom: string, quantity: int, due_on: string|null, skin: bool,
     *     uses: list<array{id: string, name: string, ask: Phrase}>, model: array{id: int, name: string}|null, cast: int,
     *     pieces_a_pour: int, lives: Phrase|null,
     *     moulds: list<array{id: int, code: string, name: string, casts: int, likely: int|null, retired: bool}>,
     *     ready: list<array{link_id: int, pour_id: int, name: string, ready_ms: int, full: bool, late_days: int}>, chain: list<LinkShape>,
     * }
     */
    public function toArray(): array
    {
        return [
            'id' => $this->job->id,
            'edition' => $this->job->edition,
            'name' => $this->job->name,
            'purpose' => $this->job->purpose ?? '', 'for_whom' => $this->job->for_whom ?? '',
            'quantity' => $this->job->quantity,
            'due_on' => $this->job->due_on?->toDateString(),
            'skin' => $this->job->skin,
            'uses' => array_values(
                array_map(
                    fn (string $id): array => [
                        'id' => $id, 'name' => $this->library->uses()[$id]['name'],
                        'ask' => Phrase::written($this->library->uses()[$id]['ask']),
                    ],
                    array_filter($this->job->usedFor(), fn (string $id): bool => isset($this->library->uses()[$id])),
                ),
            ),
            'model' => ModelFile::query()
                ->join('job_models', 'job_models.model_file_id', '=', 'model_files.id')
                ->where('job_models.job_id', $this->job->id)
                ->orderByDesc('job_models.at')
                ->orderByDesc('job_models.id')
                ->first(['model_files.id', 'model_files.name', 'model_files.workshop_id'])
                ?->only('id', 'name'),
            ...$this->look->of("job:{$this->job->id}", $this->look->changes(), $this->now, self::HOLDS_S, $this->held(...)),
        ];
    }

    /** @return JobHeldShape what takes a moment to put together */
    private function held(): array
    {
        $this->job->load('impressions');
        $chain = $this->contacts->chain($this->job);
        $ids = $this->job->impressions->map(static fn (Impression $link): int => $link->id);
        $this->contacts->look($ids->all());
        [$sofar, $newest] = [PouredSoFar::of($ids), $this->newest()];
        $builds = Build::query()
            ->whereIn('impression_id', $ids)
            ->where('plain', false)
            ->orderByDesc('id')
            ->limit(self::BUILDS_SHOWN)
            ->get()
            ->groupBy('impression_id');

        return [
            'cast' => (int) $this->job->impressions->where('kind', ImpressionKind::Cast)->sum(
                static fn (Impression $link): int => $sofar->pieces($link->id),
            ),
            // As many as the last pour gave: one, or a gang.
            'ready' => array_map(
                static fn (array $one): array => [
                    'link_id' => $one['pour']->impression_id, 'pour_id' => $one['pour']->id, 'name' => $one['pour']->impression->name,
                    'ready_ms' => (int) $one['ready']->readyMs, 'full' => $one['ready']->isFull, 'late_days' => $one['ready']->lateDays(),
                ],
                $this->readiness->curing($this->now, array_values($this->job->impressions->modelKeys())),
            ),
            'pieces_a_pour' => max(
                1,
                (int) (
                    $this->job->impressions
                        ->where('kind', ImpressionKind::Cast)
                        ->flatMap(static fn (Impression $link): array => $newest->get($link->id)?->all() ?? [])
                        ->where('state', PourState::Graded)
                        ->last()->pieces ?? 1
                ),
            ),
            'moulds' => $this->moulds(),
            'lives' => LivesIn::job($this->job, $ids->all()),
            'chain' => array_values(
                $this->job->impressions->map(
                    fn (Impression $impression): array => $this->link(
                        $impression, $chain, $sofar, $newest->get($impression->id)?->all() ?? [],
                        $builds->get($impression->id)?->all() ?? [],
                    ),
                )->all(),
            ),
        ];
    }

    /**
     * @return list<array{id: int, code: string, name: string, casts: int, likely: int|null, retired: bool}> of its own on the rack, those
     *   in use first
     */
    private function moulds(): array
    {
        $moulds = Mould::query()
            ->where('job_id', $this->job->id)
            ->orderByRaw('case when retired_at is null then 0 else 1 end')
            ->orderByDesc('id')
            ->limit(self::MOULDS_SHOWN)
            ->get();
        $lives = $this->lives->of($moulds->whereNull('retired_at')->all());

        return array_values(
            $moulds->map(
                static fn (Mould $mould): array => [
                    'id' => $mould->id, 'code' => $mould->code(), 'name' => $mould->name, 'casts' => $mould->casts,
                    'likely' => ($lives[$mould->id] ?? null)?->likely, 'retired' => $mould->retired_at !== null,
                ],
            )->all(),
        );
    }

    /**
     * The newest of each link, by link.
     *
     * @return \Illuminate\Support\Collection<int|string, \Illuminate\Database\Eloquent\Collection<int, Pour>>
     */
    private function newest(): \Illuminate\Support\Collection
    {
        $asked = null;
        foreach ($this->job->impressions as $link) {
            $newest = Pour::query()->inShort()->where('impression_id', $link->id)->orderByDesc('id')->limit(self::POURS_SHOWN);
            $asked = $asked === null ? $newest : $asked->unionAll($newest);
        }

        return ($asked?->get() ?? new \Illuminate\Database\Eloquent\Collection)->sortBy('id')->groupBy('impression_id');
    }

    /**
     * @param  array<int, Pour>  $pours
     * @param  array<int, Build>  $builds
     * @return LinkShape
     */
    private function link(Impression $impression, Chain $chain, PouredSoFar $sofar, array $pours, array $builds): array
    {
        $sheet = $this->library->shelf()->bases[$impression->material ?? ''] ?? null;

        return [
            'id' => $impression->id, 'edition' => $impression->edition,
            'kind' => $impression->kind->value,
            'positive' => $impression->kind->isPositive(),
            'name' => $impression->name,
            'material' => $sheet->name ?? $this->called($impression),
            'material_code' => $sheet?->code,
            'shore' => $sheet?->shore(),
            'colour' => $sheet->colour ?? self::BARE,
            'note' => $impression->note ?? '',
            'status' => $impression->isHad() && $impression->kind !== ImpressionKind::Original
                ? Phrase::of('bench.not_poured_here')
                : $sofar->status($impression->id, $impression->kind),
            'settled' => $sofar->isSettled($impression->id),
            'pourable' => ! $impression->isHad(),
            'had' => $impression->isHad(),
            'knows_nothing' => ($one = $chain->link($impression->id)) !== null && $chain->knowsNothing($one),
            'not_for_skin' => $this->job->skin && $impression->kind === ImpressionKind::Cast && $sheet !== null && ! $sheet->isForSkin(),
            'contacts' => array_map($this->contact(...), $this->contacts->of($impression, $chain, $chain->link($impression->id))),
            'surface' => $impression->surface,
            'role' => $impression->role->value,
            'from_id' => $impression->from_id,
            'gone_ms' => $impression->gone_at === null ? null : (int) $impression->gone_at->getTimestampMs(),
            'wall' => $impression->wall,
            'bed' => $impression->bed,
            'builds' => array_map(
                static fn (Build $build): array => [
                    'id' => $build->id, 'name' => $build->name, 'began_ms' => self::ms($build->begun_at),
                    'ended' => $build->ended_at !== null, 'copy' => $build->copies_of === null ? null : $build->copy,
                    'wanted_on' => $build->wanted_on?->toDateString(),
                ],
                array_values($builds),
            ),
            'pours_in_all' => $sofar->pours($impression->id),
            'pours' => array_map(static fn (Pour $pour): array => [
                'id' => $pour->id,
                'state' => $pour->state->value,
                'operation' => $pour->operation,
                'href' => "/pours/{$pour->id}".($pour->state === PourState::Draft ? '' : '/run'),
                'grams' => $pour->used_g ?? $pour->weighed_g,
                'grade' => $pour->grade?->value,
                'at_ms' => $pour->started_at === null ? null : (int) $pour->started_at->getTimestampMs(),
                'planned_ml' => is_numeric($likely = $pour->getAttribute('likely_ml')) ? (float) $likely : null,
            ], array_values($pours)),
        ];
    }

    /** What is on no sheet, as somebody called it, or as its surface is called. */
    private function called(Impression $impression): string
    {
        $said = $impression->material ?? '';

        return $said !== '' || $impression->kind === ImpressionKind::Original
            ? $said
            : ($this->contacts->surface($impression->surface)->name ?? '');
    }

    /** @return LinkContactShape */
    private function contact(JudgedContact $contact): array
    {
        $chosen = Fields::of($contact->chosen);

        return [
            'key' => $contact->touch->key,
            'with' => $contact->touch->with,
            'surface' => $contact->touch->surface->id,
            'surface_name' => $contact->touch->surface->name,
            'fresh' => $contact->fresh->name,
            'blocks' => $contact->blocks,
            'overruled' => $contact->overruled(), 'overruled_by' => $this->names->by(...$contact->overruledBy()),
            'lapsed' => $contact->lapsed(),
            'words' => $contact->wordsAsked(),
            'certain' => $contact->isOutOfTheQuestion(),
            'holds_water' => $contact->touch->surface->holdsWater(), 'proved_dry_ms' => self::ms($contact->provedDryAt),
            'post_cured' => $chosen->has('post_cured') && $chosen->bool('post_cured'),
            'release' => $chosen->textOrNull('release'),
            'sealed_with' => $chosen->textOrNull('sealed_with'),
            'sealed_ms' => self::ms($contact->sealedAt),
            'seal' => ($sealer = $this->contacts->sealer($contact)) === null
                ? null
                : ['name' => $sealer->name, 'coats' => $sealer->coats, 'minutes' => $sealer->minutes(), 'how' => $sealer->text],
            'damp' => $chosen->has('damp') && $chosen->bool('damp'),
            'latex_touched' => $chosen->has('latex_touched') && $chosen->bool('latex_touched'),
            'cured_ms' => self::ms($contact->curedAt),
            'opened_ms' => self::ms($contact->openedAt),
            'solvent_ms' => self::ms($contact->solventAt),
            'result' => $contact->result->toArray(),
        ];
    }

    private static function ms(?CarbonImmutable $at): ?int
    {
        return $at === null ? null : (int) $at->getTimestampMs();
    }
}
