<?php

declare(strict_types=1);

namespace Apalos\Core\Piece;

use Apalos\Core\Mesh\Facing;

/**
 * How a piece leans at the corners of its facets. Over what is round the leans of the facets about a vertex are averaged, weighed by the
 * angle each has there, so that a seam runs smoothly and not along the zigzag of the facets; over a crease they are not: there each side
 * leans as it does.
 */
final class Creases
{
    /** Facets that turn more than 40° against each other meet in a crease. */
    private const TURN = 0.766;

    /** Of the normal: what leans less stands upright. */
    private const WALL = 0.02;

    /**
     * The facets about which a seam may run, each with how it leans at its three corners.
     *
     * @param  float  $upright  of the normal: more leans towards the pull
     * @return array<int, array{float, float, float}> by facet
     */
    public static function of(Facing $facing, float $upright): array
    {
        [$lean, $corners] = [self::walls($facing), $facing->mesh->corners];
        // 1: something about it leans towards the pull; 2: something does not; 3: a seam passes.
        $seen = array_fill(0, $facing->mesh->vertices(), 0);
        foreach ($lean as $f => $leans) {
            $way = $leans > $upright ? 1 : 2;
            $seen[$corners[3 * $f]] |= $way;
            $seen[$corners[3 * $f + 1]] |= $way;
            $seen[$corners[3 * $f + 2]] |= $way;
        }
        $leans = $near = [];
        foreach ($lean as $f => $own) {
            [$a, $b, $c] = [$corners[3 * $f], $corners[3 * $f + 1], $corners[3 * $f + 2]];
            if ($seen[$a] === 3 || $seen[$b] === 3 || $seen[$c] === 3) {
                $leans[$f] = [$own, $own, $own];
                $near[$a] = $near[$b] = $near[$c] = [];
            }
        }
        foreach ($corners as $h => $p) {
            if (isset($near[$p])) {
                $near[$p][] = $h;
            }
        }
        foreach ($near as $fan) {
            self::average($facing, $lean, $fan, $leans);
        }

        return $leans;
    }

    /**
     * About one vertex: each facet with those that meet it in no crease.
     *
     * @param  list<float>  $lean
     * @param  list<int>  $fan  the corners there
     * @param  array<int, array{float, float, float}>  $leans
     *
     * @param-out array<int, array{float, float, float}> $leans
     */
    private static function average(Facing $facing, array $lean, array $fan, array &$leans): void
    {
        [$u, $v, $w, $corners] = [$facing->u, $facing->v, $facing->w, $facing->mesh->corners];
        $normals = $angles = [];
        foreach ($fan as $h) {
            $f = intdiv($h, 3);
            [$p, $q, $r] = [$corners[$h], $corners[3 * $f + ($h + 1) % 3], $corners[3 * $f + ($h + 2) % 3]];
            [$au, $av, $aw, $bu, $bv, $bw] = [
                $u[$q] - $u[$p], $v[$q] - $v[$p], $w[$q] - $w[$p], $u[$r] - $u[$p], $v[$r] - $v[$p], $w[$r] - $w[$p],
            ];
            [$nu, $nv, $nw] = [$av * $bw - $aw * $bv, $aw * $bu - $au * $bw, $au * $bv - $av * $bu];
            $twice = sqrt($nu * $nu + $nv * $nv + $nw * $nw);
            $normals[] = $twice > 0.0 ? [$nu / $twice, $nv / $twice, $nw / $twice] : [0.0, 0.0, 0.0];
            $angles[] = atan2($twice, $au * $bu + $av * $bv + $aw * $bw);
        }
        foreach ($fan as $i => $h) {
            $f = intdiv($h, 3);
            if (! isset($leans[$f])) {
                continue;
            }
            [$nu, $nv, $nw] = $normals[$i];
            $sum = $weight = 0.0;
            foreach ($fan as $k => $other) {
                if ($k === $i || $nu * $normals[$k][0] + $nv * $normals[$k][1] + $nw * $normals[$k][2] > self::TURN) {
                    $sum += $angles[$k] * $lean[intdiv($other, 3)];
                    $weight += $angles[$k];
                }
            }
            if ($weight > 0.0) {
                $leans[$f][$h % 3] = $sum / $weight;
            }
        }
    }

    /**
     * An upright wall between two surfaces that lean the same way goes with them: no seam runs along its foot and its head. Between two
     * that part it stays as it is.
     *
     * @return list<float> leans of the facets
     */
    private static function walls(Facing $facing): array
    {
        [$lean, $corners, $n] = [$facing->lean, $facing->mesh->corners, $facing->mesh->vertices()];
        $edges = $touched = [];
        /** @var array<int, int> $parent */
        $parent = [];
        $key = static fn (int $p, int $q): int => $p < $q ? $p * $n + $q : $q * $n + $p;
        foreach ($lean as $f => $leans) {
            if (abs($leans) <= self::WALL) {
                $parent[$f] = $f;
                $touched[$corners[3 * $f]] = $touched[$corners[3 * $f + 1]] = $touched[$corners[3 * $f + 2]] = true;
                for ($k = 0; $k < 3; $k++) {
                    $edge = $key($corners[3 * $f + $k], $corners[3 * $f + ($k + 1) % 3]);
                    if (isset($edges[$edge])) {
                        $parent[self::root($parent, $f)] = self::root($parent, $edges[$edge]);
                    }
                    $edges[$edge] = $f;
                }
            }
        }
        if ($parent === []) {
            return $lean;
        }
        $beside = [];
        foreach ($lean as $f => $leans) {
            if (
                abs($leans) > self::WALL
                && (isset($touched[$corners[3 * $f]]) ? 1 : 0) + (isset($touched[$corners[3 * $f + 1]]) ? 1 : 0)
                    + (isset($touched[$corners[3 * $f + 2]]) ? 1 : 0) > 1
            ) {
                for ($k = 0; $k < 3; $k++) {
                    $wall = $edges[$key($corners[3 * $f + $k], $corners[3 * $f + ($k + 1) % 3])] ?? null;
                    if ($wall !== null) {
                        $beside[self::root($parent, $wall)][$leans > 0.0 ? 1 : -1] = true;
                    }
                }
            }
        }
        foreach (array_keys($parent) as $f) {
            $ways = $beside[self::root($parent, $f)] ?? [];
            if (count($ways) === 1) {
                $lean[$f] = self::WALL * array_key_first($ways);
            }
        }

        return array_values($lean);
    }

    /**
     * @param  array<int, int>  $parent
     *
     * @param-out array<int, int> $parent
     */
    private static function root(array &$parent, int $f): int
    {
        while ($parent[$f] !== $f) {
            $f = $parent[$f] = $parent[$parent[$f]];
        }

        return $f;
    }
}
