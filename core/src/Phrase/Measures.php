<?php

declare(strict_types=1);

namespace Apalos\Core\Phrase;

/** The measures a workshop reads: metric, or ounces, inches and degrees Fahrenheit. Rounded here, and only here. */
enum Measures: string
{
    public const GRAMS_PER_OUNCE = 28.349523125;

    public const ML_PER_CUBIC_INCH = 16.387064;

    public const MM_PER_INCH = 25.4;

    private const ML_PER_KG_TO_IN3_PER_LB = self::ML_PER_CUBIC_INCH / (0.016 * self::GRAMS_PER_OUNCE);

    private const HOUR_FROM_MIN = 120.0;

    case Metric = 'metric';
    case Imperial = 'imperial';

    /** @param  int|null  $decimals  as many as are meant in metric; as fine in the other measures */
    public function say(Quantity $quantity, ?int $decimals = null): string
    {
        return match ($quantity->kind) {
            Kind::Duration => $quantity->value >= self::HOUR_FROM_MIN
                ? self::figure($quantity->value / 60.0, $decimals ?? 1).' h'
                : self::figure($quantity->value, $decimals ?? 1).' min',
            Kind::Mass => $this->isMetric()
                ? self::figure($quantity->value, $decimals ?? ($quantity->value < 10.0 ? 2 : 1)).' g'
                : self::figure(
                    $quantity->value / self::GRAMS_PER_OUNCE, self::fine($quantity->value / self::GRAMS_PER_OUNCE, 2 + ($decimals ?? 1)),
                ).' oz',
            Kind::Volume => $this->isMetric()
                ? self::figure($quantity->value, $decimals ?? 1).' ml'
                : self::figure($quantity->value / self::ML_PER_CUBIC_INCH, 1 + ($decimals ?? 1)).' in³',
            Kind::Length => $this->isMetric()
                ? self::figure($quantity->value, $decimals ?? 1).' mm'
                : self::figure($quantity->value / self::MM_PER_INCH, 2 + ($decimals ?? 1)).' in',
            Kind::Area => $this->isMetric()
                ? self::figure($quantity->value / 100.0, $decimals ?? 1).' cm²'
                : self::figure($quantity->value / self::MM_PER_INCH ** 2, 1 + ($decimals ?? 1)).' in²',
            Kind::Temperature => $this->isMetric()
                ? self::figure($quantity->value, $decimals ?? 1).' °C'
                : self::figure($quantity->value * 1.8 + 32.0, $decimals ?? 1).' °F',
            Kind::Density => $this->isMetric()
                ? self::figure($quantity->value, $decimals ?? 2).' g/ml'
                : 'sg '.self::figure($quantity->value, $decimals ?? 2),
            Kind::Yield => $this->isMetric()
                ? self::figure($quantity->value, $decimals ?? 0).' ml/kg'
                : self::figure($quantity->value / self::ML_PER_KG_TO_IN3_PER_LB, 1 + ($decimals ?? 0)).' in³/lb',
        };
    }

    /** As many digits as help, no trailing zeros. */
    public static function figure(float $value, int $decimals = 1): string
    {
        $text = number_format($value, $decimals, '.', '');
        $text = str_contains($text, '.') ? rtrim(rtrim($text, '0'), '.') : $text;

        return $text === '-0' ? '0' : $text;
    }

    /** A pinch keeps two digits that count. */
    private static function fine(float $shown, int $usual): int
    {
        return $shown === 0.0 || abs($shown) >= 10.0 ** (1 - $usual) ? $usual : min(5, 1 - (int) floor(log10(abs($shown))));
    }

    private function isMetric(): bool
    {
        return $this === self::Metric;
    }
}
