<?php

declare(strict_types=1);

namespace Apalos\Core\Piece;

use Apalos\Core\Mesh\Clip;
use Apalos\Core\Mesh\Direction;
use Apalos\Core\Mesh\Facing;
use Apalos\Core\Mesh\Links;
use Apalos\Core\Mesh\Mesh;

/**
 * Where air stays when a piece is poured with a direction up: the peaks of the surface by topological persistence. Vertices are taken
 * from the top down; where two peaks meet, the lower one ends, and the height there is where its air would find a way. What it holds
 * is clipped at that height from the true facets. The highest peak of all is where the sprue goes.
 */
final class AirTraps
{
    /** Beyond it the rest are only counted. */
    private const LISTED = 40;

    /** Less than this stays in a nook that a brush or a tap empties: mm. */
    private const LEAST = 0.5;

    public static function of(Mesh $mesh, Links $links, Direction $up, float $least = self::LEAST): Poured
    {
        $facing = Facing::of($mesh, $up);
        if ($facing->w === [] || $mesh->corners === []) {
            return new Poured($up, [0.0, 0.0, 0.0], []);
        }
        $found = self::peaks($facing->w, $links, max(self::LEAST, $least));
        usort($found, static fn (array $a, array $b): int => $b[2] <=> $a[2]);
        $top = (int) array_search(max($facing->w), $facing->w, true);
        $listed = array_slice($found, 0, self::LISTED);
        $traps = $inside = [];
        foreach ($listed as $i => [$peak, $saddle, $prominence]) {
            [$facets, $within] = self::over($facing, $links, $peak, $saddle);
            $ml = Clip::above($facing, $saddle, $facets);
            foreach ($listed as $j => [$other, , $less]) {
                if ($j !== $i && $less < $prominence && isset($within[$other])) {
                    $inside[$j] = true;
                }
            }
            $traps[$i] = new Trap($mesh->at($peak), $prominence, abs($ml), $ml > 0.0);
        }
        foreach ($inside as $j => $_) {
            $traps[$j] = new Trap($traps[$j]->at, $traps[$j]->prominence, $traps[$j]->ml, $traps[$j]->inCast, true);
        }
        usort($traps, static fn (Trap $a, Trap $b): int => $b->ml <=> $a->ml);

        return new Poured($up, $mesh->at($top), $traps, count($found) - count($listed));
    }

    /**
     * @param  list<float>  $w
     * @return list<array{int, float, float}> the vertex at the top, the height where it meets a higher one, and the difference
     */
    private static function peaks(array $w, Links $links, float $least): array
    {
        [$begin, $to] = [$links->begin, $links->to];
        $order = $w;
        arsort($order);
        $parent = array_fill(0, count($w), -1);
        $found = [];
        foreach ($order as $v => $height) {
            if ($begin[$v] === $begin[$v + 1]) {
                continue;
            }
            $root = $v;
            $parent[$v] = $v;
            for ($i = $begin[$v], $end = $begin[$v + 1]; $i < $end; $i++) {
                $r = $to[$i];
                if ($parent[$r] < 0) {
                    continue;
                }
                while ($parent[$r] !== $r) {
                    $parent[$r] = $parent[$parent[$r]];
                    $r = $parent[$r];
                }
                if ($r === $root) {
                    continue;
                }
                // A root is the highest of all that hang on it.
                [$high, $low] = $w[$r] > $w[$root] || ($w[$r] === $w[$root] && $r < $root) ? [$r, $root] : [$root, $r];
                if ($least < $w[$low] - $height) {
                    $found[] = [$low, $height, $w[$low] - $height];
                }
                $parent[$low] = $high;
                $root = $high;
            }
        }

        return [...$found, ...self::others($w, $order, $parent, $least)];
    }

    /**
     * Of several shells each has a highest point; the sprue takes away that of one.
     *
     * @param  list<float>  $w
     * @param  array<int, float>  $order
     * @param  array<int, int>  $parent
     * @return list<array{int, float, float}>
     */
    private static function others(array $w, array $order, array $parent, float $least): array
    {
        $roots = array_filter(array_keys($order), static fn (int $v): bool => $parent[$v] === $v);
        if (count($roots) < 2) {
            return [];
        }
        array_shift($roots);
        $lowest = [];
        foreach ($order as $v => $height) {
            for ($r = $v; $r >= 0 && $parent[$r] !== $r;) {
                $r = $parent[$r];
            }
            $lowest[$r] = $height;
        }
        $found = [];
        foreach ($roots as $r) {
            if ($least < $w[$r] - $lowest[$r]) {
                $found[] = [$r, $lowest[$r], $w[$r] - $lowest[$r]];
            }
        }

        return $found;
    }

    /**
     * All that hangs together with a peak above a height.
     *
     * @return array{list<int>, array<int, true>} facets, and vertices
     */
    private static function over(Facing $facing, Links $links, int $peak, float $level): array
    {
        [$begin, $to, $w, $corners] = [$links->begin, $links->to, $facing->w, $facing->mesh->corners];
        $within = [$peak => true];
        $todo = [$peak];
        while ($todo !== []) {
            $v = array_pop($todo);
            for ($i = $begin[$v], $end = $begin[$v + 1]; $i < $end; $i++) {
                $n = $to[$i];
                if ($w[$n] > $level && ! isset($within[$n])) {
                    $within[$n] = true;
                    $todo[] = $n;
                }
            }
        }
        $facets = [];
        for ($h = 0, $f = 0, $n = count($corners); $h < $n; $h += 3, $f++) {
            if (isset($within[$corners[$h]]) || isset($within[$corners[$h + 1]]) || isset($within[$corners[$h + 2]])) {
                $facets[] = $f;
            }
        }

        return [$facets, $within];
    }
}
