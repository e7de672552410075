<?php

declare(strict_types=1);

namespace Apalos\Core\Mesh;

/**
 * A flat field with islands, cut up into triangles: each island is joined to its border by a bridge, and ears are cut off until nothing
 * is left. Where rounding leaves no ear, the flattest corner is cut: the edges of the field are all kept, whatever happens.
 */
final class EarClip
{
    /**
     * @param  array<int, float>  $u
     * @param  array<int, float>  $v
     */
    private function __construct(private array $u, private array $v) {}

    /**
     * @param  list<int>  $round  anticlockwise
     * @param  list<list<int>>  $islands  clockwise
     * @param  array<int, float>  $u  by point
     * @param  array<int, float>  $v
     * @return list<array{int, int, int}>
     */
    public static function of(array $round, array $islands, array $u, array $v): array
    {
        $clip = new self($u, $v);
        // From the right: a bridge then never runs through an island that is not joined yet.
        usort($islands, static fn (array $one, array $other): int => $clip->right($other) <=> $clip->right($one));
        foreach ($islands as $i => $island) {
            $round = $clip->joined($round, $island, array_slice($islands, $i + 1));
        }

        return $clip->clipped($round);
    }

    /**
     * @param  list<int>  $round
     * @param  list<int>  $island
     * @param  list<list<int>>  $others  islands that are not joined yet
     * @return list<int>
     */
    private function joined(array $round, array $island, array $others): array
    {
        [$best, $near] = [[0, 0], INF];
        $right = 0;
        foreach ($island as $i => $p) {
            $right = $this->u[$p] > $this->u[$island[$right]] ? $i : $right;
        }
        $from = $island[$right];
        $order = array_keys($round);
        usort($order, fn (int $a, int $b): int => $this->far($from, $round[$a]) <=> $this->far($from, $round[$b]));
        foreach ($order as $k) {
            $far = $this->far($from, $round[$k]);
            if ($far < $near && $this->isInto($round, $k, $from) && $this->isFree($from, $round[$k], [$round, $island, ...$others])) {
                [$best, $near] = [[$k, $right], $far];
                break;
            }
        }
        [$k, $i] = $best;

        return [
            ...array_slice($round, 0, $k + 1), ...array_slice($island, $i), ...array_slice($island, 0, $i + 1), ...array_slice($round, $k),
        ];
    }

    /** @param  list<int>  $island */
    private function right(array $island): float
    {
        return array_reduce($island, fn (float $most, int $p): float => max($most, $this->u[$p]), -INF);
    }

    private function far(int $a, int $b): float
    {
        return ($this->u[$a] - $this->u[$b]) ** 2 + ($this->v[$a] - $this->v[$b]) ** 2;
    }

    /**
     * Whether a point is seen from the k-th of a round within its corner: bridges meet some points twice, and only one of them looks this
     * way.
     *
     * @param  list<int>  $round
     */
    private function isInto(array $round, int $k, int $point): bool
    {
        $n = count($round);
        [$before, $at, $after] = [$round[($k + $n - 1) % $n], $round[$k], $round[($k + 1) % $n]];
        $left = $this->turn($before, $at, $point) > 0.0;
        $right = $this->turn($at, $after, $point) > 0.0;

        return $this->turn($before, $at, $after) > 0.0 ? $left && $right : $left || $right;
    }

    /** @param  list<list<int>>  $rounds */
    private function isFree(int $a, int $b, array $rounds): bool
    {
        foreach ($rounds as $round) {
            foreach ($round as $i => $c) {
                $d = $round[($i + 1) % count($round)];
                if ($c !== $a && $c !== $b && $d !== $a && $d !== $b
                    && $this->turn($a, $b, $c) > 0.0 !== $this->turn($a, $b, $d) > 0.0
                    && $this->turn($c, $d, $a) > 0.0 !== $this->turn($c, $d, $b) > 0.0) {
                    return false;
                }
            }
        }

        return true;
    }

    /**
     * Round and round: only corners that turn in can lie in an ear, and only the neighbours of one that was cut change.
     *
     * @param  list<int>  $round
     * @return list<array{int, int, int}>
     */
    private function clipped(array $round): array
    {
        $n = count($round);
        $next = [...range(1, $n - 1), 0];
        $before = [$n - 1, ...range(0, $n - 2)];
        $turn = function (int $i) use ($round, &$before, &$next): float {
            return $this->turn($round[$before[$i]], $round[$i], $round[$next[$i]]);
        };
        $inward = [];
        for ($i = 0; $i < $n; $i++) {
            if ($turn($i) <= 0.0) {
                $inward[$i] = $round[$i];
            }
        }
        $out = [];
        for ($i = $passed = 0; $n > 3; $i = $next[$i]) {
            [$b, $a] = [$before[$i], $next[$i]];
            $isEar = ! isset($inward[$i]) && $this->isEmpty($inward, $round[$b], $round[$i], $round[$a]);
            if (! $isEar && $passed++ < $n) {
                continue;
            }
            if (! $isEar) {
                $i = $this->flattest($i, $n, $next, $turn);
                [$b, $a] = [$before[$i], $next[$i]];
            }
            $out[] = [$round[$b], $round[$i], $round[$a]];
            [$next[$b], $before[$a]] = [$a, $b];
            unset($inward[$i]);
            foreach ([$a, $b] as $k) {
                if ($turn($k) > 0.0) {
                    unset($inward[$k]);
                } else {
                    $inward[$k] = $round[$k];
                }
            }
            $passed = 0;
            $n--;
        }

        return [...$out, [$round[$before[$i]], $round[$i], $round[$next[$i]]]];
    }

    /**
     * @param  array<int, int>  $next
     * @param  callable(int): float  $turn
     */
    private function flattest(int $i, int $n, array $next, callable $turn): int
    {
        [$flattest, $flat] = [$i, INF];
        for ($k = 0; $k < $n; $k++, $i = $next[$i]) {
            if (abs($turn($i)) < $flat) {
                [$flattest, $flat] = [$i, abs($turn($i))];
            }
        }

        return $flattest;
    }

    /** @param  array<int, int>  $inward  points that may lie in it */
    private function isEmpty(array $inward, int $a, int $b, int $c): bool
    {
        [$u, $v] = [$this->u, $this->v];
        [$au, $av, $bu, $bv, $cu, $cv] = [$u[$a], $v[$a], $u[$b], $v[$b], $u[$c], $v[$c]];
        [$left, $right, $low, $high] = [min($au, $bu, $cu), max($au, $bu, $cu), min($av, $bv, $cv), max($av, $bv, $cv)];
        foreach ($inward as $p) {
            $pu = $u[$p];
            if ($pu < $left || $pu > $right) {
                continue;
            }
            $pv = $v[$p];
            if ($pv >= $low && $pv <= $high && $p !== $a && $p !== $b && $p !== $c
                && ($bu - $au) * ($pv - $av) >= ($pu - $au) * ($bv - $av)
                && ($cu - $bu) * ($pv - $bv) >= ($pu - $bu) * ($cv - $bv)
                && ($au - $cu) * ($pv - $cv) >= ($pu - $cu) * ($av - $cv)) {
                return false;
            }
        }

        return true;
    }

    private function turn(int $a, int $b, int $c): float
    {
        return ($this->u[$b] - $this->u[$a]) * ($this->v[$c] - $this->v[$a])
            - ($this->u[$c] - $this->u[$a]) * ($this->v[$b] - $this->v[$a]);
    }
}
