<?php

declare(strict_types=1);

namespace App\Swatches;

use Apalos\Core\Harden\SoftenedPuck;

/** A puck of the drawer that was read: where it lies, what it tells, and how far its readings lie apart. */
final readonly class ReadPuck
{
    public function __construct(public int $swatchId, public SoftenedPuck $puck, public float $spread, public int $places) {}
}
