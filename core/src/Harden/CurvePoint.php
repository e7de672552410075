<?php

declare(strict_types=1);

namespace Apalos\Core\Harden;

use Apalos\Core\Units\Shore;

/** One point of the softener curve: likely reading, the same on the other scale, and the 80 % band on the scale of the reading. */
final readonly class CurvePoint
{
    public function __construct(public float $pctOfAB, public Shore $shore, public Shore $other, public float $low, public float $high) {}
}
