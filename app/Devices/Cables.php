<?php

declare(strict_types=1);

namespace App\Devices;

use App\Models\Workshop;

/**
 * Where the scale, the thermometer, the probe and the label printer are reached: they hang at the server's cables, and stand in one shop.
 */
final readonly class Cables
{
    /** @param  SpokenLines|null  $instead  what answers in place of all devices, where nothing real is meant */
    public function __construct(private Workshop $workshop, private ?SpokenLines $instead = null) {}

    public function has(string $device): bool
    {
        return $this->instead !== null ? in_array($device, ['scale', 'thermometer', 'probe'], true) : $this->address($device) !== '';
    }

    public function areSimulated(): bool
    {
        return $this->instead !== null || $this->workshop->cables && config()->boolean('devices.simulated');
    }

    public function lines(string $device): SpokenLines
    {
        return $this->instead ?? new TcpLines($this->address($device), config()->float("devices.{$device}.timeout_s"));
    }

    public function labelPrinter(): LabelPort
    {
        return new TcpLabelPrinter(
            $this->address('labels'), config()->float('devices.labels.timeout_s'), config()->boolean('devices.labels.answers'),
        );
    }

    private function address(string $device): string
    {
        return $this->workshop->cables ? config()->string("devices.{$device}.address") : '';
    }
}
