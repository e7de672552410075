<?php

declare(strict_types=1);

namespace Apalos\Core\Cure;

use Apalos\Core\Units\Celsius;
use Apalos\Core\Units\Minutes;

/** One thing that was watched of a base, as 100 g of it bare would have shown it. */
final readonly class Observation
{
    /**
     * @param  Minutes  $after  since A met B, or since the coat lay
     * @param  bool  $sure  it was asked about, and confirmed: then it counts however far it is from what was expected
     */
    public function __construct(public Celsius $room, public Watched $kind, public Minutes $after, public bool $sure = false) {}
}
