<?php

declare(strict_types=1);

namespace App\Devices\StandIn;

use Apalos\Core\Practice\Luck;
use Apalos\Core\Practice\SimulatedPot;
use Apalos\Core\Practice\SimulatedScale;

/** The lines the stand-ins understand, each answered with one line or, while dropped out, with nothing. */
final class StandIns
{
    private readonly SimulatedScale $scale;

    private ?float $setCelsius = null;

    private ?SimulatedPot $pot = null;

    public function __construct(private readonly float $roomC = 19.5)
    {
        $this->scale = new SimulatedScale(new Luck(random_int(1, PHP_INT_MAX)));
    }

    /** As {@see SimulatedScale} hears it. */
    public function scale(string $line, float $now): ?string
    {
        return $this->scale->hears($line, $now);
    }

    /** `Q` is answered with the pot; `ON` and `OFF` are the heat under it, `=172` what it is warmed to at once. */
    public function probe(string $line, float $now): string
    {
        $line = strtoupper(trim($line));
        $this->pot ??= SimulatedPot::cold($this->roomC, $now);
        if (preg_match('/^=(\d+(?:\.\d+)?)$/', $line, $part) === 1) {
            $this->pot->set((float) $part[1], $now);

            return 'OK';
        }
        if ($line === 'ON' || $line === 'OFF') {
            $this->pot->heat($line === 'ON', $now);

            return 'OK';
        }

        return $line === 'Q' ? sprintf('T,%+.1f,C', $this->pot->celsius($now)) : 'ER';
    }

    /** `Q` is answered with the room: it breathes half a degree up and down in forty minutes; `=18.5` sets it. */
    public function thermometer(string $line, float $now): string
    {
        $line = strtoupper(trim($line));
        if (preg_match('/^=(\d+(?:\.\d+)?)$/', $line, $part) === 1) {
            $this->setCelsius = (float) $part[1];

            return 'OK';
        }

        return $line === 'Q' ? sprintf('T,%+.1f,C', $this->setCelsius ?? $this->roomC + 0.5 * sin($now / 2400.0 * 2.0 * M_PI)) : 'ER';
    }
}
