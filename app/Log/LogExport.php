<?php

declare(strict_types=1);

namespace App\Log;

use App\Models\Pour;
use App\Models\PourState;
use App\People\Names;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\LazyCollection;

/** The log as rows for other programs: in metric units, a pour a row, read some at a time however many there are. */
final readonly class LogExport
{
    public const COLUMNS = [
        'pour', 'graded_at', 'job', 'impression', 'kind', 'base', 'formula', 'weighed_g', 'used_g', 'pieces', 'good', 'grade', 'faults',
        'note', 'cause', 'by',
    ];

    private const AT_ONCE = 200;

    public function __construct(private Names $names) {}

    /**
     * @param  Builder<Pour>  $pours
     * @return LazyCollection<int, covariant list<mixed>> each in the order of {@see self::COLUMNS}
     */
    public function rows(Builder $pours): LazyCollection
    {
        return $pours->reorder()->select('pours.*')->with(['impression.job', 'formulaVersion.formula'])->lazyById(self::AT_ONCE)->map(
            fn (Pour $pour): array => [
                $pour->id, $pour->graded_at, $pour->impression->job->name, $pour->impression->name, $pour->impression->kind->value,
                $pour->baseCode(), $pour->formulaVersion?->called() ?? '', $pour->weighed_g, $pour->used_g, $pour->pieces,
                $pour->state === PourState::Graded ? $pour->good : null,
                $pour->state === PourState::GivenUp ? LogQuery::GIVEN_UP : $pour->grade?->value, implode(' ', $pour->faults ?? []),
                $pour->note, $pour->cause, $this->names->of($pour->graded_by),
            ],
        );
    }
}
