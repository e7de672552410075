<?php

declare(strict_types=1);

namespace App\Devices\StandIn;

use App\Devices\Bitmap;

/**
 * How the stand-in for a label printer behaves: it prints a label at a time while there is paper, and keeps the last that came out. `PAPER
 * 3` puts so many in, `Q` says how many are left, `OUT 1` shows the last, in base64.
 */
final class LabelMechanics
{
    private const KEEPS = 12;

    private const MOST_BYTES = 4_000_000;

    private int $paper = 200;

    /** @var list<string> the last first */
    private array $out = [];

    /**
     * What one connection has said so far.
     *
     * @return array{string|null, string} the answer, if it said enough for one, and what is left of it
     */
    public function hears(string $said): array
    {
        if (str_starts_with($said, 'P4') || $said === 'P') {
            $whole = Bitmap::length($said);
            if ($whole !== null && $whole <= self::MOST_BYTES && strlen($said) < $whole || ($whole === null && strlen($said) < 20)) {
                return [null, $said];
            }

            return [
                $whole === null || $whole > self::MOST_BYTES ? 'ER' : $this->prints(substr($said, 0, $whole)),
                substr($said, $whole ?? strlen($said)),
            ];
        }
        $end = strpos($said, "\n");

        return $end === false
            ? [strlen($said) > 60 ? 'ER' : null, strlen($said) > 60 ? '' : $said]
            : [$this->line(strtoupper(trim(substr($said, 0, $end)))), substr($said, $end + 1)];
    }

    private function prints(string $pbm): string
    {
        if ($this->paper === 0) {
            return 'NP';
        }
        $this->paper--;
        $this->out = array_slice([$pbm, ...$this->out], 0, self::KEEPS);

        return 'OK';
    }

    private function line(string $line): string
    {
        if (preg_match('/^PAPER (\d{1,4})$/', $line, $part) === 1) {
            $this->paper = (int) $part[1];

            return 'OK';
        }
        if (preg_match('/^OUT (\d{1,2})$/', $line, $part) === 1) {
            return isset($this->out[(int) $part[1] - 1]) ? base64_encode($this->out[(int) $part[1] - 1]) : 'NONE';
        }

        return $line === 'Q' ? "PAPER {$this->paper}" : 'ER';
    }
}
