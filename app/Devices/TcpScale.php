<?php

declare(strict_types=1);

namespace App\Devices;

use Apalos\Core\Phrase\Phrase;

/** A scale that speaks lines: `Q` asks for a reading, `T` tares, `Z` zeroes. */
final readonly class TcpScale implements ScalePort
{
    public function __construct(private SpokenLines $lines) {}

    public function read(): ScaleReading
    {
        return ScaleReading::parse($this->lines->ask('Q', 'scale'));
    }

    public function tare(): void
    {
        $this->order('T');
    }

    public function zero(): void
    {
        $this->order('Z');
    }

    private function order(string $command): void
    {
        if ($this->lines->ask($command, 'scale') !== 'OK') {
            throw new DeviceLost(Phrase::of('bench.scale_did_not_take'));
        }
    }
}
