<?php

declare(strict_types=1);

namespace App\Devices\StandIn;

use Apalos\Core\Phrase\Measures;

/**
 * How the stand-in scale behaves: it settles, trembles while something runs in, drifts a little, tares, and refuses more
 * than it can carry. Pure but for the tremble; the time in seconds is handed in.
 */
final class ScaleMechanics
{
    private const SETTLE_S = 0.25;

    private const DRIFT_G_PER_MIN = 0.004;

    private float $onPan = 0.0;

    private float $shown = 0.0;

    private float $tare = 0.0;

    private float $zeroedAt = 0.0;

    private float $flow = 0.0;

    /** How much of the flow is still to come; null where it runs until told otherwise. */
    private ?float $left = null;

    public string $unit = 'g';

    private ?float $last = null;

    public function __construct(private readonly float $divisionG = 0.1, private readonly float $capacityG = 3000.0) {}

    public function add(float $grams, float $now): void
    {
        $this->advance($now);
        $this->onPan = max(0.0, $this->onPan + $grams);
    }

    /** Something runs in at this many grams a second until told otherwise, or until so much is in. */
    public function pour(float $gramsPerSecond, float $now, ?float $grams = null): void
    {
        $this->advance($now);
        [$this->flow, $this->left] = [$gramsPerSecond, $grams];
    }

    public function clear(float $now): void
    {
        $this->advance($now);
        [$this->onPan, $this->shown, $this->flow, $this->tare, $this->zeroedAt] = [0.0, 0.0, 0.0, 0.0, $now];
        $this->left = null;
    }

    public function tare(float $now): bool
    {
        return $this->line($now)[0] === 'S' && $this->setTare($now);
    }

    /** Zero is for an empty pan only; with something on it, tare. */
    public function zero(float $now): bool
    {
        return $this->line($now)[0] === 'S' && $this->onPan < 0.02 * $this->capacityG && $this->setTare($now);
    }

    public function line(float $now): string
    {
        $this->advance($now);
        if ($this->onPan > $this->capacityG) {
            return "OL,+99999.9,{$this->unit}";
        }
        $moving = $this->flow !== 0.0 || abs($this->onPan - $this->shown) > $this->divisionG / 2.0;
        $tremble = $moving ? (mt_rand() / mt_getrandmax() - 0.5) * 3.0 * $this->divisionG : 0.0;
        $drift = self::DRIFT_G_PER_MIN * ($now - $this->zeroedAt) / 60.0;
        $grams = round(($this->shown - $this->tare + $drift + $tremble) / $this->divisionG) * $this->divisionG;

        return sprintf('%s,%s%07.1f,%s', $moving ? 'US' : 'ST', $grams < -1e-9 ? '-' : '+', abs($this->unit === 'g' ? $grams : $grams / Measures::GRAMS_PER_OUNCE), $this->unit);
    }

    private function setTare(float $now): bool
    {
        [$this->tare, $this->zeroedAt] = [$this->shown, $now];

        return true;
    }

    private function advance(float $now): void
    {
        if ($this->last === null) {
            $this->zeroedAt = $now;
        }
        $elapsed = max(0.0, $now - ($this->last ?? $now));
        $this->last = $now;
        $runs = $this->left === null || $this->flow <= 0.0 ? $elapsed : min($elapsed, $this->left / $this->flow);
        $this->onPan += $this->flow * $runs;
        if ($this->left !== null) {
            $this->left = max(0.0, $this->left - $this->flow * $runs);
            $this->flow = $this->left > 1e-9 ? $this->flow : 0.0;
        }
        $this->shown += ($this->onPan - $this->shown) * (1.0 - exp(-$elapsed / self::SETTLE_S));
        if ($this->flow === 0.0 && abs($this->onPan - $this->shown) < $this->divisionG / 20.0) {
            $this->shown = $this->onPan;
        }
    }
}
