<?php

declare(strict_types=1);

namespace Apalos\Core\Cure;

/** The normal distribution, as far as it is needed to know on which side of a moment one is. */
final readonly class Gauss
{
    /** φ(z)/Φ(z): how far the mean of a normal distribution moves, in its deviations, where all below −z is cut away. */
    public static function hazard(float $z): float
    {
        // Far out in the tail the quotient of two very small numbers is its asymptotic series.
        if ($z < -12.0) {
            return -$z - 1.0 / $z;
        }

        return exp(-$z * $z / 2.0) / sqrt(2.0 * M_PI) / self::below($z);
    }

    /** Φ(z), to 1.2e-7 of itself: the complementary error function by a Chebyshev fit (Numerical Recipes, `erfcc`). */
    public static function below(float $z): float
    {
        $x = abs($z) / M_SQRT2;
        $t = 1.0 / (1.0 + $x / 2.0);
        $sum = 0.0;
        foreach ([
            0.17087277, -0.82215223, 1.48851587, -1.13520398, 0.27886807, -0.18628806, 0.09678418, 0.37409196, 1.00002368, -1.26551223,
        ] as $coefficient) {
            $sum = $sum * $t + $coefficient;
        }
        $tail = $t * exp(-$x * $x + $sum) / 2.0;

        return $z < 0.0 ? $tail : 1.0 - $tail;
    }
}
