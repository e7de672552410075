<?php

declare(strict_types=1);

namespace Apalos\Core\Build;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;

/** What was measured of a piece before it is built: what a ready-made build asks for, and no more. */
final readonly class Measured
{
    /**
     * @param  float|null  $area  mm²
     * @param  float|null  $flange  mm²
     * @param  float|null  $fill  ml of undercuts to fill
     * @param  float|null  $ml  what it takes when it is filled
     * @param  array{least: float, most: float}|null  $wall  mm
     */
    public function __construct(
        public ?float $area = null,
        public ?float $flange = null,
        public ?float $fill = null,
        public ?float $ml = null,
        public ?array $wall = null,
    ) {}

    /** @throws BadInput */
    public static function from(Fields $in): self
    {
        $in->only('area_mm2', 'flange_mm2', 'fill_ml', 'ml', 'wall_mm');
        $wall = $in->objectOrNull('wall_mm')?->only('least', 'most');
        $least = $wall?->positive('least', 500.0);

        return new self(
            $in->positiveOrNull('area_mm2', 1e8), $in->numberOrNull('flange_mm2', 0.0, 1e8), $in->numberOrNull('fill_ml'),
            $in->positiveOrNull('ml'),
            $wall === null || $least === null ? null : ['least' => $least, 'most' => $wall->number('most', $least, 500.0)],
        );
    }

    /**
     * @return array{area_mm2?: float, flange_mm2?: float, fill_ml?: float, ml?: float, wall_mm?: array{least: float, most: float}} what was
     *   measured, and no more
     */
    public function toArray(): array
    {
        return array_filter(
            [
                'area_mm2' => $this->area, 'flange_mm2' => $this->flange, 'fill_ml' => $this->fill, 'ml' => $this->ml,
                'wall_mm' => $this->wall,
            ],
            static fn (mixed $value): bool => $value !== null,
        );
    }

    /** With its flange, in mm². */
    public function covered(): ?float
    {
        return $this->area === null ? null : $this->area + ($this->flange ?? 0.0);
    }
}
