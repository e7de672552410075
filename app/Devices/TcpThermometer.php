<?php

declare(strict_types=1);

namespace App\Devices;

use Apalos\Core\Phrase\Phrase;

/** A thermometer that speaks lines, on the wall or in the pot: `Q` is answered with `T,+19.5,C`. */
final readonly class TcpThermometer implements ProbePort, ThermometerPort
{
    public function __construct(private SpokenLines $lines, private string $device = 'thermometer') {}

    public function celsius(): float
    {
        $line = $this->lines->ask('Q', $this->device);
        if (preg_match('/^T,([+-]\d+\.\d+),C$/', $line, $part) !== 1) {
            throw new DeviceLost(Phrase::of('bench.sent_something_not_temperature', ['device' => $this->device]));
        }

        return (float) $part[1];
    }
}
