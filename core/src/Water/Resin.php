<?php

declare(strict_types=1);

namespace Apalos\Core\Water;

use Apalos\Core\Input\Fields;

/** What a body is cast of. With a filler volumes add: 1/sg = (1 − w)/sg of the resin + w/sg of the filler, w its share by weight. */
final readonly class Resin
{
    public function __construct(public float $sg, public ?float $baseSg = null, public ?float $fillerSg = null) {}

    public static function from(Fields $in): self
    {
        $in->only('sg', 'base_sg', 'filler_sg', 'filler_pct');
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
