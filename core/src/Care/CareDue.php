<?php

declare(strict_types=1);

namespace Apalos\Core\Care;

/** When a thing a mould wants is due. */
enum CareDue: string
{
    /** Before every cast, whatever a shop's school says. */
    case Certain = 'certain';
    case Cast = 'cast';
    case Wash = 'wash';
    case Hot = 'hot';
    case Every = 'every';
    case Jacketed = 'jacketed';
    case MixedHalves = 'mixed_halves';
    /** While it is younger than so many hours. */
    case Younger = 'younger';
    /** Opened before its own clock said so, and not yet through with it. */
    case OpenedEarly = 'opened_early';
    /** As somebody saw it last. */
    case Looks = 'looks';
    /** What is cast comes hotter than it bears. */
    case Hotter = 'hotter';
}
