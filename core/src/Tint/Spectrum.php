<?php

declare(strict_types=1);

namespace Apalos\Core\Tint;

/**
 * The smoothest reflectance that looks like a Lab: least squared steps of z, with ρ = (tanh z + 1)/2 so that it stays between
 * 0 and 1, under the three constraints of X, Y and Z; solved by Newton's method on the Lagrangian (after Burns, 2019).
 */
final readonly class Spectrum
{
    private const ROUNDS = 40;

    private const CLOSE = 1e-10;

    /** @return list<float> 36 reflectances */
    public static function of(Lab $lab): array
    {
        $wanted = $lab->xyz();
        $weights = [Observer::WX, Observer::WY, Observer::WZ];
        $n = Observer::BANDS;
        // No reflectance is a perfect white or black; keep the target a hair inside.
        $wanted = [min($wanted[0], 0.9995 * Observer::WHITE[0]), min($wanted[1], 0.9995), min($wanted[2], 0.9995 * Observer::WHITE[2])];
        $wanted = array_map(static fn (float $value): float => max(1e-4, $value), $wanted);
        $z = array_fill(0, $n, atanh(max(-0.999, min(0.999, 2.0 * $wanted[1] - 1.0))));
        $lambda = [0.0, 0.0, 0.0];

        for ($round = 0; $round < self::ROUNDS; $round++) {
            [$matrix, $right] = self::system($z, $lambda, $weights, $wanted);
            $size = 0.0;
            foreach ($right as $value) {
                $size = max($size, abs($value));
            }
            if ($size < self::CLOSE) {
                break;
            }
            $step = LinearSystem::solve($matrix, $right);
            $longest = 0.0;
            for ($i = 0; $i < $n; $i++) {
                $longest = max($longest, abs($step[$i]));
            }
            // A step of more than one in z leaps past the bend of tanh.
            $damp = $longest > 1.0 ? 1.0 / $longest : 1.0;
            for ($i = 0; $i < $n; $i++) {
                $z[$i] += $damp * $step[$i];
            }
            for ($j = 0; $j < 3; $j++) {
                $lambda[$j] += $damp * $step[$n + $j];
            }
        }

        return array_map(static fn (float $value): float => (tanh($value) + 1.0) / 2.0, $z);
    }

    /**
     * Gradient and Hessian of the Lagrangian, the gradient negated.
     *
     * @param  list<float>  $z
     * @param  array{float, float, float}  $lambda
     * @param  array{list<float>, list<float>, list<float>}  $weights
     * @param  array{float, float, float}  $wanted
     * @return array{list<list<float>>, list<float>}
     */
    private static function system(array $z, array $lambda, array $weights, array $wanted): array
    {
        $n = Observer::BANDS;
        $matrix = array_fill(0, $n + 3, array_fill(0, $n + 3, 0.0));
        $right = array_fill(0, $n + 3, 0.0);
        $sum = [0.0, 0.0, 0.0];
        for ($i = 0; $i < $n; $i++) {
            $tanh = tanh($z[$i]);
            $slope = (1.0 - $tanh * $tanh) / 2.0;
            $bend = -2.0 * $tanh * $slope;
            $inner = $i > 0 && $i < $n - 1;
            $matrix[$i][$i] = $inner ? 4.0 : 2.0;
            $gradient = ($inner ? 4.0 : 2.0) * $z[$i];
            foreach ([$i - 1, $i + 1] as $next) {
                if ($next >= 0 && $next < $n) {
                    $matrix[$i][$next] = -2.0;
                    $gradient -= 2.0 * $z[$next];
                }
            }
            for ($j = 0; $j < 3; $j++) {
                $w = $weights[$j][$i];
                $gradient += $lambda[$j] * $w * $slope;
                $matrix[$i][$i] += $lambda[$j] * $w * $bend;
                $matrix[$i][$n + $j] = $matrix[$n + $j][$i] = $w * $slope;
                $sum[$j] += $w * ($tanh + 1.0) / 2.0;
            }
            $right[$i] = -$gradient;
        }
        for ($j = 0; $j < 3; $j++) {
            $right[$n + $j] = $wanted[$j] - $sum[$j];
        }

        return [$matrix, $right];
    }
}
