<?php

declare(strict_types=1);

namespace App\Room;

use Apalos\Core\Units\Minutes;

/** How long a mix stays pourable, and for how much of that it can be poured once it is mixed. */
final readonly class PotLife
{
    public function __construct(public Minutes $whole, public Minutes $usable) {}
}
