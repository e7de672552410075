<?php

declare(strict_types=1);

namespace App\Devices;

/** Something that hears a line and answers with one. */
interface SpokenLines
{
    /**
     * @param  positive-int  $longest  of the answer, in bytes
     *
     * @throws DeviceLost when it does not answer
     */
    public function ask(string $line, string $device, int $longest = 128): string;
}
