<?php

declare(strict_types=1);

namespace Apalos\Core\Run;

/** How a cast came out: five words, best last. */
enum Grade: string
{
    case Spoilt = 'spoilt';
    case Poor = 'poor';
    case Usable = 'usable';
    case Good = 'good';
    case Superb = 'superb';

    /** Whether such a piece counts towards what was ordered. */
    public function counts(): bool
    {
        return $this !== self::Spoilt && $this !== self::Poor;
    }
}
