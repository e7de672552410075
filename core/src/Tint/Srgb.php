<?php

declare(strict_types=1);

namespace Apalos\Core\Tint;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;

/** The colours of a screen (IEC 61966-2-1): a share of full light behind each channel, and the byte it is stored as. */
final readonly class Srgb
{
    /** Linear light, 0–1, of a byte from 0 to 255. */
    public static function light(float $byte): float
    {
        $c = $byte / 255.0;

        return $c <= 0.04045 ? $c / 12.92 : (($c + 0.055) / 1.055) ** 2.4;
    }

    /** The byte of linear light, clipped to what a screen can show. */
    public static function byte(float $light): int
    {
        $c = max(0.0, min(1.0, $light));

        return (int) round(255.0 * ($c <= 0.0031308 ? 12.92 * $c : 1.055 * $c ** (1.0 / 2.4) - 0.055));
    }

    /**
     * @return array{float, float, float} linear light
     *
     * @throws BadInput unless it is written #rrggbb
     */
    public static function ofHex(string $hex, string $field = 'hex'): array
    {
        if (preg_match('/^#?([0-9a-f]{2})([0-9a-f]{2})([0-9a-f]{2})$/i', trim($hex), $part) !== 1) {
            throw BadInput::at($field, Phrase::of('tint.no_hex'));
        }

        return [self::light(hexdec($part[1])), self::light(hexdec($part[2])), self::light(hexdec($part[3]))];
    }

    /** @param  array{float, float, float}  $light */
    public static function hex(array $light): string
    {
        return vsprintf('#%02x%02x%02x', array_map(self::byte(...), $light));
    }
}
