<?php

declare(strict_types=1);

namespace Apalos\Core\Practice;

use Apalos\Core\Run\StepKind;

/**
 * The pots of a practice: one for each cup that is heated, on its own clock. What comes off the heat cools, whether or not somebody
 * turned the plate off.
 *
 * @phpstan-import-type PotShape from SimulatedPot
 *
 * @phpstan-type PotsShape array<string, array<int, PotShape>>
 */
final class PotBench
{
    private const S_IN_MIN = 60.0;

    /** @param  PotsShape  $pots  of each cup of each run */
    public function __construct(private readonly Scenario $scenario, private array $pots = []) {}

    /** @return string what a probe in the pot, or the plate under it, answers to a line */
    public function hears(string $line, Situation $at): string
    {
        $line = strtoupper(trim($line));
        $pot = $this->pot($at);
        if ($line === 'ON' || $line === 'OFF') {
            if ($at->step !== StepKind::Heat) {
                return 'ER';
            }
            $pot->heat($line === 'ON', $at->minute * self::S_IN_MIN);
            $this->keep($pot, $at);

            return 'OK';
        }

        return $line === 'Q' ? sprintf('T,%+.1f,C', $pot->celsius($at->minute * self::S_IN_MIN)) : 'ER';
    }

    /** It comes off the heat where it was said to. */
    public function comesTo(Situation $at): void
    {
        $pot = $this->pot($at);
        if ($pot->isOn() && $at->step !== StepKind::Heat && $at->metAt !== null) {
            $pot->heat(false, $at->metAt * self::S_IN_MIN);
            $this->keep($pot, $at);
        }
    }

    /** So warm it was read when it was walked before: so warm it is again. */
    public function standsAt(float $celsius, Situation $at): void
    {
        $pot = $this->pot($at);
        $pot->heat(true, $at->minute * self::S_IN_MIN);
        $pot->set($celsius, $at->minute * self::S_IN_MIN);
        $this->keep($pot, $at);
    }

    /** How warm the pot at hand is, °C. */
    public function celsius(Situation $at): float
    {
        return $this->pot($at)->celsius($at->minute * self::S_IN_MIN);
    }

    /** @return PotsShape */
    public function toArray(): array
    {
        return $this->pots;
    }

    private function pot(Situation $at): SimulatedPot
    {
        $done = $this->pots[$at->of][$at->batch] ?? null;

        return $done === null
            ? SimulatedPot::cold($this->scenario->roomC, $at->minute * self::S_IN_MIN, $this->scenario->plate())
            : SimulatedPot::from($done, $this->scenario->roomC, $this->scenario->plate());
    }

    private function keep(SimulatedPot $pot, Situation $at): void
    {
        $this->pots[$at->of][$at->batch] = $pot->toArray();
    }
}
