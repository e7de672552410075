<?php

declare(strict_types=1);

namespace Apalos\Core\Run;

use Apalos\Core\Facts\FactKind;

/** What can happen in a run. */
enum RunFactKind: string implements FactKind
{
    /** A step is done: gear, pre-mix, tare, mix, de-air, fill. */
    case Confirmed = 'confirmed';
    /** A wait of the checklist has begun: drying, flashing off. */
    case Begun = 'begun';
    /** One contact of the checklist was looked at and is ready. */
    case Checked = 'checked';
    /** The display reached a running total. */
    case Weighed = 'weighed';
    /** So warm it was read in the pot. */
    case Heated = 'heated';
    /** It grew thick before it was all in: back on the heat. */
    case Reheated = 'reheated';
    /** A met B. */
    case Met = 'met';
    /** The over-pour was rescued: the cup is scaled up. */
    case Rescued = 'rescued';
    /** The over-pour was left as it is. */
    case Kept = 'kept';
    /**
     * The display no longer counts what is in the cup (set to zero, another cup, something beside it): from here it counts on from this
     * reading.
     */
    case Counted = 'counted';
    /** The other part was poured: in the line at hand, or in the one before it. */
    case Swapped = 'swapped';
    /** A met B, a cup went in, what was left had gelled, or it was opened before anybody said so. */
    case Earlier = 'earlier';
    /** Back to the plan before anything met: what follows is another beginning, with what is in the cup. */
    case Replanned = 'replanned';
    case Noted = 'noted';
    /** Which moulds it goes into. */
    case Moulded = 'moulded';
    /** From which lot something is taken. */
    case DrawnFrom = 'drawn_from';
    /** What was found to be the cause of a bad cast. */
    case Diagnosed = 'diagnosed';
    /** So much of a laid coat stayed in the cup. */
    case LeftOver = 'left_over';
    /** What was left in the cup no longer runs. */
    case Gelled = 'gelled';
    case Opened = 'opened';
    case Graded = 'graded';
    /** Nothing comes of it; what became of the grams is said. */
    case GivenUp = 'given_up';
    case Undone = 'undone';

    public function isUndoing(): bool
    {
        return $this === self::Undone;
    }
}
