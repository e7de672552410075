<?php

declare(strict_types=1);

namespace Apalos\Core\Care;

/** Something wrong with a mould beside the state of its skin. */
enum MouldMark: string
{
    case TornKey = 'torn_key';
    case Warped = 'warped';
    case Sticky = 'sticky';
}
