<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

/** What a link of a chain is to its mould. */
enum MouldPart: string
{
    case Whole = 'whole';
    case Half = 'half';
    case Jacket = 'jacket';
    case Core = 'core';
    case Insert = 'insert';
    /** What closes an opening while it is filled. */
    case Plug = 'plug';

    /** It stands in the mould when the cast is poured, and gives no other link its shape. */
    public function isInside(): bool
    {
        return match ($this) {
            self::Core, self::Insert, self::Plug => true,
            default => false,
        };
    }
}
