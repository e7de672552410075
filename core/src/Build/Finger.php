<?php

declare(strict_types=1);

namespace Apalos\Core\Build;

use Apalos\Core\Cure\Watched;

/** What a gloved finger says of a coat, on a place that does not matter. It outranks the clock, and teaches it. */
enum Finger: string
{
    /** It comes off on the glove: not yet. */
    case ComesOff = 'comes_off';
    /** Tacky, and the glove stays clean: now. */
    case Tacky = 'tacky';
    /** Dry: the window is closing or shut. */
    case Dry = 'dry';

    public function watched(): Watched
    {
        return match ($this) {
            self::ComesOff => Watched::ComesOff,
            self::Tacky => Watched::Tacky,
            self::Dry => Watched::Dry,
        };
    }
}
