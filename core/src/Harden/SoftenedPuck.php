<?php

declare(strict_types=1);

namespace Apalos\Core\Harden;

use Apalos\Core\Units\Shore;

/** A puck that was read: softener in per cent of A+B, and its hardness. */
final readonly class SoftenedPuck
{
    public float $lnModulus;

    public function __construct(public float $pctOfAB, public Shore $shore)
    {
        $this->lnModulus = log($shore->modulus());
    }

    public function share(): float
    {
        return $this->pctOfAB / 100.0;
    }
}
