<?php

declare(strict_types=1);

namespace Apalos\Core\Volume;

use Apalos\Core\Input\Fields;
use Apalos\Core\Units\Density;
use Apalos\Core\Units\Grams;

/** What a finished pour really took: a mass, and the density to read it as a volume. */
final readonly class Used
{
    public function __construct(public Grams $mass, public Density $density) {}

    public static function from(Fields $in): self
    {
        $in->only('mass_g', 'sg');

        return new self(Grams::of($in->positive('mass_g')), Density::of($in->positive('sg', 25.0)));
    }
}
