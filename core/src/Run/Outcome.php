<?php

declare(strict_types=1);

namespace Apalos\Core\Run;

/** What one piece of a pour is worth. */
enum Outcome: string
{
    case Good = 'good';
    case Usable = 'usable';
    case Reject = 'reject';

    /** Of every piece, where only the whole pour was graded. */
    public static function of(?Grade $grade): self
    {
        return match ($grade) {
            Grade::Superb, Grade::Good => self::Good,
            Grade::Usable => self::Usable,
            default => self::Reject,
        };
    }
}
