<?php

declare(strict_types=1);

namespace Apalos\Core\Mix;

use Apalos\Core\Input\Fields;
use Apalos\Core\Units\Density;
use Apalos\Core\Units\Grams;
use Apalos\Core\Units\Millilitres;

/** The cup. De-aired rubber rises to several times its volume before it collapses: that is the rise factor (usually 2–5). */
final readonly class Vessel
{
    /** How full a cup may be when it is only stirred. */
    private const STIRRED_FILL = 0.8;

    public function __construct(
        public Millilitres $capacity,
        public Grams $tare,
        public bool $degas,
        public float $riseFactor,
    ) {}

    public static function from(Fields $in): self
    {
        $in->only('capacity_ml', 'tare_g', 'degas', 'rise_factor');
        $degas = $in->bool('degas');

        return new self(
            Millilitres::of($in->positive('capacity_ml')),
            Grams::of($in->number('tare_g')),
            $degas,
            $degas ? $in->number('rise_factor', 1.0, 10.0) : 1.0,
        );
    }

    /** What it takes: room to rise under vacuum, or to be stirred in. */
    public function takes(): Millilitres
    {
        return $this->capacity->times($this->degas ? 1.0 / $this->riseFactor : self::STIRRED_FILL);
    }

    public function largestBatch(Density $density): Grams
    {
        return $this->takes()->massAt($density);
    }
}
