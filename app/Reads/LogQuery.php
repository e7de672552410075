<?php

declare(strict_types=1);

namespace App\Reads;

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
        $query = Pour::query()->where('state', PourState::Graded)->with(['impression.job', 'formulaVersion.formula'])->orderByDesc('graded_at')->orderByDesc('id');
        if ($filter['q'] !== '') {
            $like = '%'.addcslashes(mb_strtolower($filter['q']), '%_\\').'%';
            $query->where(static fn (Builder $either) => $either
                ->whereRaw("lower(coalesce(note, '')) like ? escape '\\'", [$like])
                ->orWhereHas('impression', static fn (Builder $i) => $i->whereRaw("lower(name) like ? escape '\\'", [$like]))
                ->orWhereHas('impression.job', static fn (Builder $j) => $j->whereRaw("lower(name) like ? escape '\\'", [$like])));
        }
        if ($filter['grade'] !== '') {
            $query->where('grade', $filter['grade']);
        }
        if ($filter['fault'] !== '') {
            $query->whereJsonContains('faults', $filter['fault']);
        }
        if ($filter['base'] !== '') {
            $query->where('sheet->formula->base', $filter['base']);
        }

        return $query;
    }
}
