<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

/** What a link of a chain is to its mould. */
enum MouldPart: string
{
    case Whole = 'whole';
    case Half = 'half';
    case Jacket = 'jacket';
    case Core = 'core';
    case Insert = 'insert';
}
