<?php

declare(strict_types=1);

namespace Apalos\Core\Volume;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;

/**
 * How much rubber, by which method. Allowance (0–200 %) is for cup walls, sprue and overflow;
 * correction (−90–+500 %) is what earlier pours of this kind taught of the measuring itself, the allowance apart.
 */
final readonly class VolumeRequest
{
    private const FIELDS = [
        'box' => ['box', 'part'],
        'cylinder' => ['diameter_mm', 'height_mm', 'part'],
        'displacement' => ['poured_back_ml'],
        'blanket' => ['clay_ml', 'area_mm2', 'thickness_mm', 'pour_up_ml'],
        'coats' => ['area_mm2', 'coats'],
        'mesh' => ['volume_ml'],
        'capacity' => ['capacity_ml'],
        'pieces' => ['pieces', 'each_ml', 'spout_ml'],
    ];

    public function __construct(
        public Method $method,
        public Measurement $measurement,
        public float $allowancePct,
        public float $correctionPct,
        public ?Used $used,
    ) {}

    /** @throws BadInput */
    public static function from(Fields $in): self
    {
        $method = $in->choice('method', Method::class);
        $in->only('method', 'allowance_pct', 'correction_pct', 'used', ...self::FIELDS[$method->value]);
        $used = $in->objectOrNull('used');

        return new self(
            $method,
            Measurement::from($method, $in),
            $in->numberOrNull('allowance_pct', 0.0, 200.0) ?? 0.0,
            $in->numberOrNull('correction_pct', -90.0, 500.0) ?? 0.0,
            $used === null ? null : Used::from($used),
        );
    }
}
