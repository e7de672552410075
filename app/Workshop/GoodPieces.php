<?php

declare(strict_types=1);

namespace App\Workshop;

use Apalos\Core\Run\Outcome;
use Illuminate\Database\Query\Builder;

/** Good pieces, everywhere: those that came out of a pour and are no reject, one by one. */
final readonly class GoodPieces
{
    /**
     * @param  list<int>  $links
     * @return array<int, int> how many came of each link
     */
    public static function of(array $links): array
    {
        return $links === [] ? [] : array_map(intval(...), Rows::of('castings')->join('pours', 'pours.id', '=', 'castings.pour_id')->whereIn('pours.impression_id', $links)->where('castings.outcome', '!=', Outcome::Reject->value)
            ->groupBy('pours.impression_id')->selectRaw('pours.impression_id, count(*) as n')->pluck('n', 'impression_id')->all());
    }

    /** Beside each row of `pours`. */
    public static function countedBeside(): Builder
    {
        return Rows::of('castings')->whereColumn('castings.pour_id', 'pours.id')->where('outcome', '!=', Outcome::Reject->value)->selectRaw('count(*)');
    }

    /**
     * @param  list<int>  $pours
     * @return array<int, int> how many came of each pour
     */
    public static function ofPours(array $pours): array
    {
        return $pours === [] ? [] : array_map(intval(...), Rows::of('castings')->whereIn('pour_id', $pours)->where('outcome', '!=', Outcome::Reject->value)->groupBy('pour_id')->selectRaw('pour_id, count(*) as n')->pluck('n', 'pour_id')->all());
    }
}
