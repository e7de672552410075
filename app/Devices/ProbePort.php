<?php

declare(strict_types=1);

namespace App\Devices;

/** A thermometer in the pot, whatever speaks for it. */
interface ProbePort
{
    /** @throws DeviceLost when it does not answer */
    public function celsius(): float;
}
