<?php

declare(strict_types=1);

namespace App\Room;

use Apalos\Core\Cure\Band;
use Apalos\Core\Units\Minutes;
use Carbon\CarbonImmutable;

/** When something that met at a moment is so far: at the earliest, likely, and at the latest. */
final readonly class Reach
{
    public function __construct(private CarbonImmutable $met, private Band $band) {}

    public function low(): CarbonImmutable
    {
        return $this->at($this->band->low);
    }

    public function likely(): CarbonImmutable
    {
        return $this->at($this->band->likely);
    }

    public function high(): CarbonImmutable
    {
        return $this->at($this->band->high);
    }

    private function at(Minutes $minutes): CarbonImmutable
    {
        return CarbonImmutable::createFromTimestampMs((int) $this->met->getTimestampMs() + Minutes::ms($minutes->min), 'UTC');
    }
}
