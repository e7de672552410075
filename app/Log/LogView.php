<?php

declare(strict_types=1);

namespace App\Log;

use App\Library\Library;
use App\Lists\Slice;
use App\Models\Pour;
use App\Models\PourState;
use App\People\Names;
use App\Types\View;
use Illuminate\Support\Collection;

/** The log: every graded pour, what was really used, its faults and their usual cause. */
final readonly class LogView implements View
{
    /**
     * @param  Collection<int, Pour>  $pours
     * @param  array{q: string, grade: string, fault: string, base: string}  $filter
     * @param  array<string, int>  $spread  how many of each grade, of all that was found
     */
    public function __construct(private Collection $pours, private Library $library, private array $filter, private Slice $slice, private int $total, private bool $isMore, private array $spread, private Names $names) {}

    /**
     * @return array{
     *     rows: list<array{
     *         id: int, at_ms: int, job_id: int, job: string, impression: string, kind: string, base: string, formula: string, formula_href: string|null,
     *         planned_g: float|null, used_g: float|null, pieces: int, good: int, grade: string, faults: list<array{name: string, cause: string, next: string}>, note: string, colour: string, cause: string|null, by: string|null
     *     }>,
     *     pages: array{page: int, pages: int, total: int}, more: bool, spread: array<string, int>, filter: array{q: string, grade: string, fault: string, base: string},
     *     faults: array<string, string>, bases: array<string, string>
     * }
     */
    public function toArray(): array
    {
        $faults = $this->library->faults();
        $bases = $this->library->shelf()->bases;
        $causes = $this->library->faultBook()->causes;

        return [
            'rows' => array_values($this->pours->map(function (Pour $pour) use ($faults, $bases, $causes): array {
                $base = $bases[$pour->baseCode() ?? ''] ?? null;
                $known = array_filter(array_map(static fn (string $id): ?array => $faults[$id] ?? null, $pour->faults ?? []));

                return [
                    'id' => $pour->id,
                    'at_ms' => (int) ($pour->graded_at?->getTimestampMs() ?? 0),
                    'job_id' => $pour->impression->job_id,
                    'job' => $pour->impression->job->name,
                    'impression' => $pour->impression->name,
                    'kind' => $pour->impression->kind->value,
                    'base' => $base->name ?? '',
                    'formula' => $pour->formulaVersion === null ? '' : $pour->formulaVersion->called(),
                    'formula_href' => $pour->formulaVersion === null ? null : "/formulas/{$pour->formulaVersion->formula_id}?version={$pour->formulaVersion->id}",
                    'planned_g' => $pour->weighed_g,
                    'used_g' => $pour->used_g,
                    'pieces' => $pour->state === PourState::Graded ? ($pour->pieces ?? 1) : 0,
                    'good' => $pour->good,
                    'grade' => match ($pour->state) {
                        PourState::GivenUp => LogQuery::GIVEN_UP,
                        PourState::Laid => LogQuery::LAID,
                        default => $pour->grade->value ?? '',
                    },
                    'faults' => array_map(static fn (array $fault): array => ['name' => $fault['name'], 'cause' => $fault['cause'], 'next' => $fault['next']], array_values($known)),
                    'note' => $pour->note ?? '',
                    'colour' => $base->colour ?? '#cfc4ae',
                    'cause' => ($causes[$pour->cause ?? ''] ?? null)?->name, 'by' => $this->names->of($pour->graded_by),
                ];
            })->all()),
            'pages' => $this->slice->toArray($this->total), 'more' => $this->isMore, 'spread' => $this->spread,
            'filter' => $this->filter,
            'faults' => array_map(static fn (array $fault): string => $fault['name'], $faults),
            'bases' => array_map(static fn (\Apalos\Core\Material\BaseSheet $base): string => $base->name, $bases),
        ];
    }
}
