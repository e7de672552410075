<?php

declare(strict_types=1);

namespace App\Models;

/** What a link of the chain is: positive and negative take turns. */
enum ImpressionKind: string
{
    case Original = 'original';
    case Mould = 'mould';
    case Copy = 'copy';
    case Cast = 'cast';

    public function isPositive(): bool
    {
        return $this !== self::Mould;
    }
}
