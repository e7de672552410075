<?php

declare(strict_types=1);

namespace Apalos\Core\Trial;

use Apalos\Core\Facts\FactKind;

/** What can happen in a trial. */
enum TrialFactKind: string implements FactKind
{
    /** One cup of one variant was looked at. */
    case Graded = 'graded';
    /** So many bubbles, tears or the like were counted in one cup. */
    case Counted = 'counted';
    case Noted = 'noted';
    /** Nothing more is graded. */
    case Ended = 'ended';
    case Undone = 'undone';

    public function isUndoing(): bool
    {
        return $this === self::Undone;
    }
}
