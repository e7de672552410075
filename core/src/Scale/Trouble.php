<?php

declare(strict_types=1);

namespace Apalos\Core\Scale;

/** Why a display no longer says what is in the cup. */
enum Trouble: string
{
    /** It reads less than is in: lifted, set to zero, another cup. */
    case Fell = 'fell';
    /** It rose faster than anybody pours: something was set down. */
    case Jumped = 'jumped';
    /** It crawls while nothing is poured: a draught, a slope, a scale warming up. */
    case Crept = 'crept';
    /** It shows another unit. */
    case Unit = 'unit';
    /** It served another weigh-up meanwhile: nobody knows what its display counts from. */
    case Elsewhere = 'elsewhere';
}
