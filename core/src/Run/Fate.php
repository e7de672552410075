<?php

declare(strict_types=1);

namespace Apalos\Core\Run;

/** What became of the grams of a pour that was given up. */
enum Fate: string
{
    /** Back in its tubs: nothing had met yet. */
    case Back = 'back';
    /** Poured into something else that waited for it. */
    case Elsewhere = 'elsewhere';
    /** Left to cure in the cup, and thrown away. */
    case Waste = 'waste';
}
