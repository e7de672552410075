<?php

declare(strict_types=1);

namespace Apalos\Core\Care;

/** Why a mould is cast in no more. Only one that wore out or broke tells how long such moulds live. */
enum RetiredWhy: string
{
    case Worn = 'worn';
    case Broken = 'broken';
    case Spare = 'spare';
    case Gone = 'gone';

    public function endsItsLife(): bool
    {
        return $this === self::Worn || $this === self::Broken;
    }
}
