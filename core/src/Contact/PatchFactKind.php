<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

use Apalos\Core\Facts\FactKind;

/** What can be said of a test patch. */
enum PatchFactKind: string implements FactKind
{
    /** Whether it cured and came away clean. */
    case Read = 'read';
    case Undone = 'undone';

    public function isUndoing(): bool
    {
        return $this === self::Undone;
    }
}
