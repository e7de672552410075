<?php

declare(strict_types=1);

namespace Apalos\Core\Water;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;

/**
 * What a body is cast of. With a filler volumes add: 1/sg = (1 − w)/sg of the resin + w/sg of the filler, w its share by weight. A cast
 * tells its own: what it weighs less in water is the water it takes the place of (Archimedes), sg = air/(air − in water)·sg of the water.
 */
final readonly class Resin
{
    public function __construct(public float $sg, public ?float $baseSg = null, public ?float $fillerSg = null) {}

    /** @throws BadInput for a cast that is no lighter in water than in air */
    public static function from(Fields $in, float $waterSg = 0.998): self
    {
        $in->only('sg', 'base_sg', 'filler_sg', 'filler_pct', 'air_g', 'in_water_g');
        if ($in->has('air_g')) {
            // One that floats is drawn under by a weight; without it, it weighs less than nothing there.
            [$air, $water] = [$in->positive('air_g'), $in->number('in_water_g', -1e6, 1e6)];
            if ($air - $water < 0.005 * $air) {
                throw BadInput::at($in->at('in_water_g'), Phrase::of('water.no_lighter_in_water', ['air' => Quantity::mass($air)]));
            }

            return new self($air / ($air - $water) * $waterSg);
        }
        if ($in->has('sg')) {
            return new self($in->number('sg', 0.05, 25.0));
        }
        $base = $in->number('base_sg', 0.05, 25.0);
        $filler = $in->number('filler_sg', 0.01, 25.0);
        $share = $in->number('filler_pct', 0.0, 90.0) / 100.0;

        return new self(1.0 / ((1.0 - $share) / $base + $share / $filler), $base, $filler);
    }

    /** Per cent of a filler by weight that makes it so light; null where it does not reach. */
    public static function fillerFor(float $sg, float $base, float $filler): ?float
    {
        $share = (1.0 / $sg - 1.0 / $base) / (1.0 / $filler - 1.0 / $base);

        return $share >= 0.0 && $share <= 0.9 ? 100.0 * $share : null;
    }
}
