<?php

declare(strict_types=1);

namespace App\Devices\StandIn;

/** The lines the stand-ins understand, each answered with one line or, while dropped out, with nothing. */
final class StandIns
{
    /** A quick hand. */
    private const POURS_G_PER_S = 80.0;

    private float $silentUntil = 0.0;

    private ?float $setCelsius = null;

    private ?PotMechanics $pot = null;

    public function __construct(private readonly ScaleMechanics $scale = new ScaleMechanics, private readonly float $roomC = 19.5) {}

    /**
     * `Q`, `T` and `Z` are a scale's; `+12.3` (poured in), `SET 45` (set down), `-5` (lifted), `>8`, `|`, `UNIT oz`, `CLR` and `DROP 5`
     * are what hands and bad luck do to it.
     */
    public function scale(string $line, float $now): ?string
    {
        $line = strtoupper(trim($line));
        if (preg_match('/^DROP (\d+(?:\.\d+)?)$/', $line, $part) === 1) {
            $this->silentUntil = $now + (float) $part[1];

            return 'OK';
        }
        if ($now < $this->silentUntil) {
            return null;
        }
        if (preg_match('/^([+>-])(\d+(?:\.\d+)?)$/', $line, $part) === 1) {
            match ($part[1]) {
                '>' => $this->scale->pour((float) $part[2], $now),
                '+' => $this->scale->pour(self::POURS_G_PER_S, $now, (float) $part[2]),
                default => $this->scale->add(-(float) $part[2], $now),
            };

            return 'OK';
        }
        if (preg_match('/^SET (\d+(?:\.\d+)?)$/', $line, $part) === 1) {
            $this->scale->add((float) $part[1], $now);

            return 'OK';
        }
        if (preg_match('/^UNIT (G|OZ)$/', $line, $part) === 1) {
            $this->scale->unit = strtolower($part[1]);

            return 'OK';
        }
        if ($line === '|') {
            $this->scale->pour(0.0, $now);

            return 'OK';
        }
        if ($line === 'CLR') {
            $this->scale->clear($now);

            return 'OK';
        }

        return match ($line) {
            'Q' => $this->scale->line($now),
            'T' => $this->scale->tare($now) ? 'OK' : 'ER',
            'Z' => $this->scale->zero($now) ? 'OK' : 'ER',
            default => 'ER',
        };
    }

    /** `Q` is answered with the pot; `ON` and `OFF` are the heat under it, `=172` what it is warmed to at once. */
    public function probe(string $line, float $now): string
    {
        $line = strtoupper(trim($line));
        $this->pot ??= new PotMechanics($this->roomC, $now);
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
