<?php

declare(strict_types=1);

namespace App\Devices;

use Apalos\Core\Phrase\Phrase;

/**
 * One line of a scale: `ST,+00123.4,g` stable, `US,+00123.4,g` still moving, `OL,+99999.9,g` more than it can carry. In another
 * unit than grams nothing is read off it: somebody has to set it back.
 */
final readonly class ScaleReading
{
    private function __construct(public ?float $grams, public bool $stable, public bool $overload, public string $unit) {}

    /** @throws DeviceLost when the line is not one a scale speaks */
    public static function parse(string $line): self
    {
        if (preg_match('/^(ST|US|OL),([+-]\d{5}\.\d+),(g|kg|oz|lb|ct)$/', trim($line), $part) !== 1) {
            throw new DeviceLost(Phrase::of('bench.scale_sent_something_not'));
        }

        return match (true) {
            $part[1] === 'OL' => new self(null, false, true, $part[3]),
            $part[3] !== 'g' => new self(null, $part[1] === 'ST', false, $part[3]),
            default => new self((float) $part[2], $part[1] === 'ST', false, 'g'),
        };
    }
}
