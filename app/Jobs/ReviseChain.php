<?php

declare(strict_types=1);

namespace App\Jobs;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use App\Contacts\ContactBook;
use App\Contacts\JobContacts;
use App\Library\Library;
use App\Lists\Rows;
use App\Models\Impression;
use App\Models\Job;
use App\Models\Outdated;
use App\Models\Pour;
use App\Models\PourState;
use Illuminate\Support\Facades\DB;

/** Puts links into a chain, changes, moves and takes them out, and lets nothing through that would make no chain. */
final readonly class ReviseChain
{
    public function __construct(private JobContacts $contacts, private ContactBook $book, private Library $library) {}

    /**
     * @param  array<string, mixed>  $said
     * @param  int|null  $after  the link it comes after; at the end where there is none
     *
     * @throws BadInput
     */
    public function insert(Job $job, array $said, ?int $after): Impression
    {
        return DB::transaction(function () use ($job, $said, $after): Impression {
            $this->pin($job);
            $links = $job->impressions()->get();
            $place = $links->search(static fn (Impression $link): bool => $link->id === $after);
            $position = $place === false ? $links->count() : $place + 1;
            $job->impressions()->where('position', '>=', $position)->increment('position');
            $made = $job->impressions()->create([...self::shaped($said, $job), 'position' => $position]);
            $this->check($job);
            $this->pin($job);

            return $made->refresh();
        });
    }

    /**
     * @param  array<string, mixed>  $said
     * @param  int  $edition  of the link on the screen it is changed from
     * @param  bool  $sure  another base goes on what lies there already, and that is meant
     *
     * @throws BadInput
     * @throws Outdated
     */
    public function change(Impression $impression, array $said, int $edition, bool $sure = false): void
    {
        DB::transaction(function () use ($impression, $said, $edition, $sure): void {
            $shown = Impression::asShown($impression->id, $edition);
            $job = $shown->job()->firstOrFail();
            $sure || $this->asksAboutWhatLies($shown, is_string($said['material'] ?? null) ? $said['material'] : null);
            $shown->update(self::shaped($said, $job));
            $this->check($job);
        });
    }

    /**
     * What comes next would be of another base than what lies: that is judged, and asked about.
     *
     * @throws BadInput
     */
    private function asksAboutWhatLies(Impression $link, ?string $material): void
    {
        $lies = Pour::query()
            ->where('impression_id', $link->id)
            ->where('state', PourState::Laid)
            ->whereHas('build', static fn ($build) => $build->whereNull('ended_at'))
            ->orderByDesc('id')
            ->first();
        $shelf = $this->library->shelf()->bases;
        [$was, $now] = [$shelf[$lies->base_code ?? ''] ?? null, $shelf[$material ?? ''] ?? null];
        if ($lies === null || $was === null || $now === null || $was === $now || $lies->base_code !== $link->material) {
            return;
        }
        $knowledge = $this->book->knowledge();
        $result = $this->book->judge(
            $this->book->asked(
                [
                    'fresh' => ['family' => $now->family, 'skin_safe' => $now->isForSkin()],
                    'surface' => ['id' => $knowledge->family($was->family)->curesTo], 'intent' => 'bond',
                ],
                $now->code,
            ),
        );

        throw BadInput::at('sure', Phrase::of('bench.other_base_on_what_lies', [
            'link' => $link->name, 'was' => $was->name, 'now' => $now->name, 'short' => $result->inShort,
            'why' => $result->because[0]['text'],
        ]));
    }

    /**
     * @return Impression as it stands now
     *
     * @throws BadInput
     * @throws Outdated
     */
    public function move(Impression $impression, int $by, int $edition): Impression
    {
        return DB::transaction(function () use ($impression, $by, $edition): Impression {
            $job = Impression::asShown($impression->id, $edition)->job()->firstOrFail();
            $this->pin($job);
            $links = array_values($job->impressions()->get()->all());
            $at = (int) array_search($impression->id, array_map(static fn (Impression $link): int => $link->id, $links), true);
            $to = max(0, min(count($links) - 1, $at + $by));
            $taken = array_splice($links, $at, 1);
            array_splice($links, $to, 0, $taken);
            foreach ($links as $position => $link) {
                $link->update(['position' => $position]);
            }
            $this->check($job);

            return $taken[0];
        });
    }

    /** Writes down from which link each takes its shape, so that none loses it when others come, go or move. */
    private function pin(Job $job): void
    {
        $chain = $this->contacts->chain($job->load('impressions'));
        foreach ($job->impressions as $link) {
            $one = $link->from_id === null ? $chain->link($link->id) : null;
            $from = $one === null ? null : $chain->source($one)?->id;
            // As the maker sees it, nothing changes: it is no edition of its own.
            $from === null || Rows::of('impressions')->where('id', $link->id)->update(['from_id' => $from]);
        }
    }

    /**
     * @throws BadInput when it was poured, or others take their shape from it
     * @throws Outdated
     */
    public function remove(Impression $impression, int $edition): void
    {
        DB::transaction(fn () => $this->takeOut(Impression::asShown($impression->id, $edition)));
    }

    private function takeOut(Impression $impression): void
    {
        if ($impression->pours()->whereNot('state', PourState::Draft)->exists()) {
            throw BadInput::at('impression', Phrase::of('bench.poured_link_stays', ['name' => $impression->name]));
        }
        $job = $impression->job()->firstOrFail();
        $resting = Impression::query()->where('from_id', $impression->id)->get();
        // Who would take it by itself takes the next by itself; who was told to is asked about.
        $chain = $this->contacts->chain($job->load('impressions'));
        $told = $resting->filter(
            static fn (Impression $link): bool => ($one = $chain->link($link->id)) !== null
                && $chain->source($one->unpinned())?->id !== $impression->id,
        );
        if ($told->isNotEmpty()) {
            throw BadInput::at('impression', Phrase::of('bench.others_take_shape_from_it', [
                'name' => $told->pluck('name')->implode('”, “'), 'name2' => $impression->name,
            ]));
        }
        Rows::of('impressions')->where('from_id', $impression->id)->update(['from_id' => null]);
        $impression->delete();
        $this->pin($job);
    }

    /**
     * @param  array<string, mixed>  $said
     * @return array<string, mixed> with the link whose shape it takes as one of this job, or none
     *
     * @throws BadInput
     */
    private static function shaped(array $said, Job $job): array
    {
        $from = $said['from_id'] ?? null;
        if ($from === null || $from === '') {
            return array_key_exists('from_id', $said) ? [...$said, 'from_id' => null] : $said;
        }
        if (! is_numeric($from) || ! $job->impressions()->whereKey((int) $from)->exists()) {
            throw BadInput::at('from_id', Phrase::of('bench.shape_from_this_job_only'));
        }

        return [...$said, 'from_id' => (int) $from];
    }

    private function check(Job $job): void
    {
        try {
            $this->contacts->chain($job->load('impressions'));
        } catch (BadInput $wrong) {
            throw BadInput::at('from_id', $wrong->says);
        }
    }
}
