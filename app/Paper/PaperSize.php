<?php

declare(strict_types=1);

namespace App\Paper;

/** What a sheet is printed on, in mm. */
enum PaperSize: string
{
    case A4 = 'a4';
    case Letter = 'letter';

    public function width(): float
    {
        return $this === self::A4 ? 210.0 : 215.9;
    }

    public function height(): float
    {
        return $this === self::A4 ? 297.0 : 279.4;
    }
}
