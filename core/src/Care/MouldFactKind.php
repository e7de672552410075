<?php

declare(strict_types=1);

namespace Apalos\Core\Care;

use Apalos\Core\Facts\FactKind;

/** What can happen to a mould beside casts. */
enum MouldFactKind: string implements FactKind
{
    /** One of the acts of care. */
    case Cared = 'cared';
    /** Somebody looked at it: its condition, and marks on it. */
    case Looked = 'looked';
    /** So many casts were made in it before anybody wrote them down. */
    case Counted = 'counted';
    case Placed = 'placed';
    case Photographed = 'photographed';
    /** Whether a plaster is dry is told by the scale. */
    case Weighed = 'weighed';
    case Noted = 'noted';
    /** What it cost to make, where the log does not know. */
    case Priced = 'priced';
    case Named = 'named';
    case Retired = 'retired';
    case Returned = 'returned';
    case Undone = 'undone';

    public function isUndoing(): bool
    {
        return $this === self::Undone;
    }
}
