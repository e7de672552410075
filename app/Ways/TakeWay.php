<?php

declare(strict_types=1);

namespace App\Ways;

use Apalos\Core\Contact\MouldPart;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use App\Builds\PlanBuild;
use App\Contacts\ChooseForContact;
use App\Contacts\JobContacts;
use App\Jobs\PutMouldIn;
use App\Jobs\ReviseChain;
use App\Library\Library;
use App\Models\Impression;
use App\Models\ImpressionKind;
use App\Models\Job;
use App\Models\PourState;
use App\Models\TakenWay;
use App\Models\Workshop;
use App\PourSheets\PlanPour;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/**
 * Takes a whole way, in one press: its links and what goes between them, its builds with their days, its sheets with their amounts, what
 * has to be bought. Nothing that has begun is touched, and all of it can be had back.
 */
final readonly class TakeWay
{
    public function __construct(
        private WaysDesk $desk,
        private Library $library,
        private ReviseChain $chain,
        private JobContacts $contacts,
        private ChooseForContact $choose,
        private PlanBuild $build,
        private PlanPour $plan,
        private Workshop $workshop,
    ) {}

    /**
     * @param  string  $id  of the way, as it was answered
     * @param  Fields  $question  that it was an answer to
     * @param  int  $edition  of the job on the screen
     *
     * @throws BadInput where the shop has changed since and that way is no longer one
     * @throws \App\Models\Outdated
     */
    public function __invoke(Job $job, string $id, Fields $question, int $edition, CarbonImmutable $now): TakenWay
    {
        $asked = $this->desk->question($job, $question, $now);
        $way = $this->found($job, $question, $id, $now);

        return DB::transaction(function () use ($job, $way, $asked, $edition, $now): TakenWay {
            $job = Job::asShown($job->id, $edition);
            $made = new Written;
            $this->original($job, $asked, $made);
            $casts = $this->casts($job, $way, $made);
            $mould = $way['rack'] === null && $way['base'] !== null && $way['kind'] !== 'bought-in'
                ? $this->moulds($job, $way, $casts, $made)
                : [];
            $this->between($job, [...$mould, ...($casts === null ? [] : [$casts])], $way, $made, $now);
            $this->planned($mould, $casts, $way, $made, $now);
            $done = $this->desk->day($way['done_min'], $now)->toDateString();
            $taken = TakenWay::query()->create([
                'job_id' => $job->id, 'way' => $way, 'made' => $made->toArray(), 'taken_at' => $now,
                'promised' => [
                    'per_piece' => $way['per_piece'], 'total' => $way['total'], 'cash' => $way['cash'],
                    'currency' => $this->workshop->currency ?? 'EUR', 'done_on' => $done, 'hands_min' => $way['hands_min'],
                    'chance' => $way['good_share'], 'count' => (int) $asked['casts']['count'],
                ],
            ]);
            $job->update(['taken_way_id' => $taken->id]);
            $this->wants($taken, $way, $now);

            return $taken;
        }, 3);
    }

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    private function found(Job $job, Fields $question, string $id, CarbonImmutable $now): array
    {
        $answer = $this->desk->ask($job, $question, $now);
        foreach ([...$answer['ways'], ...(($answer['why_not']['way'] ?? null) === null ? [] : [$answer['why_not']['way']])] as $way) {
            if ($way['id'] === $id) {
                return $way;
            }
        }

        throw BadInput::at('way', Phrase::of('bench.way_is_no_longer_one'));
    }

    /** @param  array<string, mixed>  $way */
    private function casts(Job $job, array $way, Written $made): ?Impression
    {
        if ($way['cast'] === null) {
            return null;
        }
        $casts = $job->impressions()->where('kind', ImpressionKind::Cast)->first();
        if ($casts === null) {
            $last = $job->impressions()->reorder()->orderByDesc('position')->first();
            $casts = $this->chain->insert(
                $job, ['kind' => ImpressionKind::Cast, 'name' => $job->name, 'material' => $way['cast'], 'role' => MouldPart::Whole],
                $last?->id,
            );
            $made->link($casts);
        } elseif ($casts->material !== $way['cast']) {
            $this->untouched($casts);
            $made->cast($casts);
            $casts->update(['material' => $way['cast']]);
        }

        return $casts;
    }

    /** @param  array<string, mixed>  $asked */
    private function original(Job $job, array $asked, Written $made): void
    {
        if (! $job->impressions()->where('kind', ImpressionKind::Original)->exists()) {
            $surface = $asked['piece']['original']['surface'] ?? null;
            $made->link(
                $this->chain->insert(
                    $job,
                    [
                        'kind' => ImpressionKind::Original, 'name' => 'Original', 'surface' => is_string($surface) ? $surface : null,
                        'material' => $this->contacts->surface(is_string($surface) ? $surface : null)?->name, 'role' => MouldPart::Whole,
                    ],
                    null,
                ),
            );
            // First of all: it takes its shape from nothing.
            $original = $job->impressions()->where('kind', ImpressionKind::Original)->firstOrFail();
            for ($at = $original->position; $at > 0; $at--) {
                $original = $this->chain->move($original->refresh(), -1, $original->refresh()->edition);
            }
        }
    }

    /**
     * @param  array<string, mixed>  $way
     * @return list<Impression> the links of the mould, in place of those that were only meant
     */
    private function moulds(Job $job, array $way, ?Impression $casts, Written $made): array
    {
        $kind = $this->library->moulds()->kinds[$way['kind']];
        $last = $job->impressions()->reorder()->whereNotIn('kind', [ImpressionKind::Cast, ImpressionKind::Mould])->max('position') ?? -1;
        foreach ($job->impressions()->where('kind', ImpressionKind::Mould)->where('position', '>', $last)->whereIn(
            'role', [MouldPart::Whole, MouldPart::Half, MouldPart::Jacket],
        )->get() as $meant) {
            $this->untouched($meant);
            $made->replaced($meant);
            $meant->delete();
        }
        $after = $job->impressions()->reorder()->whereNot('kind', ImpressionKind::Cast)->orderByDesc('position')->first();
        $printed = ! isset($this->library->shelf()->bases[$way['base']]);
        $links = [];
        // What a ready-made build makes as a whole is one link.
        foreach ($way['build'] === null ? PutMouldIn::links($kind) : [[$kind->name, MouldPart::Whole]] as [$name, $role]) {
            $after = $this->chain->insert($job, [
                'kind' => ImpressionKind::Mould, 'name' => $name, 'role' => $role, 'mould_kind' => $kind->id,
                'note' => implode(', ', $kind->parts),
                ...(
                    $printed
                    ? ['surface' => $this->library->ways()->kinds[$way['kind']]->surface]
                    : ['material' => $role === MouldPart::Jacket ? null : $way['base']]
                ),
            ], $after?->id);
            $made->link($after);
            $links[] = $after;
        }

        return $links;
    }

    /** @throws BadInput where it has begun: what lies stays */
    private function untouched(Impression $link): void
    {
        if ($link->pours()->whereNot('state', PourState::Draft)->exists() || $link->builds()->whereNotNull('begun_at')->exists()) {
            throw BadInput::at('way', Phrase::of('bench.way_meets_what_has_begun', ['link' => $link->name]));
        }
    }

    /**
     * What goes between them, as the way has it.
     *
     * @param  list<Impression>  $links
     * @param  array<string, mixed>  $way
     */
    private function between(Job $job, array $links, array $way, Written $made, CarbonImmutable $now): void
    {
        $chosen = [];
        foreach ($way['asked']['contact'] as $contact) {
            $chosen["{$contact['fresh']['family']}/{$contact['surface']['id']}"] ??= array_filter(
                ['release' => $contact['release'] ?? null, 'sealed_with' => $contact['surface']['sealed_with'] ?? null], is_string(...),
            );
        }
        $chain = $this->contacts->chain($job->load('impressions'));
        foreach ($links as $link) {
            $link = $job->impressions->firstWhere('id', $link->id) ?? $link;
            foreach ($this->contacts->of($link, $chain, $chain->link($link->id)) as $contact) {
                $put = $chosen["{$contact->request->fresh->id}/{$contact->request->surface->id}"] ?? [];
                if ($put !== []) {
                    $made->contacts($link);
                    $this->choose->on($link, $contact->touch->key, Fields::of($put), $now);
                }
            }
        }
    }

    /**
     * Builds with their days, sheets with their amounts.
     *
     * @param  list<Impression>  $moulds
     * @param  array<string, mixed>  $way
     */
    private function planned(array $moulds, ?Impression $casts, array $way, Written $made, CarbonImmutable $now): void
    {
        $gang = $way['gang'] ?? 1;
        if ($moulds !== [] && $way['build'] !== null) {
            $made->build(
                ($this->build)(
                    $moulds[0]->refresh()->load('job'),
                    Fields::of(['kind' => $way['build'], ...$this->measured($way), 'dates' => $this->days($way, $now)]), $now,
                ),
            );
        }
        $takes = $way['takes'];
        foreach ($way['build'] === null ? $moulds : [] as $link) {
            if ($link->material !== null) {
                $made->sheet($this->plan, $link->refresh(), [
                    'method' => 'capacity',
                    'capacity_ml' => round(
                        $takes['mould_ml'] / max(
                            1, count(array_filter($moulds, static fn (Impression $one): bool => $one->material !== null)),
                        ),
                        1,
                    ),
                    'allowance_pct' => 8,
                ]);
            }
        }
        if ($casts !== null) {
            $made->sheet(
                $this->plan, $casts->refresh(),
                $gang > 1
                    ? [
                        'method' => 'pieces', 'pieces' => $gang, 'each_ml' => round($takes['piece_ml'], 2), 'spout_ml' => 0,
                        'allowance_pct' => 8,
                    ]
                    : ['method' => 'capacity', 'capacity_ml' => round($takes['piece_ml'], 2), 'allowance_pct' => 8],
            );
        }
    }

    /**
     * @param  array<string, mixed>  $way
     * @return array<string, mixed> what its ready-made build asks for
     */
    private function measured(array $way): array
    {
        $asks = $this->library->builds()[$way['build']]->asks;
        $takes = $way['takes'];
        $glove = $this->library->ways()->numbers('glove');
        $measured = array_filter([
            'area_mm2' => in_array('area', $asks, true) ? $takes['area_mm2'] : null,
            'flange_mm2' => in_array('flange', $asks, true) ? $glove->number('flange') * $takes['area_mm2'] : null,
            'ml' => in_array('ml', $asks, true) ? round($takes['mould_ml'], 1) : null,
            'wall_mm' => in_array('wall', $asks, true)
                ? ['least' => $glove->number('least_mm'), 'most' => $glove->number('most_mm')]
                : null,
        ], static fn (mixed $one): bool => $one !== null);

        return [
            'measured' => $measured, ...(in_array('box', $asks, true) ? ['box' => $this->library->ways()->surface('box')] : []),
            ...(in_array('bed', $asks, true) ? ['bed' => $this->library->ways()->surface('bed')] : []),
        ];
    }

    /**
     * @param  array<string, mixed>  $way
     * @return list<string> the day each mould is made by
     */
    private function days(array $way, CarbonImmutable $now): array
    {
        $days = [];
        foreach ($way['stages'] as $stage) {
            if ($stage['stage'] === 'mould' && preg_match('/^mould-(\d+)-/', $stage['id'], $of) === 1) {
                $days[(int) $of[1]] = $this->desk->day($stage['end_min'], $now)->toDateString();
            }
        }

        return array_values($days);
    }

    /** @param  array<string, mixed>  $way */
    private function wants(TakenWay $taken, array $way, CarbonImmutable $now): void
    {
        $lines = $way['asked']['cost']['materials'];
        foreach ($way['buy'] as $buy) {
            foreach ($lines as $line) {
                // By what a kit weighs: so many of them are bought.
                if ($line['name'] === ($this->library->shelf()->bases[$buy['code']]->name ?? null)) {
                    DB::table('job_wants')->insert([
                        'workshop_id' => $this->workshop->id, 'job_id' => $taken->job_id, 'taken_way_id' => $taken->id,
                        'code' => $buy['code'], 'grams' => $buy['kits'] * $line['kit']['mass_g'],
                        'since' => $now->utc()->format('Y-m-d H:i:s.v'),
                    ]);
                }
            }
        }
    }
}
