<?php

declare(strict_types=1);

namespace Apalos\Core\Mix;

/** What a ratio is stated by on the sheet. */
enum RatioBy: string
{
    case Weight = 'weight';
    case Volume = 'volume';
}
