<?php

declare(strict_types=1);

namespace Apalos\Core\Volume;

/** What a part's outer dimensions enclose, and how much of that outer box it really fills. */
enum Form: string
{
    case Box = 'box';
    case Cylinder = 'cylinder';
    case Ellipsoid = 'ellipsoid';
    case Sculpted = 'sculpted';

    /** Share of the outer box: low, likely and high. The cylinder's and the ellipsoid's likely are π/4 and π/6. */
    public function fill(): Spread
    {
        return match ($this) {
            self::Box => new Spread(0.95, 1.0, 1.0),
            self::Cylinder => new Spread(0.75, 0.785, 0.80),
            self::Ellipsoid => new Spread(0.50, 0.524, 0.55),
            self::Sculpted => new Spread(0.40, 0.52, 0.65),
        };
    }
}
