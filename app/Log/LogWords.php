<?php

declare(strict_types=1);

namespace App\Log;

use Apalos\Core\Run\Grade;
use App\Library\Library;
use App\Lists\Like;
use App\Models\Impression;
use App\Models\Job;
use App\Models\Pour;
use App\Models\PourState;
use Illuminate\Database\Eloquent\Builder;

/**
 * What somebody looks for in the log, word by word as it is said: a grade, a fault, what was found behind it, a base, that a gel was watched;
 * else a part of a note, of a job or of a link.
 */
final readonly class LogWords
{
    /** A sentence this long is a note that was pasted. */
    private const MOST = 8;

    private const GELS = ['gel', 'gels', 'gelled'];

    public function __construct(private Library $library) {}

    /** @param  Builder<Pour>  $query */
    public function narrow(Builder $query, string $said): void
    {
        $words = preg_split('/\s+/u', trim($said), self::MOST, PREG_SPLIT_NO_EMPTY) ?: [];
        foreach ($words as $word) {
            $query->where(function (Builder $either) use ($word): void {
                $this->any($either, mb_strtolower($word));
            });
        }
    }

    /** @param  Builder<Pour>  $either */
    private function any(Builder $either, string $word): void
    {
        $links = Impression::withTrashed()->where(Like::of('name', $word))->orWhereIn('job_id', Job::withTrashed()->where(Like::of('name', $word))->select('id'))->select('id');
        $either->where(static fn (Builder $note) => $note->whereNotNull('note')->where(Like::of('note', $word)))->orWhereIn('impression_id', $links);
        $grade = Grade::tryFrom($word);
        $grade === null || $either->orWhere('grade', $grade->value);
        in_array($word, ['given', 'up'], true) && $either->orWhere('state', PourState::GivenUp);
        $word === LogQuery::LAID && $either->orWhere('state', PourState::Laid);
        in_array($word, self::GELS, true) && $either->orWhereNotNull('gel_min');
        $named = static fn (string $name): bool => str_contains(mb_strtolower($name), $word);
        foreach ($this->library->faults() as $id => $fault) {
            $named($fault['name']) && $either->orWhereJsonContains('faults', $id);
        }
        $bases = array_keys(array_filter($this->library->shelf()->bases, static fn ($base): bool => $base->code === $word || $named($base->name)));
        $bases === [] || $either->orWhereIn('base_code', $bases);
        $causes = array_keys(array_filter($this->library->faultBook()->causes, static fn ($cause): bool => $named($cause->name)));
        $causes === [] || $either->orWhereIn('cause', $causes);
    }
}
