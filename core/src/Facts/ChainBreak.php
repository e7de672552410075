<?php

declare(strict_types=1);

namespace Apalos\Core\Facts;

/** What is wrong where a chain of facts does not fit. */
enum ChainBreak: string
{
    /** Something stands in it that was not sealed so. */
    case Changed = 'changed';

    /** One that was sealed is gone. */
    case Missing = 'missing';

    /** It stands in another place than where it was told. */
    case Moved = 'moved';

    /** Nobody told it: it carries no seal, or a place that is taken. */
    case SlippedIn = 'slipped_in';
}
