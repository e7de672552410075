<?php

declare(strict_types=1);

namespace App\Log;

use App\Lists\Rows;
use App\Models\ImpressionKind;
use App\Models\PourState;

/** What a job has come to so far: pours, pieces, rejects of all its casts. */
final readonly class Tally
{
    /** @return array{pours: int, pieces: int, rejects: int} */
    public static function of(int $job): array
    {
        $links = Rows::of('impressions')->where('job_id', $job)->where('kind', ImpressionKind::Cast->value)->pluck('id')->all();
        $row = Rows::of('castings')->whereIn(
            'pour_id', Rows::of('pours')->whereIn('impression_id', $links)->where('state', PourState::Graded->value)->select('id'),
        )
            ->selectRaw(
                "count(distinct pour_id) as pours, count(*) as pieces, sum(case when outcome = 'reject' then 1 else 0 end) as rejects",
            )->first();

        return ['pours' => (int) ($row->pours ?? 0), 'pieces' => (int) ($row->pieces ?? 0), 'rejects' => (int) ($row->rejects ?? 0)];
    }
}
