<?php

declare(strict_types=1);

namespace Apalos\Core\Build;

use Apalos\Core\Facts\FactKind;

/** What can happen to a build. What is mixed has facts of its own, in its run. */
enum BuildFactKind: string implements FactKind
{
    case Begun = 'begun';
    case Done = 'done';
    case LeftOut = 'left_out';
    /** A check came out badly: what waits for it waits on. */
    case Failed = 'failed';
    case Fingered = 'fingered';
    case Weighed = 'weighed';
    /** What was begun or done was so at another time than it was told. */
    case Retold = 'retold';
    case Noted = 'noted';
    case Changed = 'changed';
    case Put = 'put';
    case Graded = 'graded';
    case GivenUp = 'given_up';
    case Undone = 'undone';

    public function isUndoing(): bool
    {
        return $this === self::Undone;
    }
}
