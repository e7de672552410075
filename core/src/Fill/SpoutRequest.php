<?php

declare(strict_types=1);

namespace Apalos\Core\Fill;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;

/** A pour through a sprue: ml to get in, the mix, and when it begins; the sprue in mm, and how high the mix stands in its funnel. */
final readonly class SpoutRequest
{
    private const USUAL_SHARE = 0.25;

    public function __construct(
        public float $volume,
        public Thickening $mix,
        public float $start,
        public float $diameter,
        public float $length,
        public float $head,
        public float $withinShare = self::USUAL_SHARE,
        public ?float $vent = null,
    ) {}

    /** @throws BadInput */
    public static function from(Fields $in): self
    {
        $in->only(
            'volume_ml', 'sg', 'viscosity_pas', 'pot_life_min', 'start_min', 'diameter_mm', 'length_mm', 'head_mm', 'within_share',
            'vent_mm',
        );
        $mix = Thickening::from($in);

        return new self(
            $in->positive('volume_ml'), $mix, $mix->within($in->numberOrNull('start_min') ?? 0.0, $in->at('start_min')),
            $in->positive('diameter_mm', 500.0), $in->number('length_mm', 0.1, 5000.0), $in->numberOrNull('head_mm', 0.0, 5000.0) ?? 0.0,
            $in->has('within_share') ? $in->number('within_share', 0.01, 1.0) : self::USUAL_SHARE,
            $in->positiveOrNull('vent_mm', 100.0),
        );
    }
}
