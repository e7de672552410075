<?php

declare(strict_types=1);

namespace App\Devices;

/** A weighing scale, whatever speaks for it. */
interface ScalePort
{
    /** @throws DeviceLost when it does not answer */
    public function read(): ScaleReading;

    /** @throws DeviceLost */
    public function tare(): void;

    /** @throws DeviceLost */
    public function zero(): void;
}
