<?php

declare(strict_types=1);

namespace App\Jobs;

use Apalos\Core\Phrase\Phrase;
use App\Models\Build;
use App\Models\Job;
use App\Models\Mould;
use App\Models\Pour;
use App\Models\PourState;
use Illuminate\Support\Facades\DB;

/** What is under way, planned, or in use of a job. */
final readonly class LivesIn
{
    /**
     * What goes from bench and strip with it where it is put away; null where nothing does.
     *
     * @param  array<array-key, int>  $links
     */
    public static function job(Job $job, array $links): ?Phrase
    {
        $builds = Build::query()->whereIn('impression_id', $links)->where('plain', false)->whereNull('ended_at');
        $pours = Pour::query()->plain()->whereIn('impression_id', $links);
        $counts = [
            [(clone $builds)->whereNotNull('begun_at'), 'bench.build_begun', 'bench.builds_have_begun'],
            [(clone $builds)->whereNull('begun_at'), 'bench.build_planned', 'bench.builds_planned'],
            [
                (clone $pours)->whereIn('state', [PourState::Running, PourState::Waiting, PourState::Opened]), 'bench.pour_under_way',
                'bench.pours_under_way',
            ],
            [(clone $pours)->where('state', PourState::Draft), 'bench.pour_sheet', 'bench.pour_sheets'],
            [
                Mould::query()->where('job_id', $job->id)->whereNull('retired_at'), 'bench.mould_use_rack',
                'bench.moulds_use_rack',
            ],
        ];
        // All of it in one question.
        $asked = DB::query();
        foreach ($counts as $i => [$query]) {
            $asked->selectSub($query->reorder()->selectRaw('count(*)')->toBase(), "n{$i}");
        }
        $found = (array) $asked->first();
        [$says, $all] = [[], 0];
        foreach ($counts as $i => [, $one, $many]) {
            $n = (int) ($found["n{$i}"] ?? 0);
            $all += $n;
            $n === 0 || $says[] = $n === 1 ? Phrase::of($one) : Phrase::of($many, ['n' => $n]);
        }

        return $says === [] ? null : Phrase::of('bench.lives_in_job', ['job' => $job->name, 'n' => $all, 'all' => $says]);
    }
}
