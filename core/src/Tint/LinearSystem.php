<?php

declare(strict_types=1);

namespace Apalos\Core\Tint;

/** Small dense linear systems, by elimination with partial pivoting. */
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
}
