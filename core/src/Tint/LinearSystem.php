<?php

declare(strict_types=1);

namespace Apalos\Core\Tint;

/** Small linear systems: dense ones by elimination with partial pivoting, symmetric ones that are known to be positive by Cholesky's. */
final readonly class LinearSystem
{
    /**
     * @param  array<int, array<int, float>>  $matrix  rows and columns from 0
     * @param  array<int, float>  $right
     * @return list<float> zeros along a direction the matrix cannot see
     */
    public static function solve(array $matrix, array $right): array
    {
        $n = count($right);
        for ($column = 0; $column < $n; $column++) {
            $pivot = $column;
            for ($row = $column + 1; $row < $n; $row++) {
                if (abs($matrix[$row][$column]) > abs($matrix[$pivot][$column])) {
                    $pivot = $row;
                }
            }
            if (abs($matrix[$pivot][$column]) < 1e-14) {
                continue;
            }
            [$matrix[$column], $matrix[$pivot]] = [$matrix[$pivot], $matrix[$column]];
            [$right[$column], $right[$pivot]] = [$right[$pivot], $right[$column]];
            for ($row = $column + 1; $row < $n; $row++) {
                $factor = $matrix[$row][$column] / $matrix[$column][$column];
                if ($factor === 0.0) {
                    continue;
                }
                for ($k = $column; $k < $n; $k++) {
                    $matrix[$row][$k] -= $factor * $matrix[$column][$k];
                }
                $right[$row] -= $factor * $right[$column];
            }
        }
        for ($row = $n - 1; $row >= 0; $row--) {
            for ($k = $row + 1; $k < $n; $k++) {
                $right[$row] -= $matrix[$row][$k] * $right[$k];
            }
            $right[$row] = abs($matrix[$row][$row]) < 1e-14 ? 0.0 : $right[$row] / $matrix[$row][$row];
        }

        return array_values($right);
    }

    /**
     * Of a symmetric positive definite matrix, of which only what is on and under the diagonal is read.
     *
     * @param  array<int, array<int, float>>  $matrix
     * @param  array<int, float>  $right
     * @return list<float>
     */
    public static function positive(array $matrix, array $right): array
    {
        $n = count($right);
        $low = [];
        for ($i = 0; $i < $n; $i++) {
            $row = [];
            for ($j = 0; $j < $i; $j++) {
                $sum = $matrix[$i][$j];
                foreach ($low[$j] as $k => $value) {
                    if ($k === $j) {
                        break;
                    }
                    $sum -= $row[$k] * $value;
                }
                $row[$j] = $sum / $low[$j][$j];
            }
            $sum = $matrix[$i][$i];
            foreach ($row as $value) {
                $sum -= $value * $value;
            }
            // Rounding may leave a hair less than nothing where a direction is hardly seen at all.
            $row[$i] = sqrt(max(1e-14, $sum));
            $low[] = $row;
        }
        for ($i = 0; $i < $n; $i++) {
            for ($k = 0; $k < $i; $k++) {
                $right[$i] -= $low[$i][$k] * $right[$k];
            }
            $right[$i] /= $low[$i][$i];
        }
        for ($i = $n - 1; $i >= 0; $i--) {
            $right[$i] /= $low[$i][$i];
            for ($k = 0; $k < $i; $k++) {
                $right[$k] -= $low[$i][$k] * $right[$i];
            }
        }

        return array_values($right);
    }
}
