<?php

declare(strict_types=1);

namespace Apalos\Core\Chance;

/**
 * A share that is known as well as so many good ones and so many bad ones let it be: Beta(good, bad). Its distribution is the regularised
 * incomplete beta function by the continued fraction of Lentz (Numerical Recipes, 2nd ed., §6.4), its quantiles by bisection.
 */
final readonly class Beta
{
    private const TURNS = 300;

    private const TINY = 1e-300;

    /** @param  float  $good  more than 0; likewise $bad */
    public function __construct(public float $good, public float $bad) {}

    public function mean(): float
    {
        return $this->good / ($this->good + $this->bad);
    }

    /** How likely it is that the share is at most x. */
    public function below(float $x): float
    {
        if ($x <= 0.0 || $x >= 1.0) {
            return $x <= 0.0 ? 0.0 : 1.0;
        }
        $front = exp(
            self::lnGamma($this->good + $this->bad) - self::lnGamma($this->good) - self::lnGamma($this->bad) + $this->good * log($x)
                + $this->bad * log(1.0 - $x),
        );

        return $x < ($this->good + 1.0) / ($this->good + $this->bad + 2.0)
            ? $front * self::fraction($x, $this->good, $this->bad) / $this->good
            : 1.0 - $front * self::fraction(1.0 - $x, $this->bad, $this->good) / $this->bad;
    }

    /** The share below which it lies with this chance, to 1e-9. */
    public function quantile(float $chance): float
    {
        [$low, $high] = [0.0, 1.0];
        for ($i = 0; $i < 60 && $high - $low > 1e-9; $i++) {
            $middle = ($low + $high) / 2.0;
            $this->below($middle) < $chance ? $low = $middle : $high = $middle;
        }

        return ($low + $high) / 2.0;
    }

    private static function fraction(float $x, float $a, float $b): float
    {
        [$c, $d] = [1.0, 1.0 / self::off(1.0 - ($a + $b) * $x / ($a + 1.0))];
        $h = $d;
        for ($m = 1; $m <= self::TURNS; $m++) {
            foreach ([
                $m * ($b - $m) * $x / (($a + 2 * $m - 1.0) * ($a + 2 * $m)),
                -($a + $m) * ($a + $b + $m) * $x / (($a + 2 * $m) * ($a + 2 * $m + 1.0)),
            ] as $step) {
                $d = 1.0 / self::off(1.0 + $step * $d);
                $c = self::off(1.0 + $step / $c);
                $h *= $d * $c;
            }
            if (abs($d * $c - 1.0) < 1e-14) {
                break;
            }
        }

        return $h;
    }

    private static function off(float $value): float
    {
        return abs($value) < self::TINY ? self::TINY : $value;
    }

    /** ln Γ, by Lanczos' series (g = 7, nine terms), to 1e-14. */
    private static function lnGamma(float $x): float
    {
        if ($x < 0.5) {
            return log(M_PI / sin(M_PI * $x)) - self::lnGamma(1.0 - $x);
        }
        $x -= 1.0;
        $sum = 0.99999999999980993;
        foreach ([
            676.5203681218851, -1259.1392167224028, 771.32342877765313, -176.61502916214059, 12.507343278686905, -0.13857109526572012,
            9.9843695780195716e-6, 1.5056327351493116e-7,
        ] as $i => $term) {
            $sum += $term / ($x + $i + 1.0);
        }
        $t = $x + 7.5;

        return 0.5 * log(2.0 * M_PI) + ($x + 0.5) * log($t) - $t + log($sum);
    }
}
