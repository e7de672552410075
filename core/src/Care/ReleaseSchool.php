<?php

declare(strict_types=1);

namespace Apalos\Core\Care;

/** When a shop puts a release on a mould where it is no must. */
enum ReleaseSchool: string
{
    case EveryCast = 'every';
    /** Only before what bites: resin, foam, hot vinyl. */
    case Harsh = 'harsh';
    case AfterWash = 'wash';
}
