<?php

declare(strict_types=1);

namespace Apalos\Core\Store;

/** Why a lot is not trusted any more. */
enum Doubt: string
{
    case LidOff = 'lid_off';
    case Crystals = 'crystals';
    case Frozen = 'frozen';
}
