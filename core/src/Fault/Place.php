<?php

declare(strict_types=1);

namespace Apalos\Core\Fault;

/** Where on a piece something went wrong. */
enum Place: string
{
    case Surface = 'surface';
    case All = 'all';
    case Patches = 'patches';
    case Edge = 'edge';
    case Deep = 'deep';
    case Seam = 'seam';
    case OneSide = 'one_side';
}
