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

    private const LEAST_PIVOT = 1e-6;

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
            $system = self::system($z, $lambda, $weights, $wanted);
            $size = 0.0;
            foreach ($system['right'] as $value) {
                $size = max($size, abs($value));
            }
            if ($size < self::CLOSE) {
                break;
            }
            $step = self::step($system);
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
     * @return array{diagonal: list<float>, border: list<list<float>>, right: list<float>} −2 stands beside the diagonal
     */
    private static function system(array $z, array $lambda, array $weights, array $wanted): array
    {
        $n = Observer::BANDS;
        [$diagonal, $border, $right] = [[], [[], [], []], []];
        $sum = [0.0, 0.0, 0.0];
        for ($i = 0; $i < $n; $i++) {
            $tanh = tanh($z[$i]);
            $slope = (1.0 - $tanh * $tanh) / 2.0;
            $bend = -2.0 * $tanh * $slope;
            $own = $i > 0 && $i < $n - 1 ? 4.0 : 2.0;
            $gradient = $own * $z[$i] - 2.0 * (($z[$i - 1] ?? 0.0) + ($z[$i + 1] ?? 0.0));
            for ($j = 0; $j < 3; $j++) {
                $w = $weights[$j][$i];
                $gradient += $lambda[$j] * $w * $slope;
                $own += $lambda[$j] * $w * $bend;
                $border[$j][] = $w * $slope;
                $sum[$j] += $w * ($tanh + 1.0) / 2.0;
            }
            $diagonal[] = $own;
            $right[] = -$gradient;
        }
        for ($j = 0; $j < 3; $j++) {
            $right[] = $wanted[$j] - $sum[$j];
        }

        return ['diagonal' => $diagonal, 'border' => $border, 'right' => $right];
    }

    /**
     * Of its three diagonals with a border of three: the band by elimination, what is left over for the border as three equations.
     * Where a pivot vanishes, the whole of it with pivoting.
     *
     * @param  array{diagonal: list<float>, border: list<list<float>>, right: list<float>}  $system
     * @return list<float>
     */
    private static function step(array $system): array
    {
        ['diagonal' => $pivot, 'border' => $border, 'right' => $right] = $system;
        $n = Observer::BANDS;
        $sides = [array_slice($right, 0, $n), ...$border];
        for ($i = 0; $i < $n; $i++) {
            if ($i > 0) {
                $factor = -2.0 / $pivot[$i - 1];
                $pivot[$i] += 2.0 * $factor;
                foreach ($sides as &$side) {
                    $side[$i] -= $factor * $side[$i - 1];
                }
                unset($side);
            }
            if (abs($pivot[$i]) < self::LEAST_PIVOT) {
                return self::whole($system);
            }
        }
        foreach ($sides as &$side) {
            $side[$n - 1] /= $pivot[$n - 1];
            for ($i = $n - 2; $i >= 0; $i--) {
                $side[$i] = ($side[$i] + 2.0 * $side[$i + 1]) / $pivot[$i];
            }
        }
        unset($side);
        [$small, $rest] = [[], []];
        for ($j = 0; $j < 3; $j++) {
            $small[] = array_map(static fn (int $k): float => self::dot($border[$j], $sides[1 + $k]), [0, 1, 2]);
            $rest[] = self::dot($border[$j], $sides[0]) - $right[$n + $j];
        }
        $lambda = LinearSystem::solve($small, $rest);
        $step = [];
        for ($i = 0; $i < $n; $i++) {
            $step[] = $sides[0][$i] - $lambda[0] * $sides[1][$i] - $lambda[1] * $sides[2][$i] - $lambda[2] * $sides[3][$i];
        }

        return [...$step, ...$lambda];
    }

    /**
     * @param  list<float>  $one
     * @param  array<int, float>  $other
     */
    private static function dot(array $one, array $other): float
    {
        $sum = 0.0;
        foreach ($one as $i => $value) {
            $sum += $value * $other[$i];
        }

        return $sum;
    }

    /**
     * @param  array{diagonal: list<float>, border: list<list<float>>, right: list<float>}  $system
     * @return list<float>
     */
    private static function whole(array $system): array
    {
        $n = Observer::BANDS;
        $matrix = array_fill(0, $n + 3, array_fill(0, $n + 3, 0.0));
        for ($i = 0; $i < $n; $i++) {
            $matrix[$i][$i] = $system['diagonal'][$i];
            if ($i > 0) {
                $matrix[$i][$i - 1] = $matrix[$i - 1][$i] = -2.0;
            }
            for ($j = 0; $j < 3; $j++) {
                $matrix[$i][$n + $j] = $matrix[$n + $j][$i] = $system['border'][$j][$i];
            }
        }

        return LinearSystem::solve($matrix, $system['right']);
    }
}
