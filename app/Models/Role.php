<?php

declare(strict_types=1);

namespace App\Models;

/** What somebody is in a shop, from who answers for it to who looks. */
enum Role: string
{
    case Owner = 'owner';
    case Maker = 'maker';
    case Apprentice = 'apprentice';
    case Guest = 'guest';

    /** Whether what this one decides counts as much. */
    public function countersigns(): bool
    {
        return $this === self::Owner || $this === self::Maker;
    }
}
