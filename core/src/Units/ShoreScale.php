<?php

declare(strict_types=1);

namespace Apalos\Core\Units;

/** The scales soft goods are read on. D is for hard plastics and has no softener. */
enum ShoreScale: string
{
    case DoubleO = '00';
    case A = 'A';
}
