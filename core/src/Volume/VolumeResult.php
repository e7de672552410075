<?php

declare(strict_types=1);

namespace Apalos\Core\Volume;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Result\Warning;

/**
 * How much rubber to mix, in ml, between which bounds, and why.
 *
 * @phpstan-type VolumeShape array{
 *     low_ml: float, likely_ml: float, high_ml: float, advice: Phrase, working: list<Phrase>,
 *     reconcile: array{used_ml: float, part_ml: float|null, correction_pct: float}|null,
 *     warnings: list<array{code: string, message: Phrase}>
 * }
 */
final readonly class VolumeResult
{
    /**
     * @param  float  $needMl  what the mould takes, without the allowance
     * @param  list<Phrase>  $working
     * @param  list<Warning>  $warnings
     */
    public function __construct(
        public Spread $rubber,
        public float $needMl,
        public Phrase $advice,
        public array $working,
        public ?Reconciliation $reconciliation,
        public array $warnings,
    ) {}

    /** @return VolumeShape */
    public function toArray(): array
    {
        return [
            'low_ml' => $this->rubber->low,
            'likely_ml' => $this->rubber->likely,
            'high_ml' => $this->rubber->high,
            'advice' => $this->advice,
            'working' => $this->working,
            'reconcile' => $this->reconciliation?->toArray(),
            'warnings' => Warning::all($this->warnings),
        ];
    }
}
