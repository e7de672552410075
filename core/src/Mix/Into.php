<?php

declare(strict_types=1);

namespace Apalos\Core\Mix;

/** The side an additive is stirred into: one of the parts before they meet, or the mixed cup. */
enum Into: string
{
    case A = 'a';
    case B = 'b';
    case After = 'after';
}
