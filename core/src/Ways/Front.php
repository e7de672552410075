<?php

declare(strict_types=1);

namespace Apalos\Core\Ways;

/**
 * Of many ways those that no other beats in everything at once: money a piece, when it is done, hands, and the chance that it comes out.
 * What differs by less than two in a hundred is the same; of two that are the same in everything the first stays.
 */
final readonly class Front
{
    public const SAME = 0.02;

    /** A chance is better where it is higher; all else where it is less. */
    private const CHANCE = 3;

    /**
     * @param  array{float, float, float, float}  $one
     * @param  array{float, float, float, float}  $other
     */
    public static function beats(array $one, array $other): bool
    {
        $better = false;
        foreach ($one as $i => $value) {
            $ahead = self::ahead($value, $other[$i], $i);
            if ($ahead <= -self::SAME) {
                return false;
            }
            $better = $better || $ahead >= self::SAME;
        }

        return $better;
    }

    /** How far ahead of the other one value is, as a share of the larger. */
    private static function ahead(float $one, float $other, int $which): float
    {
        $most = max(abs($one), abs($other));

        return $most <= 0.0 ? 0.0 : ($which === self::CHANCE ? $one - $other : $other - $one) / $most;
    }

    /**
     * @param  array{float, float, float, float}  $one
     * @param  array{float, float, float, float}  $other
     */
    private static function same(array $one, array $other): bool
    {
        foreach ($one as $i => $value) {
            if (abs(self::ahead($value, $other[$i], $i)) >= self::SAME) {
                return false;
            }
        }

        return true;
    }

    /**
     * @template T
     *
     * @param  iterable<T>  $all
     * @param  callable(T): array{float, float, float, float}  $measures
     * @return list<T>
     */
    public static function of(iterable $all, callable $measures): array
    {
        $front = [];
        foreach ($all as $one) {
            $its = $measures($one);
            foreach ($front as [$there]) {
                if (self::beats($there, $its) || self::same($there, $its)) {
                    continue 2;
                }
            }
            $front = array_filter($front, static fn (array $entry): bool => ! self::beats($its, $entry[0]));
            $front[] = [$its, $one];
        }

        return array_map(static fn (array $entry): mixed => $entry[1], array_values($front));
    }

    /**
     * So many of them, spread over the four: the best in each, then whichever lies farthest from all that are chosen.
     *
     * @template T
     *
     * @param  list<T>  $front
     * @param  callable(T): array{float, float, float, float}  $measures
     * @return list<T> the cheapest first
     */
    public static function spread(array $front, callable $measures, int $most): array
    {
        $at = array_map($measures, $front);
        $chosen = array_fill_keys(array_keys($front), true);
        if (count($front) > $most) {
            $chosen = self::apartFrom(self::scaled($at), $most);
        }
        $which = array_keys($chosen);
        usort($which, static fn (int $a, int $b): int => [$at[$a][0], $at[$a][1], $a] <=> [$at[$b][0], $at[$b][1], $b]);

        return array_map(static fn (int $i): mixed => $front[$i], $which);
    }

    /**
     * @param  array<int, list<float>>  $scaled
     * @return array<int, true> the best in each, then whichever lies farthest from all that are chosen
     */
    private static function apartFrom(array $scaled, int $most): array
    {
        $chosen = [];
        foreach ([0, 1, 2, self::CHANCE] as $which) {
            $best = array_keys($scaled);
            usort(
                $best,
                static fn (int $a, int $b): int => [
                    $scaled[$a][$which], array_sum($scaled[$a]),
                ] <=> [$scaled[$b][$which], array_sum($scaled[$b])],
            );
            $chosen[$best[0]] = true;
        }
        while (count($chosen) < $most) {
            [$farthest, $which] = [-1.0, -1];
            foreach (array_keys($scaled) as $i) {
                $near = isset($chosen[$i])
                    ? -1.0
                    : min(array_map(static fn (int $c): float => self::apart($scaled[$i], $scaled[$c]), array_keys($chosen)));
                if ($near > $farthest) {
                    [$farthest, $which] = [$near, $i];
                }
            }
            $chosen[$which] = true;
        }

        return $chosen;
    }

    /**
     * @param  array<int, array{float, float, float, float}>  $at
     * @return array<int, list<float>> each from 0, the best, to 1, the worst there is
     */
    private static function scaled(array $at): array
    {
        $scaled = [];
        foreach ([0, 1, 2, self::CHANCE] as $which) {
            $column = array_column($at, $which);
            [$least, $most] = $column === [] ? [0.0, 0.0] : [min($column), max($column)];
            foreach ($column as $i => $value) {
                $share = $most > $least ? ($value - $least) / ($most - $least) : 0.0;
                $scaled[$i][] = $which === self::CHANCE ? 1.0 - $share : $share;
            }
        }

        return $scaled;
    }

    /**
     * @param  list<float>  $one
     * @param  list<float>  $other
     */
    private static function apart(array $one, array $other): float
    {
        return sqrt(array_sum(array_map(static fn (float $a, float $b): float => ($a - $b) ** 2, $one, $other)));
    }
}
