<?php

declare(strict_types=1);

namespace Apalos\Core\Harden;

/** Softener for a target, on both bases, and its 80 % band in per cent of A+B. */
final readonly class SoftenerAnswer
{
    public function __construct(public float $pctOfAB, public float $pctOfOnePart, public float $low, public float $high) {}
}
