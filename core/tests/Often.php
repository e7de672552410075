<?php

declare(strict_types=1);

namespace Apalos\Core\Tests;

/** How often lots are drawn: enough in passing, and OFTEN times as often under `bin/test --long`. */
final class Often
{
    public static function times(int $inPassing): int
    {
        return $inPassing * max(1, (int) getenv('OFTEN'));
    }
}
