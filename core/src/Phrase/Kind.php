<?php

declare(strict_types=1);

namespace Apalos\Core\Phrase;

/** What a quantity measures. Inside g, ml, mm, mm², °C, min, g/ml, ml/kg. */
enum Kind: string
{
    case Mass = 'mass';
    case Volume = 'volume';
    case Length = 'length';
    case Area = 'area';
    case Temperature = 'temperature';
    case Duration = 'duration';
    case Density = 'density';
    case Yield = 'yield';

    /** By the sign a quantity is written with in data. */
    public static function ofSign(string $sign): ?self
    {
        return match ($sign) {
            'g' => self::Mass,
            'ml' => self::Volume,
            'mm' => self::Length,
            '°C' => self::Temperature,
            'min' => self::Duration,
            default => null,
        };
    }
}
