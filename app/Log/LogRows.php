<?php

declare(strict_types=1);

namespace App\Log;

use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * What the log shows of pours that were found. Found first, read then: what is looked through stands in a narrow index, what is shown
 * in wide rows.
 */
final readonly class LogRows
{
    private const READ = [
        'pours.id', 'pours.base_code', 'pours.state', 'pours.graded_at', 'pours.weighed_g', 'pours.used_g', 'pours.pieces', 'pours.good',
        'pours.grade', 'pours.faults', 'pours.note', 'pours.cause', 'pours.graded_by', 'impressions.name as impression', 'impressions.kind',
        'impressions.job_id', 'jobs.name as job', 'formula_versions.id as version_id', 'formula_versions.number',
        'formulas.id as formula_id', 'formulas.name as formula',
    ];

    /**
     * @param  list<int>  $ids  of this workshop
     * @return list<stdClass> in their order
     */
    public static function of(array $ids): array
    {
        // They were found in this workshop; asked for it again, SQLite would look through all of its pours.
        $rows = DB::table('pours')
            ->join('impressions', 'impressions.id', '=', 'pours.impression_id')
            ->join('jobs', 'jobs.id', '=', 'impressions.job_id')
            ->leftJoin('formula_versions', 'formula_versions.id', '=', 'pours.formula_version_id')
            ->leftJoin('formulas', 'formulas.id', '=', 'formula_versions.formula_id')
            ->whereIn('pours.id', $ids)
            ->get(self::READ)
            ->keyBy('id');

        return array_values(array_filter(array_map(static fn (int $id): ?stdClass => $rows->get($id), $ids)));
    }
}
