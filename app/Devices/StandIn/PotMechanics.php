<?php

declare(strict_types=1);

namespace App\Devices\StandIn;

/** A pot over a heat that is on or off: it goes towards what the heat would make of it, and falls back towards the room. */
final class PotMechanics
{
    private const HEAT_C = 230.0;

    private const WARMS_S = 150.0;

    private const COOLS_S = 900.0;

    private bool $on = false;

    private float $celsius;

    public function __construct(private readonly float $roomC, private float $at)
    {
        $this->celsius = $roomC;
    }

    public function heat(bool $on, float $now): void
    {
        $this->set($this->celsius($now), $now);
        $this->on = $on;
    }

    public function set(float $celsius, float $now): void
    {
        [$this->celsius, $this->at] = [$celsius, $now];
    }

    public function celsius(float $now): float
    {
        [$towards, $tau] = $this->on ? [self::HEAT_C, self::WARMS_S] : [$this->roomC, self::COOLS_S];

        return $towards + ($this->celsius - $towards) * exp(-max(0.0, $now - $this->at) / $tau);
    }
}
