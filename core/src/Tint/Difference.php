<?php

declare(strict_types=1);

namespace Apalos\Core\Tint;

/** CIEDE2000 with kL = kC = kH = 1, after Sharma, Wu and Dalal (2005). */
final readonly class Difference
{
    public static function between(Lab $from, Lab $to): float
    {
        $meanC = (hypot($from->a, $from->b) + hypot($to->a, $to->b)) / 2.0;
        $g = 0.5 * (1.0 - sqrt($meanC ** 7 / ($meanC ** 7 + 25.0 ** 7)));
        [$a1, $a2] = [(1.0 + $g) * $from->a, (1.0 + $g) * $to->a];
        [$c1, $c2] = [hypot($a1, $from->b), hypot($a2, $to->b)];
        [$h1, $h2] = [self::hue($a1, $from->b), self::hue($a2, $to->b)];

        $dL = $to->l - $from->l;
        $dC = $c2 - $c1;
        $dHue = $c1 * $c2 === 0.0 ? 0.0 : self::turn($h2 - $h1);
        $dH = 2.0 * sqrt($c1 * $c2) * sin(deg2rad($dHue) / 2.0);

        $meanL = ($from->l + $to->l) / 2.0;
        $meanCp = ($c1 + $c2) / 2.0;
        $meanH = self::meanHue($h1, $h2, $c1 * $c2 === 0.0);
        $t = 1.0 - 0.17 * cos(deg2rad($meanH - 30.0)) + 0.24 * cos(deg2rad(2.0 * $meanH)) + 0.32 * cos(deg2rad(3.0 * $meanH + 6.0))
            - 0.20 * cos(deg2rad(4.0 * $meanH - 63.0));
        $sL = 1.0 + 0.015 * ($meanL - 50.0) ** 2 / sqrt(20.0 + ($meanL - 50.0) ** 2);
        $sC = 1.0 + 0.045 * $meanCp;
        $sH = 1.0 + 0.015 * $meanCp * $t;
        $rotation = -sin(deg2rad(60.0 * exp(-((($meanH - 275.0) / 25.0) ** 2)))) * 2.0 * sqrt($meanCp ** 7 / ($meanCp ** 7 + 25.0 ** 7));

        return sqrt(max(0.0, ($dL / $sL) ** 2 + ($dC / $sC) ** 2 + ($dH / $sH) ** 2 + $rotation * ($dC / $sC) * ($dH / $sH)));
    }

    private static function hue(float $a, float $b): float
    {
        if ($a === 0.0 && $b === 0.0) {
            return 0.0;
        }
        $degrees = rad2deg(atan2($b, $a));

        return $degrees < 0.0 ? $degrees + 360.0 : $degrees;
    }

    /** The shorter way round. */
    private static function turn(float $degrees): float
    {
        return $degrees > 180.0 ? $degrees - 360.0 : ($degrees < -180.0 ? $degrees + 360.0 : $degrees);
    }

    private static function meanHue(float $h1, float $h2, bool $grey): float
    {
        if ($grey) {
            return $h1 + $h2;
        }
        if (abs($h1 - $h2) <= 180.0) {
            return ($h1 + $h2) / 2.0;
        }

        return $h1 + $h2 < 360.0 ? ($h1 + $h2 + 360.0) / 2.0 : ($h1 + $h2 - 360.0) / 2.0;
    }
}
