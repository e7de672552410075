<?php

declare(strict_types=1);

namespace Apalos\Core\Result;

/** How numbers are written in sentences: as many digits as help, no trailing zeros. */
final class Say
{
    public static function number(float $value, int $decimals = 1): string
    {
        $text = number_format($value, $decimals, '.', '');
        $text = str_contains($text, '.') ? rtrim(rtrim($text, '0'), '.') : $text;

        return $text === '-0' ? '0' : $text;
    }

    public static function grams(float $grams): string
    {
        return self::number($grams, $grams < 10 ? 2 : 1).' g';
    }

    public static function minutes(float $minutes): string
    {
        if ($minutes >= 120.0) {
            return self::number($minutes / 60.0).' h';
        }

        return self::number($minutes).' min';
    }
}
