<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Lists\Like;
use App\Models\Job;
use Illuminate\Database\Eloquent\Builder;

/** Jobs by a word of their name, those at the bench or those put away; and the few that a list offers. */
final readonly class JobQuery
{
    /** @return Builder<Job> the last touched first */
    public function __invoke(string $q = '', bool $away = false): Builder
    {
        return ($away ? Job::onlyTrashed() : Job::query())
            ->when($q !== '', static fn (Builder $jobs) => $jobs->where(Like::of('name', $q)))
            ->orderByDesc('updated_at')
            ->orderByDesc('id');
    }

    public function putAway(): int
    {
        return Job::onlyTrashed()->count();
    }

    /** @return list<array{id: int, name: string}> the last touched first */
    public function offered(int $most, ?int $but = null): array
    {
        return array_values(
            $this()
                ->when($but !== null, static fn (Builder $jobs) => $jobs->whereKeyNot($but))
                ->limit($most)
                ->get(['id', 'name', 'workshop_id'])
                ->map(static fn (Job $job): array => ['id' => $job->id, 'name' => $job->name])
                ->all(),
        );
    }
}
