<?php

declare(strict_types=1);

namespace Apalos\Core\Run;

/** What of a run somebody may have told late: it then really was earlier. */
enum Moment: string
{
    case Met = 'met';
    case Filled = 'filled';
    case Gelled = 'gelled';
    case Opened = 'opened';

    /**
     * Whether it has happened, and can have been then: a cup meets before it goes in and goes in after it has met; what is left
     * gels after it met; what is in is opened. Nothing was later than it was said.
     *
     * @param  float  $at  minutes of the run
     */
    public function fits(RunState $state, int $batch, float $at): bool
    {
        $met = ($state->cups[$batch] ?? null)?->metAt;
        [$is, $from] = match ($this) {
            self::Met => [$met, 0.0],
            self::Filled => [$state->filledAt[$batch] ?? null, $met ?? 0.0],
            self::Gelled => [$state->gelledAt, $state->lastMetAt() ?? 0.0],
            self::Opened => [$state->openedAt, max([0.0, ...$state->filledAt])],
        };

        return $is !== null && $at >= $from && $at <= $is + 1e-6;
    }
}
