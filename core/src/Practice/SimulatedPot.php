<?php

declare(strict_types=1);

namespace Apalos\Core\Practice;

/**
 * A pot over a heat that is on or off: it goes towards what the heat would make of it, and falls back towards the room, each by its own
 * time (first order). It keeps what was done to it, so that how warm it was can be asked of any moment.
 *
 * @phpstan-type PotShape list<array{at_s: float, on: bool, c: float}>
 */
final class SimulatedPot
{
    /** What a plate would make of it, °C, in the end. */
    private const HEAT_C = 230.0;

    private const WARMS_S = 150.0;

    private const COOLS_S = 900.0;

    /** Of what was done to it, the last. */
    private const MOST = 120;

    /** @param  PotShape  $done  in order */
    private function __construct(private readonly float $roomC, private readonly float $plate, private array $done) {}

    /** @param  float  $plate  so many times as strong as a usual one */
    public static function cold(float $roomC, float $now, float $plate = 1.0): self
    {
        return new self($roomC, $plate, [['at_s' => $now, 'on' => false, 'c' => $roomC]]);
    }

    /** @param  PotShape  $done  as {@see self::toArray} wrote it */
    public static function from(array $done, float $roomC, float $plate = 1.0): self
    {
        return $done === []
            ? self::cold($roomC, 0.0, $plate)
            : new self(
                $roomC, $plate, array_map(
                    static fn (array $one): array => ['at_s' => (float) $one['at_s'], 'on' => $one['on'], 'c' => (float) $one['c']], $done,
                ),
            );
    }

    public function heat(bool $on, float $now): void
    {
        $this->isOn() === $on || $this->change($on, $this->celsius($now), $now);
    }

    /** It is warmed to so much at once. */
    public function set(float $celsius, float $now): void
    {
        $this->change($this->isOn(), $celsius, $now);
    }

    public function isOn(): bool
    {
        return $this->done[count($this->done) - 1]['on'];
    }

    /** °C at a moment, seconds. */
    public function celsius(float $at): float
    {
        $last = $this->done[0];
        foreach ($this->done as $one) {
            $last = $one['at_s'] <= $at ? $one : $last;
        }
        [$towards, $tau] = $last['on'] ? [self::HEAT_C, self::WARMS_S / $this->plate] : [$this->roomC, self::COOLS_S];

        return $towards + ($last['c'] - $towards) * exp(-max(0.0, $at - $last['at_s']) / $tau);
    }

    /** The most it was until then: between two things done to it, it only rises or only falls. */
    public function most(float $until): float
    {
        $most = $this->celsius($until);
        foreach ($this->done as $one) {
            $most = $one['at_s'] <= $until ? max($most, $one['c']) : $most;
        }

        return $most;
    }

    /** @return PotShape */
    public function toArray(): array
    {
        return $this->done;
    }

    private function change(bool $on, float $celsius, float $now): void
    {
        $this->done = array_slice([...$this->done, ['at_s' => $now, 'on' => $on, 'c' => $celsius]], -self::MOST);
    }
}
