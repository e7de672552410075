<?php

declare(strict_types=1);

namespace App\Moulds;

use App\Lists\Like;
use App\Lists\Slice;
use App\Models\Mould;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\LazyCollection;

/** The moulds of the rack as one looks along it: those that go soonest first, or those that have gone. */
final readonly class RackShelf
{
    /** What of a mould goes out in a file, in this order. */
    public const COLUMNS = [
        'mould', 'name', 'job', 'rubber', 'casts_base', 'made_at', 'casts', 'likely_left', 'condition', 'marks', 'place', 'last_cast_at',
        'retired_at', 'retired_why', 'cost',
    ];

    /** Found by a word, so many at most. */
    private const FOUND = 5;

    public function __construct(private Lives $lives) {}

    /**
     * @param  string  $q  a name, a place, a job, or what stands on its label
     * @return array{moulds: Collection<int, Mould>, slice: Slice, total: int}
     */
    public function look(string $q, bool $retired, Slice $slice): array
    {
        $query = self::standing($q, $retired);
        // Words are looked for once, through every name there is: what is found is known by its number from then on.
        $found = $q === '' ? null : $query->pluck('id')->all();
        $total = $found === null ? (clone $query)->reorder()->count() : count($found);
        $slice = $slice->within($total);

        return ['slice' => $slice, 'total' => $total, 'moulds' => $found === null
            ? $query->with('job')->offset($slice->offset())->limit($slice->size)->get()
            : self::inOrder(array_slice($found, $slice->offset(), $slice->size))];
    }

    /** @return Collection<int, Mould> by a part of its name, or by what stands on its label; those in use first */
    public static function called(string $q): Collection
    {
        $labelled = Mould::ofLabel($q);

        return $labelled !== null
            ? Mould::query()->whereKey($labelled)->get()
            : Mould::query()
                ->where(Like::of('name', $q))
                ->orderByRaw('case when retired_at is null then 0 else 1 end')
                ->orderByDesc('id')
                ->limit(self::FOUND)
                ->get();
    }

    /** @return LazyCollection<int, covariant list<mixed>> every mould there ever was, by the columns, in metric units */
    public function rows(): LazyCollection
    {
        return Mould::query()->with('job')->orderBy('id')->lazyById(200)->chunk(100)->flatMap(function (LazyCollection $moulds): array {
            $moulds = $moulds->values()->all();
            $left = $this->lives->of(array_filter($moulds, static fn (Mould $mould): bool => $mould->retired_at === null));

            return array_map(static fn (Mould $mould): array => [
                $mould->code(), $mould->name, $mould->job?->name, $mould->material, $mould->casting, $mould->made_at, $mould->casts,
                ($left[$mould->id] ?? null)?->likely, $mould->condition?->value, implode(' ', $mould->marks ?? []), $mould->place,
                $mould->cast_at, $mould->retired_at, $mould->retired_why?->value, $mould->cost,
            ], $moulds);
        });
    }

    /** @return Builder<Mould> */
    private static function standing(string $q, bool $retired): Builder
    {
        $query = Mould::query()->when(
            $retired, static fn ($all) => $all->whereNotNull('retired_at')->orderByDesc('retired_at'),
            static fn ($all) => $all->whereNull('retired_at')->orderByRaw('coalesce(left_likely, 1000000)'),
        )->orderBy('id');

        return match (true) {
            Mould::ofLabel($q) !== null => $query->whereKey(Mould::ofLabel($q)),
            $q === '' => $query,
            default => $query->where(
                static fn ($any) => $any
                    ->where(Like::of('name', $q))
                    ->orWhere(Like::of('place', $q))
                    ->orWhereHas('job', static fn ($job) => $job->where(Like::of('name', $q))),
            ),
        };
    }

    /**
     * @param  array<int, mixed>  $ids
     * @return Collection<int, Mould>
     */
    private static function inOrder(array $ids): Collection
    {
        $place = array_flip(array_map(static fn (mixed $id): int => is_numeric($id) ? (int) $id : 0, $ids));

        return Mould::query()
            ->with('job')
            ->whereKey(array_keys($place))
            ->get()
            ->sortBy(static fn (Mould $mould): int => $place[$mould->id])
            ->values();
    }
}
