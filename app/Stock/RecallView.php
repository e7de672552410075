<?php

declare(strict_types=1);

namespace App\Stock;

use App\Library\Library;
use App\Lists\Rows;
use App\Models\Lot;
use App\Models\Mould;
use App\Types\View;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/**
 * What a bad kit went into, line by line: every pour with why it is on the list, its pieces, and who has them.
 *
 * @phpstan-type RecalledPour array{
 *     pour_id: int, at_ms: int|null, job: string, link: string, kind: string, for_whom: string, state: string, grade: string|null,
 *     by: string, of: string, href: string, good: int, usable: int, reject: int,
 * }
 */
final readonly class RecallView implements View
{
    /** Of more, the page says how many there are; the list is whole as CSV. */
    private const SHOWN = 400;

    private const AT_ONCE = 500;

    public function __construct(private Lot $lot, private Library $library) {}

    /**
     * @return array{
     *     lot_id: int, label: string, name: string, recalled_ms: int|null, why: string, pours: list<RecalledPour>, total: int, pieces: int,
     *     moulds: list<array{id: int, code: string, name: string, job: string, casts: int, retired: bool, place: string}>,
     *     scrap: list<array{id: int, label: string, left_g: float}>, whom: list<array{name: string, pieces: int}>
     * }
     */
    public function toArray(): array
    {
        $recall = Recall::of($this->lot);
        $pours = $this->pours($recall);
        $shelf = $this->library->shelf();
        $whom = [];
        foreach ($pours as $pour) {
            $whom[$pour['for_whom']] = ($whom[$pour['for_whom']] ?? 0) + $pour['good'] + $pour['usable'];
        }
        arsort($whom);

        return [
            'lot_id' => $this->lot->id, 'label' => $this->lot->label(),
            'name' => $shelf->bases[$this->lot->code]->name ?? $shelf->additives[$this->lot->code]->name ?? $this->lot->code,
            'recalled_ms' => $this->lot->recalled_at === null ? null : (int) $this->lot->recalled_at->getTimestampMs(),
            'why' => $this->lot->recalled_why ?? '',
            'pours' => array_slice($pours, 0, self::SHOWN), 'total' => count($pours), 'pieces' => array_sum($whom),
            'moulds' => $this->moulds($recall),
            'scrap' => array_map(
                static fn (\stdClass $row): array => [
                    'id' => (int) $row->id, 'label' => Lot::numbered((int) $row->id), 'left_g' => (float) $row->left_g,
                ],
                array_slice(
                    self::each(
                        array_keys($recall->scrap()),
                        static fn (array $some): array => Rows::of('lots')
                            ->join('lot_parts', 'lot_parts.lot_id', '=', 'lots.id')
                            ->whereIn('lots.id', $some)
                            ->groupBy('lots.id')
                            ->selectRaw('lots.id, sum(lot_parts.left_g) as left_g')
                            ->get()
                            ->all(),
                    ),
                    0, self::SHOWN,
                ),
            ),
            'whom' => array_map(
                static fn (string|int $name, int $pieces): array => ['name' => (string) $name, 'pieces' => $pieces],
                array_keys(array_filter($whom)), array_values(array_filter($whom)),
            ),
        ];
    }

    /** @return list<RecalledPour> the newest first */
    public function pours(?Recall $recall = null): array
    {
        $recall ??= Recall::of($this->lot);
        $by = $recall->pours();
        $rows = self::each(array_keys($by), static fn (array $some): array => DB::table('pours')->join(
            'impressions', 'impressions.id', '=', 'pours.impression_id',
        )->join('jobs', 'jobs.id', '=', 'impressions.job_id')->whereIn('pours.id', $some)
            ->get([
                'pours.id', 'pours.state', 'pours.grade', 'pours.met_at', 'pours.started_at', 'impressions.name as link',
                'impressions.kind', 'jobs.name as job', 'jobs.for_whom',
            ])->all());
        $pieces = [];
        foreach (self::each(
            array_keys($by),
            static fn (array $some): array => Rows::of('castings')
                ->whereIn('pour_id', $some)
                ->groupBy('pour_id', 'outcome')
                ->selectRaw('pour_id, outcome, count(*) as n')
                ->get()
                ->all(),
        ) as $row) {
            $pieces[(int) $row->pour_id][(string) $row->outcome] = (int) $row->n;
        }
        usort($rows, static fn (\stdClass $one, \stdClass $other): int => (int) $other->id <=> (int) $one->id);

        return array_map(static function (\stdClass $row) use ($by, $pieces): array {
            $way = $by[(int) $row->id];
            $at = $row->met_at ?? $row->started_at;
            $of = $pieces[(int) $row->id] ?? [];

            return [
                'pour_id' => (int) $row->id,
                'at_ms' => $at === null ? null : (int) CarbonImmutable::parse((string) $at, 'UTC')->getTimestampMs(),
                'job' => (string) $row->job, 'link' => (string) $row->link, 'kind' => (string) $row->kind,
                'for_whom' => (string) ($row->for_whom ?? ''), 'state' => (string) $row->state,
                'grade' => $row->grade === null ? null : (string) $row->grade,
                'by' => $way['by'], 'of' => match ($way['by']) {
                    'lot' => Lot::numbered($way['of']),
                    'mould' => Mould::numbered($way['of']),
                    default => '',
                }, 'href' => "/pours/{$row->id}/run",
                'good' => $of['good'] ?? 0, 'usable' => $of['usable'] ?? 0, 'reject' => $of['reject'] ?? 0,
            ];
        }, $rows);
    }

    /** @return list<array{id: int, code: string, name: string, job: string, casts: int, retired: bool, place: string}> */
    private function moulds(Recall $recall): array
    {
        $moulds = self::each(
            array_keys($recall->moulds()),
            static fn (array $some): array => Mould::query()->with('job')->whereKey($some)->orderBy('id')->get()->all(),
        );

        return array_map(
            static fn (Mould $mould): array => [
                'id' => $mould->id, 'code' => $mould->code(), 'name' => $mould->name, 'job' => $mould->job->name ?? '',
                'casts' => $mould->casts, 'retired' => $mould->retired_at !== null, 'place' => $mould->place ?? '',
            ],
            $moulds,
        );
    }

    /**
     * @template T
     *
     * @param  list<int>  $ids
     * @param  callable(list<int>): array<array-key, T>  $ask
     * @return list<T>
     */
    private static function each(array $ids, callable $ask): array
    {
        return array_merge([], ...array_map(static fn (array $some): array => array_values($ask($some)), array_chunk($ids, self::AT_ONCE)));
    }
}
