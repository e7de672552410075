<?php

declare(strict_types=1);

namespace Apalos\Core\Tint;

/**
 * Kubelka and Munk's layer: absorption K and scattering S per mm, thickness X in mm, over a backing Rg.
 * R = (1 − Rg(a − b·coth(bSX)))/(a − Rg + b·coth(bSX)), a = 1 + K/S, b = √(a² − 1).
 */
final readonly class KubelkaMunk
{
    /** Below this much scattering the layer is clear and Lambert and Beer's law holds. */
    private const CLEAR = 1e-7;

    public static function reflectance(float $k, float $s, float $mm, float $backing): float
    {
        if ($mm <= 0.0) {
            return $backing;
        }
        if ($s < self::CLEAR) {
            return $backing * exp(-2.0 * $k * $mm);
        }
        $a = 1.0 + $k / $s;
        $b = sqrt(max(0.0, $a * $a - 1.0));
        $depth = $b * $s * $mm;
        // b·coth(bSX): 1/(SX) where b vanishes, b where the layer is as good as endless.
        $coth = $depth < 1e-6 ? 1.0 / ($s * $mm) : ($depth > 20.0 ? $b : $b / tanh($depth));

        return (1.0 - $backing * ($a - $coth)) / ($a - $backing + $coth);
    }

    /**
     * K and S of a layer seen over two backings. Eliminating b·coth(bSX) from the two equations leaves one that is linear in a.
     *
     * @return array{float, float}|null K and S per mm; null where the two readings contradict the model
     */
    public static function solve(float $over1, float $backing1, float $over2, float $backing2, float $mm): ?array
    {
        [$p1, $q1] = [(1.0 + $over1 * $backing1) / ($over1 - $backing1), ($over1 + $backing1) / ($over1 - $backing1)];
        [$p2, $q2] = [(1.0 + $over2 * $backing2) / ($over2 - $backing2), ($over2 + $backing2) / ($over2 - $backing2)];
        if (! is_finite($p1 + $p2) || abs($q1 - $q2) < 1e-12) {
            return null;
        }
        $a = ($p1 - $p2) / ($q1 - $q2);
        $coth = $p1 - $a * $q1;
        if ($a < 1.0 || $coth <= 0.0) {
            return null;
        }
        $b = sqrt($a * $a - 1.0);
        $s = $b < 1e-9 ? 1.0 / ($coth * $mm) : ($coth <= $b ? null : log(($coth + $b) / ($coth - $b)) / (2.0 * $b * $mm));

        return $s === null ? null : [$s * ($a - 1.0), $s];
    }
}
