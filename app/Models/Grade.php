<?php

declare(strict_types=1);

namespace App\Models;

/** How a cast came out: five words, best last. */
enum Grade: string
{
    case Spoilt = 'spoilt';
    case Poor = 'poor';
    case Usable = 'usable';
    case Good = 'good';
    case Superb = 'superb';
}
