<?php

declare(strict_types=1);

namespace Apalos\Core\Material;

/** What an additive is for. */
enum AdditiveRole: string
{
    case Softener = 'softener';
    case Thickener = 'thickener';
    case Thinner = 'thinner';
    case Pigment = 'pigment';
    case Flock = 'flock';
    case Accelerator = 'accelerator';
    case Retarder = 'retarder';
    case Solvent = 'solvent';
    case Filler = 'filler';
    case VinylSoftener = 'vinyl-softener';
    case VinylHardener = 'vinyl-hardener';
    /** What was left of a hot pour: it melts again. */
    case Scrap = 'scrap';

    /** Softens; by which the hardness curve of a base is drawn. */
    public function isSoftener(): bool
    {
        return $this === self::Softener || $this === self::VinylSoftener;
    }
}
