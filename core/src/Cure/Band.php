<?php

declare(strict_types=1);

namespace Apalos\Core\Cure;

use Apalos\Core\Units\Minutes;

/** A time with its 80 % band. */
final readonly class Band
{
    public function __construct(public Minutes $low, public Minutes $likely, public Minutes $high) {}

    /** @return array{low: float, likely: float, high: float} */
    public function toArray(): array
    {
        return ['low' => $this->low->min, 'likely' => $this->likely->min, 'high' => $this->high->min];
    }
}
