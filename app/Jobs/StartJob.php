<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\Job;
use App\Models\Workshop;
use Illuminate\Support\Facades\DB;

/**
 * A new job, with the chain it begins with.
 *
 * @phpstan-type NewJob array{
 *     name: string, purpose?: string|null, for_whom?: string|null, quantity: int, due_on?: string|null, skin?: bool,
 *     uses?: list<string>, chain?: list<array{kind: string, name: string, material?: string|null}>,
 * }
 */
final readonly class StartJob
{
    public function __construct(private Workshop $workshop) {}

    /** @param  NewJob  $said */
    public function __invoke(array $said): Job
    {
        return DB::transaction(function () use ($said): Job {
            $job = $this->workshop->jobs()->create([
                'name' => $said['name'], 'purpose' => $said['purpose'] ?? null, 'for_whom' => $said['for_whom'] ?? null,
                'quantity' => $said['quantity'], 'due_on' => ($said['due_on'] ?? null) ?: null, 'skin' => (bool) ($said['skin'] ?? false),
                'uses' => $said['uses'] ?? [],
            ]);
            foreach ($said['chain'] ?? [] as $position => $link) {
                $job->impressions()->create([...$link, 'position' => $position]);
            }

            return $job;
        });
    }
}
