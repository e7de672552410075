<?php

declare(strict_types=1);

namespace Apalos\Core\Frame;

/** How the boards of a box meet. */
enum Joint: string
{
    case Butt = 'butt';
    case Tabs = 'tabs';
}
