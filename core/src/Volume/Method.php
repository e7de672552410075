<?php

declare(strict_types=1);

namespace Apalos\Core\Volume;

/** How the rubber's volume is found. */
enum Method: string
{
    case Box = 'box';
    case Cylinder = 'cylinder';
    case Displacement = 'displacement';
    case Blanket = 'blanket';
    case Coats = 'coats';
    case Mesh = 'mesh';
    case Capacity = 'capacity';
    /** So many pieces of so much each, with the sprue each is poured through. */
    case Pieces = 'pieces';
}
