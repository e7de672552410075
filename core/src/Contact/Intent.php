<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

/** Whether the two are meant to come apart again. */
enum Intent: string
{
    case Separate = 'separate';
    case Bond = 'bond';
}
