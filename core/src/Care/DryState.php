<?php

declare(strict_types=1);

namespace Apalos\Core\Care;

/** How a plaster stands on its way to being dry. */
enum DryState: string
{
    /** It loses at a constant rate, or weighs far more than it will: nothing is told yet of when it will be dry. */
    case Wet = 'wet';
    /** What it loses fades: it can be told when it will be dry. */
    case Drying = 'drying';
    /** Proved: weighings half a day apart stand still, at the mass it should have where that is known. */
    case Dry = 'dry';
}
