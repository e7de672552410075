<?php

declare(strict_types=1);

namespace Apalos\Core\Build;

/** What of the whole a mixing operation makes. */
enum Part: string
{
    /** A layer on what is there, or all of it. */
    case Layer = 'layer';
    /** One half of a mould: the other stands beside it, not on it. */
    case Half = 'half';
    /** A stiff shell round it. */
    case Jacket = 'jacket';
}
