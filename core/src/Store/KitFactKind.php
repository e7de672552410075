<?php

declare(strict_types=1);

namespace Apalos\Core\Store;

use Apalos\Core\Facts\FactKind;

/** What can be said of the kits of a sheet, whichever of them stands on the shelf. */
enum KitFactKind: string implements FactKind
{
    /** What one costs, and how many grams that is for. */
    case Priced = 'priced';
    /** At how much left the next is ordered. */
    case Reordered = 'reordered';
    case Undone = 'undone';

    public function isUndoing(): bool
    {
        return $this === self::Undone;
    }
}
