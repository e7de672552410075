<?php

declare(strict_types=1);

namespace App\Devices;

/** A room thermometer, whatever speaks for it. */
interface ThermometerPort
{
    /** @throws DeviceLost when it does not answer */
    public function celsius(): float;
}
