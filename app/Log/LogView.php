<?php

declare(strict_types=1);

namespace App\Log;

use App\Library\Library;
use App\Lists\Rows;
use App\Lists\Slice;
use App\Models\FormulaVersion;
use App\Models\PourState;
use App\People\Names;
use App\Types\View;
use stdClass;

/** The log: every graded pour, what was really used, its faults and their usual cause. */
final readonly class LogView implements View
{
    /**
     * @param  list<stdClass>  $rows  {@see LogRows}
     * @param  array{q: string, grade: string, fault: string, base: string}  $filter
     * @param  array<string, int>  $spread  how many of each grade, of all that was found
     */
    public function __construct(
        private array $rows,
        private Library $library,
        private array $filter,
        private Slice $slice,
        private int $total,
        private bool $isMore,
        private array $spread,
        private Names $names,
    ) {}

    /**
     * @return array{
     *     rows: list<array{
     *         id: int, at_ms: int, job_id: int, job: string, impression: string, kind: string, base: string, formula: string,
     *         formula_href: string|null,
     *         planned_g: float|null, used_g: float|null, pieces: int, good: int, grade: string,
     *         faults: list<array{name: string, cause: string, next: string}>, note: string, colour: string, cause: string|null,
     *         by: string|null
     *     }>,
     *     pages: array{page: int, pages: int, total: int}, more: bool, spread: array<string, int>,
     *     filter: array{q: string, grade: string, fault: string, base: string},
     *     faults: array<string, string>, bases: array<string, string>
     * }
     */
    public function toArray(): array
    {
        $faults = $this->library->faults();
        $bases = $this->library->shelf()->bases;
        $causes = $this->library->faultBook()->causes;

        return [
            'rows' => array_map(function (stdClass $row) use ($faults, $bases, $causes): array {
                $base = $bases[$row->base_code ?? ''] ?? null;
                $state = PourState::from($row->state);
                $said = json_decode($row->faults ?? '[]', true);
                $seen = array_filter(is_array($said) ? $said : [], is_string(...));
                $known = array_filter(array_map(static fn (string $id): ?array => $faults[$id] ?? null, $seen));

                return [
                    'id' => (int) $row->id,
                    'at_ms' => Rows::ms($row->graded_at) ?? 0,
                    'job_id' => (int) $row->job_id,
                    'job' => (string) $row->job,
                    'impression' => (string) $row->impression,
                    'kind' => (string) $row->kind,
                    'base' => $base->name ?? '',
                    'formula' => $row->version_id === null ? '' : FormulaVersion::named($row->formula, $row->number),
                    'formula_href' => $row->version_id === null ? null : "/formulas/{$row->formula_id}?version={$row->version_id}",
                    'planned_g' => $row->weighed_g === null ? null : (float) $row->weighed_g,
                    'used_g' => $row->used_g === null ? null : (float) $row->used_g,
                    'pieces' => $state === PourState::Graded ? (int) ($row->pieces ?? 1) : 0,
                    'good' => (int) $row->good,
                    'grade' => match ($state) {
                        PourState::GivenUp => LogQuery::GIVEN_UP,
                        PourState::Laid => LogQuery::LAID,
                        default => (string) $row->grade,
                    },
                    'faults' => array_map(
                        static fn (array $fault): array => ['name' => $fault['name'], 'cause' => $fault['cause'], 'next' => $fault['next']],
                        array_values($known),
                    ),
                    'note' => (string) $row->note,
                    'colour' => $base->colour ?? '#cfc4ae',
                    'cause' => ($causes[$row->cause ?? ''] ?? null)?->name,
                    'by' => $this->names->of($row->graded_by),
                ];
            }, $this->rows),
            'pages' => $this->slice->toArray($this->total), 'more' => $this->isMore, 'spread' => $this->spread,
            'filter' => $this->filter,
            'faults' => array_map(static fn (array $fault): string => $fault['name'], $faults),
            'bases' => array_map(static fn (\Apalos\Core\Material\BaseSheet $base): string => $base->name, $bases),
        ];
    }
}
