<?php

declare(strict_types=1);

namespace Apalos\Core\Mix;

/** What decided how large one batch may be. */
enum Limit: string
{
    case Vessel = 'vessel';
    case Scale = 'scale';
    case PotLife = 'pot_life';
}
