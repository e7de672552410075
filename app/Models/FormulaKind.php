<?php

declare(strict_types=1);

namespace App\Models;

/** Where a formula goes: into a mould, onto a cast with a brush, or only into pucks and drawdowns. */
enum FormulaKind: string
{
    case Mix = 'mix';
    case Paint = 'paint';
    case Trial = 'trial';
}
