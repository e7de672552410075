<?php

declare(strict_types=1);

namespace App\Stock;

use App\Facts\Happened;
use App\Library\Library;
use App\Lists\Rows;
use App\Lists\Slice;
use App\Models\Workshop;
use App\People\Names;
use App\Types\View;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/**
 * One lot: what is left, where it went, and what was told of it.
 *
 * @phpstan-import-type LotLine from LotLineView
 */
final readonly class LotView implements View
{
    private const SHOWN = 50;

    public function __construct(
        private RecordedLot $recorded,
        private Library $library,
        private Workshop $workshop,
        private Slice $slice,
        private Names $names,
    ) {}

    /**
     * @return array{
     *     lot: LotLine, today: string, name: string, colour: string|null, part_names: array<string, string>, take_back: int|null,
     *     went: list<array{
     *         pour_id: int, at_ms: int, job: string, link: string, href: string, parts: array<string, float>, state: string,
     *         grade: string|null, pieces: list<array{outcome: string, mould: string|null, mould_id: int|null, n: int}>,
     *     }>,
     *     pages: array{page: int, pages: int, total: int},
     *     facts: list<array{id: int, kind: string, at_ms: int, payload: array<string, mixed>, by: string|null}>
     * }
     */
    public function toArray(): array
    {
        $lot = $this->recorded->lot;
        $today = CarbonImmutable::now($this->workshop->zone())->format('Y-m-d');
        $base = $this->library->shelf()->bases[$lot->code] ?? null;
        $additive = $this->library->shelf()->additives[$lot->code] ?? null;
        $draws = Rows::of('lot_draws')->where('lot_id', $lot->id);
        $total = (clone $draws)->distinct()->count('pour_id');
        $slice = $this->slice->within($total);
        // A line for each pour, whatever parts it took.
        $drawn = (clone $draws)
            ->groupBy('pour_id')
            ->selectRaw(
                "pour_id, max(at) as at, sum(case when part = 'A' then grams else 0 end) as a, sum(case when part = 'B' then grams else 0 end) as b",
            )
            ->orderByDesc('at')
            ->orderByDesc('pour_id')
            ->offset($slice->offset())
            ->limit($slice->size)
            ->get();
        $titles = DB::table('pours')
            ->join('impressions', 'impressions.id', '=', 'pours.impression_id')
            ->join('jobs', 'jobs.id', '=', 'impressions.job_id')
            ->whereIn('pours.id', $drawn->pluck('pour_id')->all())
            ->get(['pours.id', 'jobs.name as job', 'impressions.name as link', 'pours.state', 'pours.grade'])->keyBy('id');
        $rows = $drawn->filter(static fn (\stdClass $row): bool => $titles->has($row->pour_id))->map(
            static fn (\stdClass $row): \stdClass => (object) [...(array) $row, ...(array) $titles->get($row->pour_id)],
        );
        $pieces = Rows::of('castings')->leftJoin('moulds', 'moulds.id', '=', 'castings.mould_id')->whereIn(
            'castings.pour_id', $rows->pluck('pour_id')->unique()->all(),
        )
            ->groupBy('castings.pour_id', 'castings.outcome', 'castings.mould_id', 'moulds.name')->selectRaw(
                'castings.pour_id, castings.outcome, castings.mould_id, moulds.name as mould, count(*) as n',
            )->get();

        return [
            'lot' => (new LotLineView($lot, $today))->toArray(), 'today' => $today, 'name' => $base->name ?? $additive->name ?? $lot->code,
            'colour' => $base->colour ?? $additive->colour ?? null,
            'part_names' => $base === null
                ? ['A' => '']
                : array_filter(['A' => $base->partNames['a'], 'B' => $base->partNames['b'] ?? null]),
            'take_back' => $this->recorded->state->takeBack,
            'went' => array_values($rows->map(static fn (\stdClass $row): array => [
                'pour_id' => (int) $row->pour_id, 'at_ms' => (int) CarbonImmutable::parse((string) $row->at, 'UTC')->getTimestampMs(),
                'job' => (string) $row->job, 'link' => (string) $row->link, 'href' => "/pours/{$row->pour_id}/run",
                'parts' => array_filter(['A' => (float) $row->a, 'B' => (float) $row->b], static fn (float $g): bool => $g > 0.0),
                'state' => (string) $row->state, 'grade' => $row->grade === null ? null : (string) $row->grade,
                'pieces' => array_values(
                    $pieces->where('pour_id', $row->pour_id)->map(
                        static fn (\stdClass $piece): array => [
                            'outcome' => (string) $piece->outcome, 'mould' => $piece->mould === null ? null : (string) $piece->mould,
                            'mould_id' => $piece->mould_id === null ? null : (int) $piece->mould_id, 'n' => (int) $piece->n,
                        ],
                    )->all(),
                ),
            ])->all()),
            'pages' => $slice->toArray($total),
            'facts' => array_map(
                fn (Happened $fact): array => [
                    'id' => $fact->id, 'kind' => $fact->kind, 'at_ms' => $fact->atMs, 'payload' => $fact->payload,
                    'by' => $this->names->by($fact->person, $fact->witness),
                ],
                array_slice(array_reverse($this->recorded->facts), 0, self::SHOWN),
            ),
        ];
    }
}
