<?php

declare(strict_types=1);

namespace Apalos\Core\Sheet;

/** What a sheet is about. */
enum SheetKind: string
{
    case Base = 'base';
    case Additive = 'additive';
    case Release = 'release';
    case Sealer = 'sealer';
    case Surface = 'surface';
}
