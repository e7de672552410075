<?php

declare(strict_types=1);

namespace Apalos\Core\Series;

use Apalos\Core\Facts\FactKind;

/** What can happen while a series is weighed up. */
enum SeriesFactKind: string implements FactKind
{
    /** A vessel stands on the scale, and the scale was tared. */
    case Tared = 'tared';
    /** So much more went into a line, as the scale saw it. */
    case Put = 'put';
    /** The display no longer counts what is in the vessel: from here it counts on from this reading. */
    case Counted = 'counted';
    /** What is in a line was written down by hand; null where nothing is in yet. */
    case Written = 'written';
    /** A met B. */
    case Met = 'met';
    /** It had not met after all. */
    case Unmet = 'unmet';
    case Undone = 'undone';

    public function isUndoing(): bool
    {
        return $this === self::Undone;
    }
}
