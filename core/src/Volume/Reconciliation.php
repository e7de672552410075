<?php

declare(strict_types=1);

namespace Apalos\Core\Volume;

/**
 * What was used against what was measured, the allowance apart: the part as it must have been, and the correction for the next pour of
 * this kind. Taking it leaves the allowance as it is.
 */
final readonly class Reconciliation
{
    public function __construct(public float $usedMl, public ?float $partMl, public float $correctionPct) {}

    /** @return array{used_ml: float, part_ml: float|null, correction_pct: float} */
    public function toArray(): array
    {
        return ['used_ml' => $this->usedMl, 'part_ml' => $this->partMl, 'correction_pct' => $this->correctionPct];
    }
}
