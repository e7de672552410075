<?php

declare(strict_types=1);

namespace Apalos\Core\Store;

use Apalos\Core\Facts\FactKind;

/** What can happen to a lot beside what runs draw from it. */
enum LotFactKind: string implements FactKind
{
    case Opened = 'opened';
    /** Somebody weighed what is left: from here it counts from this. */
    case Counted = 'counted';
    /** Taken for something that is no run. */
    case Took = 'took';
    /** A lid left off, crystals: what makes it doubtful. */
    case Doubted = 'doubted';
    /** It is bad: nothing more is taken from it, and what was made of it is looked for. */
    case Recalled = 'recalled';
    case Noted = 'noted';
    case Priced = 'priced';
    /** Empty, or thrown out. */
    case Ended = 'ended';
    case Returned = 'returned';
    case Undone = 'undone';

    public function isUndoing(): bool
    {
        return $this === self::Undone;
    }
}
