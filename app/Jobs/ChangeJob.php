<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\Job;
use App\Models\Outdated;
use Illuminate\Support\Facades\DB;

/** What is known of a job beside its chain: its name, for whom, how many, until when, what for. */
final readonly class ChangeJob
{
    private const KNOWN = ['name' => 0, 'purpose' => 0, 'for_whom' => 0, 'quantity' => 0, 'due_on' => 0, 'skin' => 0, 'uses' => 0];

    /**
     * @param  array<string, mixed>  $said  by column; an empty day is none
     *
     * @throws Outdated where somebody changed it since
     */
    public function __invoke(int $id, int $edition, array $said): Job
    {
        $said = array_intersect_key($said, self::KNOWN);

        return DB::transaction(static fn (): Job => tap(Job::asShown($id, $edition))->update([
            ...$said, 'due_on' => ($said['due_on'] ?? null) ?: null,
        ]));
    }
}
