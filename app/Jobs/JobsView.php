<?php

declare(strict_types=1);

namespace App\Jobs;

use Apalos\Core\Phrase\Phrase;
use App\Contacts\JobContacts;
use App\Contacts\JudgedContact;
use App\Library\Library;
use App\Lists\Slice;
use App\Looks\Look;
use App\Models\Impression;
use App\Models\ImpressionKind;
use App\Models\Job;
use App\Types\View;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection;

/**
 * A page of the jobs, each with its chain in small.
 *
 * @phpstan-type JobInSmall array{
 *     id: int, name: string, purpose: string, quantity: int, due_on: string|null, cast: int,
 *     chain: list<array{positive: bool, name: string, colour: string, status: Phrase|string, stopped: bool}>
 * }
 */
final readonly class JobsView implements View
{
    /** What may be poured waits for hours, and is told to the half minute. */
    private const HOLDS_S = 30;

    /** @param  Collection<int, Job>  $jobs */
    public function __construct(
        private Collection $jobs,
        private Slice $slice,
        private int $total,
        private string $q,
        private Library $library,
        private JobContacts $contacts,
        private Look $look,
        private CarbonImmutable $now,
        private bool $away = false,
        private int $putAway = 0,
    ) {}

    /**
     * @return array{jobs: list<JobInSmall>, pages: array{page: int, pages: int, total: int}, q: string, away: bool, put_away: int}
     */
    public function toArray(): array
    {
        $ids = $this->jobs->modelKeys();

        return [
            'jobs' => $this->look->of('jobs:'.implode(',', $ids), $this->look->changes(), $this->now, self::HOLDS_S, $this->jobs(...)),
            'pages' => $this->slice->toArray($this->total), 'q' => $this->q, 'away' => $this->away, 'put_away' => $this->putAway,
        ];
    }

    /** @return list<JobInSmall> */
    private function jobs(): array
    {
        $this->jobs->load('impressions');
        $links = $this->jobs->flatMap(static fn (Job $job): array => $job->impressions->all());
        $sofar = PouredSoFar::of($links->map(static fn (Impression $link): int => $link->id));
        $this->contacts->look($links->map(static fn (Impression $link): int => $link->id)->all());

        return array_values($this->jobs->map(fn (Job $job): array => [
            'id' => $job->id, 'name' => $job->name, 'purpose' => $job->purpose ?? '', 'quantity' => $job->quantity,
            'due_on' => $job->due_on?->toDateString(),
            'cast' => (int) $job->impressions->where('kind', ImpressionKind::Cast)->sum(
                static fn (Impression $link): int => $sofar->pieces($link->id),
            ),
            'chain' => $this->chain($job, $sofar),
        ])->all());
    }

    /** @return list<array{positive: bool, name: string, colour: string, status: Phrase|string, stopped: bool}> */
    private function chain(Job $job, PouredSoFar $sofar): array
    {
        $chain = $this->contacts->chain($job);

        return array_values($job->impressions->map(fn (Impression $link): array => [
            'positive' => $link->kind->isPositive(), 'name' => $link->name,
            'colour' => $this->library->shelf()->bases[$link->material ?? '']->colour ?? JobView::BARE,
            'status' => $sofar->status($link->id, $link->kind),
            'stopped' => in_array(
                true,
                array_map(
                    static fn (JudgedContact $contact): bool => $contact->blocks,
                    $this->contacts->of($link, $chain, $chain->link($link->id)),
                ),
                true,
            ),
        ])->all());
    }
}
