<?php

declare(strict_types=1);

namespace App\Log;

use App\Lists\DateWords;
use App\Models\Pour;
use App\Models\PourState;
use App\Models\Workshop;
use Carbon\CarbonImmutable;
use Closure;
use Illuminate\Database\Eloquent\Builder;

/** Pours that have ended, graded or given up, newest first, narrowed by words and dates, grade, fault or base. */
final class LogQuery
{
    /** Asked for as if it were a grade. */
    public const GIVEN_UP = 'given up';

    /** A coat or a part of a build that goes on: it has an end, and its grams, but no grade of its own. */
    public const LAID = 'laid';

    public function __construct(private readonly Workshop $workshop, private readonly LogWords $words) {}

    /**
     * @param  array{q: string, grade: string, fault: string, base: string}  $filter
     * @return Builder<Pour>
     */
    public function __invoke(array $filter): Builder
    {
        $query = Pour::query()->whereNotNull('graded_at')->orderByDesc('graded_at')->orderByDesc('id');
        $said = DateWords::in($filter['q'], CarbonImmutable::now(), $this->workshop->zone());
        $query->when(
            $said->from !== null, static fn (Builder $from) => $from->where('graded_at', '>=', $said->from?->format('Y-m-d H:i:s.v')),
        );
        $query->when(
            $said->until !== null, static fn (Builder $until) => $until->where('graded_at', '<', $said->until?->format('Y-m-d H:i:s.v')),
        );
        if ($said->words !== '') {
            $this->words->narrow($query, $said->words);
        }
        if ($filter['grade'] !== '') {
            $filter['grade'] === self::GIVEN_UP ? $query->where('state', PourState::GivenUp) : $query->where('grade', $filter['grade']);
        }
        if ($filter['fault'] !== '') {
            $query->where(self::hasAny([$filter['fault']]));
        }
        if ($filter['base'] !== '') {
            $query->where('base_code', $filter['base']);
        }

        return $query;
    }

    /**
     * By the index of those that had any.
     *
     * @param  list<string>  $faults
     * @return Closure(Builder<Pour>): mixed
     */
    public static function hasAny(array $faults): Closure
    {
        return static fn (Builder $pours): Builder => $pours->whereRaw(
            "cast(faults as text) <> '[]'",
        )->where(static function (Builder $either) use ($faults): void {
            foreach ($faults as $fault) {
                $either->orWhereRaw("cast(faults as text) like ? escape '!'", [
                    '%"'.str_replace(['!', '%', '_'], ['!!', '!%', '!_'], $fault).'"%',
                ]);
            }
        });
    }
}
