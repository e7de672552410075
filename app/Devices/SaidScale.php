<?php

declare(strict_types=1);

namespace App\Devices;

/** A scale that hangs at a tablet: its browser reads it, and says what it shows. It was tared there as well. */
final readonly class SaidScale implements ScalePort
{
    public function __construct(private string $line) {}

    public function read(): ScaleReading
    {
        return ScaleReading::parse($this->line);
    }

    public function tare(): void {}

    public function zero(): void {}
}
