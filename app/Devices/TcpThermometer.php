<?php

declare(strict_types=1);

namespace App\Devices;

/** A thermometer that speaks lines: `Q` is answered with `T,+19.5,C`. */
final readonly class TcpThermometer implements ThermometerPort
{
    public function __construct(private TcpLines $lines) {}

    public function celsius(): float
    {
        $line = $this->lines->ask('Q', 'thermometer');
        if (preg_match('/^T,([+-]\d+\.\d+),C$/', $line, $part) !== 1) {
            throw new DeviceLost('The thermometer sent something that is not a temperature. Type it instead.');
        }

        return (float) $part[1];
    }
}
