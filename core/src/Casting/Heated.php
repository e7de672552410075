<?php

declare(strict_types=1);

namespace Apalos\Core\Casting;

/** Where a pot stands on its way up, by what was read. */
enum Heated: string
{
    /** Nobody has read it yet. */
    case Unread = 'unread';
    /** It does not run clear yet: cast so, it stays weak. */
    case Below = 'below';
    case Right = 'right';
    /** Warmer than it is best, and not spoilt: it cools to that in a minute off the heat. */
    case Above = 'above';
    /** It was warmer than it bears: yellow, brittle, and what it gives off is not to be breathed. */
    case Over = 'over';
}
