<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Exchange\Csv;
use App\Http\Reply;
use App\Library\Library;
use App\Lists\Slice;
use App\Log\LogExport;
use App\Log\LogQuery;
use App\Log\LogRows;
use App\Log\LogView;
use App\People\Names;
use Illuminate\Http\Request;
use Inertia\Response;
use Symfony\Component\HttpFoundation\StreamedResponse;

final readonly class LogController
{
    private const ON_A_PAGE = 30;

    private const MOST = 1_500;

    public function __construct(private LogQuery $query, private Library $library, private Names $names) {}

    public function index(Request $request): Response
    {
        $filter = $this->filter($request);
        $query = ($this->query)($filter);

        // Nobody turns hundreds of pages: past that it is enough to know that there is more.
        $found = $query
            ->limit(self::MOST)
            ->toBase()
            ->selectRaw("id, case when state = 'given_up' then ? else grade end as grade", [LogQuery::GIVEN_UP])
            ->pluck('grade', 'id')
            ->all();
        $total = count($found);
        $slice = Slice::asked($request, self::ON_A_PAGE)->within($total);

        return Reply::page('log/Log', [
            'log' => (
                new LogView(
                    LogRows::of(array_slice(array_keys($found), $slice->offset(), $slice->size)), $this->library, $filter, $slice, $total,
                    $total === self::MOST, array_count_values(array_map(strval(...), $found)), $this->names,
                )
            )->toArray(),
        ]);
    }

    /** Everything the filter lets through, in metric units, as RFC 4180 CSV in UTF-8. */
    public function csv(Request $request, LogExport $export): StreamedResponse
    {
        return Csv::download('apalos-log.csv', LogExport::COLUMNS, $export->rows(($this->query)($this->filter($request))));
    }

    /** @return array{q: string, grade: string, fault: string, base: string} */
    private function filter(Request $request): array
    {
        $word = static fn (string $key): string => is_string($said = $request->query($key)) ? trim($said) : '';

        return ['q' => $word('q'), 'grade' => $word('grade'), 'fault' => $word('fault'), 'base' => $word('base')];
    }
}
