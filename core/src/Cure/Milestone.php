<?php

declare(strict_types=1);

namespace Apalos\Core\Cure;

/** The times of a sheet. Gel is what is watched for at the end of pot life. */
enum Milestone: string
{
    case PotLife = 'pot_life_min';
    case RecoatOpen = 'recoat_open_min';
    case RecoatClose = 'recoat_close_min';
    case Demould = 'demould_min';
    case Service = 'service_min';
    case FullCure = 'full_cure_min';
}
