<?php

declare(strict_types=1);

namespace App\Devices;

/**
 * One line of a scale: `ST,+00123.4,g` stable, `US,+00123.4,g` still moving, `OL,+99999.9,g` more than it can carry.
 */
final readonly class ScaleReading
{
    private function __construct(public ?float $grams, public bool $stable, public bool $overload) {}

    /** @throws DeviceLost when the line is not one a scale speaks */
    public static function parse(string $line): self
    {
        if (preg_match('/^(ST|US|OL),([+-]\d{5}\.\d+),g$/', trim($line), $part) !== 1) {
            throw new DeviceLost('The scale sent something that is not a weight. Check its cable and its output setting, or type the reading.');
        }

        return $part[1] === 'OL' ? new self(null, false, true) : new self((float) $part[2], $part[1] === 'ST', false);
    }
}
