<?php

declare(strict_types=1);

namespace Apalos\Core\Mix;

use Apalos\Core\Input\Fields;
use Apalos\Core\Units\Grams;

/** A weighing scale: the step it shows, and the most it carries (cup included). */
final readonly class Scale
{
    public function __construct(public Grams $division, public ?Grams $capacity) {}

    public static function from(Fields $in): self
    {
        $in->only('division_g', 'capacity_g');
        $capacity = $in->positiveOrNull('capacity_g');

        return new self(Grams::of($in->positive('division_g', 1000.0)), $capacity === null ? null : Grams::of($capacity));
    }

    /** @return array{division_g: float, capacity_g: float|null} */
    public function toArray(): array
    {
        return ['division_g' => $this->division->g, 'capacity_g' => $this->capacity?->g];
    }
}
