<?php

declare(strict_types=1);

namespace Apalos\Core\Mesh;

use Apalos\Core\Phrase\Measures;

/** What one step in a model's file measures. Files that do not say are read as they are told to be. */
enum LengthUnit: string
{
    case Millimetre = 'mm';
    case Centimetre = 'cm';
    case Inch = 'in';
    case Micron = 'micron';
    case Foot = 'ft';
    case Metre = 'm';

    /** In mm. */
    public function length(): float
    {
        return match ($this) {
            self::Millimetre => 1.0,
            self::Centimetre => 10.0,
            self::Inch => Measures::MM_PER_INCH,
            self::Micron => 0.001,
            self::Foot => 304.8,
            self::Metre => 1000.0,
        };
    }

    /** As 3MF writes it. */
    public static function written(string $word): ?self
    {
        return match (strtolower($word)) {
            'millimeter' => self::Millimetre,
            'centimeter' => self::Centimetre,
            'inch' => self::Inch,
            'micron' => self::Micron,
            'foot' => self::Foot,
            'meter' => self::Metre,
            default => null,
        };
    }
}
