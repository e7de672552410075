<?php

declare(strict_types=1);

namespace Apalos\Core\Chance;

/**
 * Of a pile of N with K bad ones, n are drawn: how likely it is that so many of them are bad. Fisher's exact test asks for the upper tail.
 * Worked in logarithms of factorials, summed up once.
 */
final class Hypergeometric
{
    /** @var list<float> ln n! */
    private static array $factorials = [0.0];

    /** The chance that, drawn blindly, at least so many of the n are bad: P(X ≥ hits). */
    public static function atLeast(int $hits, int $drawn, int $bad, int $all): float
    {
        $most = min($drawn, $bad);
        $sum = 0.0;
        for ($x = max($hits, $drawn + $bad - $all, 0); $x <= $most; $x++) {
            $sum += exp(self::choose($bad, $x) + self::choose($all - $bad, $drawn - $x) - self::choose($all, $drawn));
        }

        return min(1.0, $sum);
    }

    /** The smallest chance any count of bad ones among the n could have: if even that is no rare thing, looking tells nothing. */
    public static function least(int $drawn, int $bad, int $all): float
    {
        return self::atLeast(min($drawn, $bad), $drawn, $bad, $all);
    }

    private static function choose(int $n, int $k): float
    {
        for ($i = count(self::$factorials); $i <= $n; $i++) {
            self::$factorials[] = self::$factorials[$i - 1] + log($i);
        }

        return self::$factorials[$n] - self::$factorials[$k] - self::$factorials[$n - $k];
    }
}
