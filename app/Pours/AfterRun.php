<?php

declare(strict_types=1);

namespace App\Pours;

use App\Log\RecordedRun;
use App\Moulds\CastKeeper;
use App\Stock\LotBook;
use App\Stock\ScrapBook;

/** What is kept beside a run, each time something happened in it. */
final readonly class AfterRun
{
    /** What moves neither mould nor casting nor care. */
    private const ELSEWHERE = [
        'begun', 'weighed', 'met', 'heated', 'reheated', 'rescued', 'kept', 'counted', 'swapped', 'noted', 'gelled', 'left_over',
        'drawn_from', 'diagnosed',
    ];

    /** What draws nothing. */
    private const DRAWS_NOTHING = [
        'begun', 'checked', 'met', 'heated', 'reheated', 'counted', 'noted', 'gelled', 'left_over', 'opened', 'graded', 'moulded',
        'diagnosed', 'earlier',
    ];

    /** What changes what is left. */
    private const LEAVES = ['graded', 'undone'];

    public function __construct(private CastKeeper $casts, private LotBook $lots, private ScrapBook $scrap) {}

    public function __invoke(RecordedRun $run): void
    {
        $last = $run->facts === [] ? '' : $run->facts[count($run->facts) - 1]->kind;
        in_array($last, self::DRAWS_NOTHING, true) || $this->lots->draw($run);
        in_array($last, self::ELSEWHERE, true) || $this->casts->settle($run);
        in_array($last, self::LEAVES, true) && $this->scrap->settle($run);
    }
}
