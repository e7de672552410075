<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

/** How sure a piece of knowledge is. Nothing overrules what is certain; a passed test of the shop overrules the rest. */
enum Sure: string
{
    case Certain = 'certain';
    case Usual = 'usual';
    case Disputed = 'disputed';
}
