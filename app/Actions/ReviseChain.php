<?php

declare(strict_types=1);

namespace App\Actions;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use App\Models\Impression;
use App\Models\Job;
use App\Models\Outdated;
use App\Models\PourState;
use App\Workshop\JobContacts;
use Illuminate\Support\Facades\DB;

/** Puts links into a chain, changes, moves and takes them out, and lets nothing through that would make no chain. */
final readonly class ReviseChain
{
    public function __construct(private JobContacts $contacts) {}

    /**
     * @param  array<string, mixed>  $said
     * @param  int|null  $after  the link it comes after; at the end where there is none
     *
     * @throws BadInput
     */
    public function insert(Job $job, array $said, ?int $after): Impression
    {
        return DB::transaction(function () use ($job, $said, $after): Impression {
            $links = $job->impressions()->get();
            $place = $links->search(static fn (Impression $link): bool => $link->id === $after);
            $position = $place === false ? $links->count() : $place + 1;
            $job->impressions()->where('position', '>=', $position)->increment('position');
            $made = $job->impressions()->create([...self::shaped($said, $job), 'position' => $position]);
            $this->check($job);

            return $made;
        });
    }

    /**
     * @param  array<string, mixed>  $said
     * @param  int  $edition  of the link on the screen it is changed from
     *
     * @throws BadInput
     * @throws Outdated
     */
    public function change(Impression $impression, array $said, int $edition): void
    {
        DB::transaction(function () use ($impression, $said, $edition): void {
            $shown = Impression::asShown($impression->id, $edition);
            $job = $shown->job()->firstOrFail();
            $shown->update(self::shaped($said, $job));
            $this->check($job);
        });
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
            throw BadInput::at('impression', Phrase::written("“{$impression->name}” has been poured; what happened stays in the log. Only a link that was never poured can be taken out."));
        }
        $resting = Impression::query()->where('from_id', $impression->id)->pluck('name');
        if ($resting->isNotEmpty()) {
            throw BadInput::at('impression', Phrase::written("“{$resting->implode('”, “')}” takes its shape from “{$impression->name}”. Give it another source first, or take it out before."));
        }
        $impression->delete();
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
            throw BadInput::at('from_id', Phrase::written('It can only take its shape from another link of this job. Choose one of those.'));
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
