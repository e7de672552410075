<?php

declare(strict_types=1);

namespace App\Paper;

use Apalos\Core\Phrase\Measures;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Phrasebook;
use App\Models\Workshop;
use Carbon\CarbonImmutable;

/** How figures are written on paper: as the screens write them, in the units the sheet is asked in, by the clock of the shop. */
final readonly class Figures
{
    public function __construct(private Measures $measures, private Phrasebook $words, private Workshop $shop) {}

    /** Grams to what the scale shows; ounces as finely. */
    public function mass(?float $grams, ?float $division = null): string
    {
        if ($grams === null) {
            return '–';
        }
        $isMetric = $this->measures === Measures::Metric;
        $step = ($division ?? $this->shop->scale_division_g) / ($isMetric ? 1.0 : Measures::GRAMS_PER_OUNCE);

        return number_format(
            $isMetric ? $grams : $grams / Measures::GRAMS_PER_OUNCE, max(0, min(6, (int) ceil(-log10($step) - 1e-6))), '.', ' ',
        ).' '.($isMetric ? 'g' : 'oz');
    }

    public function volume(?float $ml): string
    {
        return $ml === null ? '–' : $this->words->say(Phrase::written('{'.self::plain($ml, 1).' ml}'));
    }

    public function minutes(?float $minutes): string
    {
        return match (true) {
            $minutes === null => '–',
            $minutes < 90.0 => self::plain($minutes, 1).' min',
            $minutes < 2880.0 => self::plain($minutes / 60.0, 1).' h',
            default => self::plain($minutes / 1440.0, 1).' days',
        };
    }

    public function celsius(?float $c): string
    {
        return $c === null ? '–' : $this->words->say(Phrase::written('{'.self::plain($c, 1).' °C}'));
    }

    public function percent(float $share, int $decimals = 1): string
    {
        return self::plain($share, $decimals).' %';
    }

    public function clock(?int $ms): string
    {
        return $ms === null ? '' : $this->at($ms)->format('H:i');
    }

    public function day(?int $ms): string
    {
        return $ms === null ? '' : $this->at($ms)->format('j M Y');
    }

    public function dayAndTime(?int $ms): string
    {
        return $ms === null ? '' : $this->at($ms)->format('D j M, H:i');
    }

    private function at(int $ms): CarbonImmutable
    {
        return CarbonImmutable::createFromTimestampMs($ms, 'UTC')->setTimezone($this->shop->zone());
    }

    private static function plain(float $value, int $decimals): string
    {
        $written = number_format($value, $decimals, '.', '');

        return str_contains($written, '.') ? rtrim(rtrim($written, '0'), '.') : $written;
    }
}
