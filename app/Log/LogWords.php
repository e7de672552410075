<?php

declare(strict_types=1);

namespace App\Log;

use Apalos\Core\Run\Grade;
use App\Library\Library;
use App\Lists\Letters;
use App\Models\Impression;
use App\Models\Job;
use App\Models\Pour;
use App\Models\PourState;
use App\Models\Workshop;
use App\People\Names;
use Closure;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;

/**
 * What somebody looks for in the log, word by word as it is said: a grade, a fault, what was found behind it, a base, that a gel was
 * watched, who graded it; else a part of a note, of a job or of a link.
 *
 * Where a word means few pours they are found by an index of their own; where it means many, the newest of them are soon read. So the log
 * of ten years is looked through as fast as that of one.
 */
final readonly class LogWords
{
    /** A sentence this long is a note that was pasted. */
    private const MOST = 8;

    private const FEW = 2000;

    private const GELS = ['gel', 'gels', 'gelled'];

    public function __construct(private Workshop $workshop, private Library $library, private Names $names) {}

    /** @param  Builder<Pour>  $query */
    public function narrow(Builder $query, string $said): void
    {
        $words = array_map(mb_strtolower(...), preg_split('/\s+/u', trim($said), self::MOST, PREG_SPLIT_NO_EMPTY) ?: []);
        // What is said at length is rare more often than what is said in short.
        usort($words, static fn (string $one, string $other): int => mb_strlen($other) <=> mb_strlen($one));
        $left = null;
        foreach ($words as $word) {
            ['few' => $few, 'many' => $many] = $left === null ? $this->means($word) : ['few' => [], 'many' => $this->read($word, $left)];
            $left ??= $many === [] ? $few : null;
            $query->where(static function (Builder $either) use ($few, $many): void {
                array_map($either->orWhere(...), $many);
                $few === [] && $many !== [] || $either->orWhereIntegerInRaw('id', $few);
            });
        }
        // It would walk through the whole log in the order of its days rather than look a few pours up.
        $left !== null && DB::getDriverName() === 'sqlite' && $query->from(DB::raw('pours not indexed'));
    }

    /**
     * @return array{few: list<int>, many: list<Closure(Builder<Pour>): mixed>} the pours a word means; in what ways it means too many to be
     *   listed
     */
    private function means(string $word): array
    {
        $few = Letters::know($word) ? Letters::ids('pours', $word, $this->workshop->id, self::FEW + 1) : [];
        $many = [];
        if (! Letters::know($word) || count($few) > self::FEW) {
            [$few, $many] = [[], [Letters::read('pours', $word)]];
        }
        foreach ([$this->links($word), ...$this->ways($word)] as ['is' => $is, 'by' => $by]) {
            $ids = Pour::query()
                ->where($is)
                ->when($by !== null, static fn (Builder $pours) => $pours->orderBy((string) $by))
                ->limit(self::FEW + 1)
                ->pluck('id')
                ->all();
            count($ids) > self::FEW ? $many[] = $is : $few = [...$few, ...$ids];
        }

        return ['few' => array_map(intval(...), array_values($few)), 'many' => $many];
    }

    /**
     * Where few are left, each of them is read.
     *
     * @param  list<int>  $left
     * @return list<Closure(Builder<Pour>): mixed>
     */
    private function read(string $word, array $left): array
    {
        $links = Impression::withTrashed()->whereIn('id', Pour::query()->whereIntegerInRaw('id', $left)->select('impression_id'))
            ->where(
                static fn (Builder $called) => $called->where(Letters::read('impressions', $word))->orWhereIn(
                    'job_id', Job::withTrashed()->where(Letters::read('jobs', $word))->select('id'),
                ),
            )->pluck('id')->all();

        return [
            Letters::read('pours', $word), static fn (Builder $pours) => $pours->whereIntegerInRaw('impression_id', $links),
            ...array_column($this->ways($word), 'is'),
        ];
    }

    /** @return array{is: Closure(Builder<Pour>): mixed, by: string} whose link or job is called so, put away as well */
    private function links(string $word): array
    {
        [$links, $called] = Letters::asked('impressions', $word, $this->workshop->id);
        [$jobs, $named] = Letters::asked('jobs', $word, $this->workshop->id);

        return [
            'is' => static fn (Builder $pours) => $pours->whereRaw(
                "impression_id in ({$links} union all select id from impressions where job_id in ({$jobs}))", [...$called, ...$named],
            ),
            'by' => 'impression_id',
        ];
    }

    /**
     * @return list<array{is: Closure(Builder<Pour>): mixed, by: string|null}> what else a word may mean, and the column in whose order an
     *   index has those
     */
    private function ways(string $word): array
    {
        $ways = [];
        $grade = Grade::tryFrom($word);
        $grade === null
            || $ways[] = [
                'is' => static fn (Builder $pours) => $pours->where('state', PourState::Graded)->where('grade', $grade),
                'by' => 'graded_at',
            ];
        in_array($word, ['given', 'up'], true)
            && $ways[] = ['is' => static fn (Builder $pours) => $pours->where('state', PourState::GivenUp), 'by' => 'updated_at'];
        $word === LogQuery::LAID
            && $ways[] = ['is' => static fn (Builder $pours) => $pours->where('state', PourState::Laid), 'by' => 'updated_at'];
        in_array($word, self::GELS, true)
            && $ways[] = ['is' => static fn (Builder $pours) => $pours->whereNotNull('gel_min'), 'by' => 'base_code'];
        $people = $this->names->called($word);
        $people === [] || $ways[] = ['is' => static fn (Builder $pours) => $pours->whereIn('graded_by', $people), 'by' => 'id'];
        $named = static fn (string $name): bool => str_contains(mb_strtolower($name), $word);
        $faults = array_keys(array_filter($this->library->faults(), static fn (array $fault): bool => $named($fault['name'])));
        $faults === [] || $ways[] = ['is' => LogQuery::hasAny($faults), 'by' => 'id'];
        $bases = array_keys(
            array_filter($this->library->shelf()->bases, static fn ($base): bool => $base->code === $word || $named($base->name)),
        );
        $bases === []
            || $ways[] = [
                'is' => static fn (Builder $pours) => $pours->whereIn('state', [
                    PourState::Graded, PourState::GivenUp, PourState::Laid,
                ])->whereIn('base_code', $bases),
                'by' => null,
            ];
        $causes = array_keys(array_filter($this->library->faultBook()->causes, static fn ($cause): bool => $named($cause->name)));
        $causes === [] || $ways[] = ['is' => static fn (Builder $pours) => $pours->whereIn('cause', $causes), 'by' => 'cause'];

        return $ways;
    }
}
