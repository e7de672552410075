<?php

declare(strict_types=1);

namespace App\Log;

use Apalos\Core\Run\Outcome;
use App\Lists\Rows;
use Illuminate\Support\Facades\DB;

/**
 * Good pieces, everywhere: those that came out of a pour and are no reject, one by one. They are counted where castings are written, into
 * the row of their pour: a job that was cast ten thousand times is read as fast as a new one.
 */
final readonly class GoodPieces
{
    /**
     * @param  list<int>  $links
     * @return array<int, int> how many came of each link
     */
    public static function of(array $links): array
    {
        return $links === []
            ? []
            : array_map(
                intval(...),
                Rows::of('pours')
                    ->whereIn('impression_id', $links)
                    ->groupBy('impression_id')
                    ->selectRaw('impression_id, sum(good) as n')
                    ->pluck('n', 'impression_id')
                    ->all(),
            );
    }

    /** Of one pour whose castings were written, or of all. */
    public static function countAgain(?int $pour = null): void
    {
        DB::update(
            'update pours set good = (select count(*) from castings where castings.pour_id = pours.id and castings.outcome != ?)'.($pour === null ? '' : ' where id = ?'),
            [Outcome::Reject->value, ...($pour === null ? [] : [$pour])],
        );
    }
}
