<?php

declare(strict_types=1);

namespace Apalos\Core\Build;

/** What something mixed is laid on. */
enum Against: string
{
    /** What the impression takes its shape from, with all its contacts. */
    case Original = 'original';
    /** What was laid on last. */
    case Last = 'last';
    /** A tray or a little mould of its own. */
    case Tray = 'tray';
}
