<?php

declare(strict_types=1);

namespace Apalos\Core\Build;

use Apalos\Core\Cure\Milestone;

/** Knows how long after the end of an operation what was mixed there is so far, in the room as it was and is. */
interface WindowClock
{
    /**
     * @param  float  $endedAt  minutes of the build
     * @param  list<Felt>  $touches  of this coat, since it was laid
     * @return float|null minutes after the end; null where its sheet does not say
     */
    public function after(Operation $of, float $endedAt, Milestone $milestone, array $touches): ?float;
}
