<?php

declare(strict_types=1);

namespace App\People;

/** What a program comes in for. */
enum TokenFor: string
{
    /** Asks what the core reckons. */
    case Reckon = 'reckon';

    /** Subscribes to the day. */
    case Day = 'day';
}
