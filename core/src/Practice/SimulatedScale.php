<?php

declare(strict_types=1);

namespace Apalos\Core\Practice;

use Apalos\Core\Phrase\Measures;

/**
 * How a stand-in scale behaves: it settles, trembles while something runs in, drifts a little, tares, and refuses more than it can carry.
 * The time in seconds and its luck are handed in. It speaks lines: `Q`, `T` and `Z` are a scale's; `+12.3` (poured in), `=80`
 * (poured until it shows that), `SET 45` (set down), `-5` (lifted), `>8`, `|`, `UNIT oz`, `CLR` and `DROP 5` are what hands and bad luck
 * do to it.
 *
 * @phpstan-type PanShape array{
 *     on_pan: float, shown: float, tare: float, zeroed_at: float, flow: float, left: float|null, unit: string, last: float|null,
 *     silent_until: float, leans_g: float,
 * }
 */
final class SimulatedScale
{
    private const SETTLE_S = 0.25;

    private const DRIFT_G_PER_MIN = 0.004;

    /** A quick hand. */
    private const POURS_G_PER_S = 80.0;

    private float $onPan = 0.0;

    private float $shown = 0.0;

    private float $tare = 0.0;

    private float $zeroedAt = 0.0;

    private float $flow = 0.0;

    /** How much of the flow is still to come; null where it runs until told otherwise. */
    private ?float $left = null;

    private string $unit = 'g';

    private ?float $last = null;

    private float $silentUntil = 0.0;

    /** What presses on the pan and is in no cup. */
    private float $leans = 0.0;

    public function __construct(
        private readonly Luck $luck,
        private readonly float $divisionG = 0.1,
        private readonly float $capacityG = 3000.0,
    ) {}

    /** @return string|null what it answers; null while it is silent */
    public function hears(string $line, float $now): ?string
    {
        $line = strtoupper(trim($line));
        if (preg_match('/^DROP (\d+(?:\.\d+)?)$/', $line, $part) === 1) {
            $this->isSilent($now + (float) $part[1]);

            return 'OK';
        }
        if ($now < $this->silentUntil) {
            return null;
        }
        if ($line === 'Q') {
            return $this->reads($now);
        }

        return $this->handled($line, $now) ? 'OK' : 'ER';
    }

    private function handled(string $line, float $now): bool
    {
        if (preg_match('/^([+=>-]|SET )(\d+(?:\.\d+)?)$/', $line, $part) === 1) {
            $grams = (float) $part[2];
            match ($part[1]) {
                '>' => $this->pour($grams, $now),
                '+' => $this->pour(self::POURS_G_PER_S, $now, $grams),
                '=' => $this->pour(self::POURS_G_PER_S, $now, $this->shortOf($grams, $now)),
                '-' => $this->add(-$grams, $now),
                default => $this->add($grams, $now),
            };

            return true;
        }
        if (preg_match('/^UNIT (G|OZ)$/', $line, $part) === 1) {
            $this->unit = strtolower($part[1]);

            return true;
        }

        return match ($line) {
            '|' => $this->pour(0.0, $now),
            'CLR' => $this->clear($now),
            'T' => $this->isAtRest($now) && $this->setTare($now),
            // Zero is for an empty pan only; with something on it, tare.
            'Z' => $this->isAtRest($now) && $this->onPan < 0.02 * $this->capacityG && $this->setTare($now),
            default => false,
        };
    }

    public function isSilent(float $until): void
    {
        $this->silentUntil = $until;
    }

    public function isSilentAt(float $now): bool
    {
        return $now < $this->silentUntil;
    }

    public function leans(float $grams, float $now): void
    {
        $this->advance($now);
        $this->leans = $grams;
    }

    /** Grams on the pan that are in a cup, at this moment. */
    public function onPan(float $now): float
    {
        $this->advance($now);

        return $this->onPan;
    }

    public function flow(): float
    {
        return $this->flow;
    }

    /** How much must still run in until it shows so many grams at rest: by the pan itself, whatever a screen showed last. */
    public function shortOf(float $grams, float $now): float
    {
        $this->advance($now);

        return max(0.0, $grams + $this->tare - $this->drift($now) - $this->onPan - $this->leans);
    }

    public function add(float $grams, float $now): void
    {
        $this->advance($now);
        $this->onPan = max(0.0, $this->onPan + $grams);
    }

    /** Something runs in at so many grams a second until told otherwise, or until so much is in. */
    public function pour(float $gramsPerSecond, float $now, ?float $grams = null): bool
    {
        $this->advance($now);
        [$this->flow, $this->left] = [$gramsPerSecond, $grams];

        return true;
    }

    private function clear(float $now): bool
    {
        $this->advance($now);
        [$this->onPan, $this->shown, $this->flow, $this->tare, $this->zeroedAt, $this->left] = [0.0, 0.0, 0.0, 0.0, $now, null];

        return true;
    }

    private function isAtRest(float $now): bool
    {
        return str_starts_with($this->reads($now), 'S');
    }

    private function reads(float $now): string
    {
        $this->advance($now);
        if ($this->onPan > $this->capacityG) {
            return "OL,+99999.9,{$this->unit}";
        }
        $moving = $this->flow !== 0.0 || abs($this->onPan + $this->leans - $this->shown) > $this->divisionG / 2.0;
        $tremble = $moving ? ($this->luck->draw() - 0.5) * 3.0 * $this->divisionG : 0.0;
        $grams = round(($this->shown - $this->tare + $this->drift($now) + $tremble) / $this->divisionG) * $this->divisionG;

        return sprintf(
            '%s,%s%07.1f,%s', $moving ? 'US' : 'ST', $grams < -1e-9 ? '-' : '+',
            abs($this->unit === 'g' ? $grams : $grams / Measures::GRAMS_PER_OUNCE), $this->unit,
        );
    }

    private function drift(float $now): float
    {
        return self::DRIFT_G_PER_MIN * ($now - $this->zeroedAt) / 60.0;
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
        $feels = $this->onPan + $this->leans;
        $this->shown += ($feels - $this->shown) * (1.0 - exp(-$elapsed / self::SETTLE_S));
        if ($this->flow === 0.0 && abs($feels - $this->shown) < $this->divisionG / 20.0) {
            $this->shown = $feels;
        }
    }

    /** @return PanShape */
    public function toArray(): array
    {
        return [
            'on_pan' => $this->onPan, 'shown' => $this->shown, 'tare' => $this->tare, 'zeroed_at' => $this->zeroedAt, 'flow' => $this->flow,
            'left' => $this->left, 'unit' => $this->unit,
            'last' => $this->last, 'silent_until' => $this->silentUntil, 'leans_g' => $this->leans,
        ];
    }

    /** @param  PanShape  $was  as {@see self::toArray} wrote it */
    public static function from(array $was, Luck $luck, float $divisionG, float $capacityG): self
    {
        $scale = new self($luck, $divisionG, $capacityG);
        // Kept as JSON, 12.0 comes back as 12.
        $number = static fn (int|float|null $kept): ?float => $kept === null ? null : (float) $kept;
        [$scale->onPan, $scale->shown, $scale->tare, $scale->zeroedAt, $scale->flow] = [
            (float) $was['on_pan'], (float) $was['shown'], (float) $was['tare'], (float) $was['zeroed_at'], (float) $was['flow'],
        ];
        [$scale->left, $scale->unit, $scale->last, $scale->silentUntil, $scale->leans] = [
            $number($was['left']), $was['unit'], $number($was['last']), (float) $was['silent_until'], (float) $was['leans_g'],
        ];

        return $scale;
    }
}
