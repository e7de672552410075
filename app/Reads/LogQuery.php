<?php

declare(strict_types=1);

namespace App\Reads;

use App\Models\Impression;
use App\Models\Job;
use App\Models\Pour;
use App\Models\PourState;
use Illuminate\Database\Eloquent\Builder;

/** Graded pours, newest first, narrowed by words, grade, fault or base. */
final class LogQuery
{
    /**
     * @param  array{q: string, grade: string, fault: string, base: string}  $filter
     * @return Builder<Pour>
     */
    public function __invoke(array $filter): Builder
    {
        $query = Pour::query()->where('state', PourState::Graded)->orderByDesc('graded_at')->orderByDesc('id');
        if ($filter['q'] !== '') {
            $links = Impression::withTrashed()->where(Like::of('name', $filter['q']))->orWhereIn('job_id', Job::withTrashed()->where(Like::of('name', $filter['q']))->select('id'))->select('id');
            $query->where(static fn (Builder $either) => $either->where(static fn (Builder $note) => $note->whereNotNull('note')->where(Like::of('note', $filter['q'])))->orWhereIn('impression_id', $links));
        }
        if ($filter['grade'] !== '') {
            $query->where('grade', $filter['grade']);
        }
        if ($filter['fault'] !== '') {
            $query->whereJsonContains('faults', $filter['fault']);
        }
        if ($filter['base'] !== '') {
            $query->where('base_code', $filter['base']);
        }

        return $query;
    }
}
