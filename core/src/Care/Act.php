<?php

declare(strict_types=1);

namespace Apalos\Core\Care;

/** What is done to a mould between casts. */
enum Act: string
{
    case Washed = 'washed';
    case Dried = 'dried';
    case Released = 'released';
    case Dusted = 'dusted';
    case Repaired = 'repaired';
    /** Flat, and closed in its jacket. */
    case Stored = 'stored';
    /** Nobody does it: time does. */
    case Rested = 'rested';
}
