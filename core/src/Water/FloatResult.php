<?php

declare(strict_types=1);

namespace Apalos\Core\Water;

use Apalos\Core\Mesh\Direction;

/** A body at rest in water: which way is up for it, where the water stands, how deep it lies. */
final readonly class FloatResult
{
    /**
     * @param  Direction|null  $up  in the model; null for one that sinks any way round
     * @param  float  $level  mm along it
     * @param  float  $draught  mm under water
     * @param  float  $freeboard  mm over it
     */
    public function __construct(
        public ?Direction $up,
        public float $level,
        public float $wetMl,
        public float $draught,
        public float $freeboard,
        public bool $stable,
        public float $mass,
        public float $dryMl,
        public bool $floats = true,
    ) {}

    /** It hangs in the water as its weight below its middle turns it, all of it under. */
    public static function sunk(float $mass, float $volumeMl, float $waterSg, ?Direction $up, float $level, float $high): self
    {
        return new self($up, $level, $volumeMl, $high, 0.0, true, $mass - $waterSg * $volumeMl, 0.0, false);
    }

    /**
     * @return array{
     *     floats: bool, up: array{float, float, float}|null, level_mm: float, wet_ml: float, dry_ml: float, draught_mm: float,
     *     freeboard_mm: float, stable: bool,
     * }
     */
    public function toArray(): array
    {
        return [
            'floats' => $this->floats, 'up' => $this->up?->toArray(), 'level_mm' => $this->level, 'wet_ml' => $this->wetMl,
            'dry_ml' => $this->dryMl,
            'draught_mm' => $this->draught, 'freeboard_mm' => $this->freeboard, 'stable' => $this->stable,
        ];
    }
}
