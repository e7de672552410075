<?php

declare(strict_types=1);

namespace Apalos\Core\Care;

use Apalos\Core\Units\Temperature;

/** What happened to a mould, and what it is of, as far as it counts before its next cast. */
final readonly class MouldPast
{
    /**
     * @param  array<string, int>  $castsSince  casts since each act of care, by its name; not there where it was never done
     * @param  bool  $isWet  washed, and not dried since
     * @param  bool  $isBare  washed since it was last released, or never released
     * @param  float|null  $minutesSinceHot  since the last cast that heats a mould
     * @param  float|null  $hoursOld  since it came out of its own mould; null where nobody knows
     * @param  bool  $isEarly  opened before its own clock said so, and not yet through with it
     * @param  list<MouldMark>  $marks
     * @param  Temperature|null  $bears  for the minutes of a cast; null where nobody knows
     * @param  Temperature|null  $comes  how warm what is cast comes at most; null where it is not heated
     */
    public function __construct(
        public int $casts,
        public array $castsSince,
        public bool $isWet,
        public bool $isBare,
        public ?float $minutesSinceHot,
        public bool $jacketed,
        public bool $mixedHalves,
        public ?float $hoursOld = null,
        public bool $isEarly = false,
        public ?Condition $condition = null,
        public array $marks = [],
        public ?Temperature $bears = null,
        public ?Temperature $comes = null,
    ) {}
}
