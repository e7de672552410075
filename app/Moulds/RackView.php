<?php

declare(strict_types=1);

namespace App\Moulds;

use App\Library\Library;
use App\Lists\Slice;
use App\Models\Mould;
use App\Models\Workshop;
use App\Types\View;
use Illuminate\Database\Eloquent\Collection;

/** The rack: the moulds of the shop, that which is to be re-made first standing first. */
final readonly class RackView implements View
{
    /**
     * @param  Collection<int, Mould>  $moulds
     * @param  array{q: string, show: string}  $filter
     * @param  int  $homeless  castings of late that are in no mould the rack knows
     */
    public function __construct(
        private Collection $moulds,
        private Library $library,
        private Lives $lives,
        private Rack $rack,
        private Workshop $workshop,
        private array $filter,
        private Slice $slice,
        private int $total,
        private int $homeless,
    ) {}

    /**
     * @return array{
     *     rows: list<array{
     *         id: int, code: string, name: string, job: string|null, job_id: int|null, material: string|null, colour: string|null,
     *         casting: string|null, casts: int,
     *         left: array{low: int, likely: int, high: int}|null, condition: string|null, marks: list<string>, place: string|null,
     *         photo: bool, cast_ms: int|null,
     *         filled: array{pour: int, job: string, link: string}|null, retired_ms: int|null, retired_why: string|null
     *     }>,
     *     most: int, homeless: int, release_school: string, bases: array<string, string>, surfaces: array<string, string>,
     *     filter: array{q: string, show: string}, pages: array{page: int, pages: int, total: int}
     * }
     */
    public function toArray(): array
    {
        $shelf = $this->library->shelf();
        $lives = $this->lives->of($this->moulds->whereNull('retired_at')->all());
        $filled = $this->rack->filledWith($this->moulds->modelKeys());
        $rows = array_values($this->moulds->map(function (Mould $mould) use ($shelf, $lives, $filled): array {
            $life = $lives[$mould->id] ?? null;
            $in = $filled[$mould->id] ?? null;

            return [
                'id' => $mould->id, 'code' => $mould->code(), 'name' => $mould->name, 'job' => $mould->job?->name,
                'job_id' => $mould->job_id,
                'material' => $shelf->bases[$mould->material ?? '']->name
                    ?? $this->library->knowledge()->surfaces[$mould->material ?? '']->name
                    ?? $mould->material,
                'colour' => $shelf->bases[$mould->material ?? '']->colour ?? null,
                'casting' => $shelf->bases[$mould->casting ?? '']->name ?? null, 'casts' => $mould->casts,
                'left' => $life === null ? null : ['low' => $life->low, 'likely' => $life->likely, 'high' => $life->high],
                'condition' => $mould->condition?->value, 'marks' => $mould->marks ?? [], 'place' => $mould->place,
                'photo' => $mould->photo !== null,
                'cast_ms' => $mould->cast_at === null ? null : (int) $mould->cast_at->getTimestampMs(),
                'filled' => $in === null ? null : ['pour' => $in['pour'], 'job' => $in['job'], 'link' => $in['link']],
                'retired_ms' => $mould->retired_at === null ? null : (int) $mould->retired_at->getTimestampMs(),
                'retired_why' => $mould->retired_why?->value,
            ];
        })->all());
        // What was reckoned last for the order may be a cast of another mould older than what stands here.
        usort(
            $rows,
            static fn (array $a, array $b): int => [
                $a['left']['likely'] ?? PHP_INT_MAX, $a['id'],
            ] <=> [$b['left']['likely'] ?? PHP_INT_MAX, $b['id']],
        );

        return [
            'rows' => $rows,
            'most' => max([1, ...array_map(static fn (array $row): int => $row['casts'] + ($row['left']['high'] ?? 0), $rows)]),
            'homeless' => $this->homeless,
            'release_school' => $this->workshop->release_school,
            'bases' => array_map(static fn ($base): string => $base->name, $this->library->atHand()->bases),
            'surfaces' => array_map(static fn ($surface): string => $surface->name, $this->library->knowledge()->surfaces),
            'filter' => $this->filter, 'pages' => $this->slice->toArray($this->total),
        ];
    }
}
