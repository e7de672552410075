<?php

declare(strict_types=1);

namespace Apalos\Core\Mix;

/** How one cup finds the one before it in the mould. */
enum Join: string
{
    /** Still liquid: the two run into one. */
    case Wet = 'wet';
    /** Gelled and tacky: it bonds as a coat does, and its line may show. */
    case Tacky = 'tacky';
    /** Too far for that: a seam. */
    case Set = 'set';
}
