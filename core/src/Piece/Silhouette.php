<?php

declare(strict_types=1);

namespace Apalos\Core\Piece;

/**
 * Finds the parting of a pull. Normals are averaged at the vertices and run evenly over a facet, so that a round piece parts in a
 * smooth line and not along the zigzag of its facets.
 */
final class Silhouette
{
    /** Of the largest side. */
    private const FLAT = 0.02;

    /** Loops shorter than this share of all are ripples of a scan. */
    private const RIPPLE = 0.03;

    /** Of the normal: what leans less stands upright. */
    private const UPRIGHT = 1e-4;

    public static function of(Facing $facing): Parting
    {
        $leans = self::atVertices($facing);
        [$u, $v, $w, $corners] = [$facing->u, $facing->v, $facing->w, $facing->mesh->corners];
        $segments = $ends = [];
        for ($h = 0, $n = count($corners); $h < $n; $h += 3) {
            [$a, $b, $c] = [$corners[$h], $corners[$h + 1], $corners[$h + 2]];
            $up = ($leans[$a] > self::UPRIGHT ? 1 : 0) + ($leans[$b] > self::UPRIGHT ? 1 : 0) + ($leans[$c] > self::UPRIGHT ? 1 : 0);
            if ($up === 0 || $up === 3) {
                continue;
            }
            $two = [];
            $keys = [];
            foreach ([[$a, $b], [$b, $c], [$c, $a]] as [$p, $q]) {
                if (($leans[$p] > self::UPRIGHT) === ($leans[$q] > self::UPRIGHT)) {
                    continue;
                }
                $t = max(0.0, min(1.0, ($leans[$p] - self::UPRIGHT) / ($leans[$p] - $leans[$q])));
                $two[] = [$u[$p] + $t * ($u[$q] - $u[$p]), $v[$p] + $t * ($v[$q] - $v[$p]), $w[$p] + $t * ($w[$q] - $w[$p])];
                $keys[] = $p < $q ? "{$p} {$q}" : "{$q} {$p}";
            }
            if (isset($two[0], $two[1])) {
                $segments[] = [$two[0], $two[1]];
                $ends[] = $keys;
            }
        }

        return self::judged($facing, $segments, self::loops($ends));
    }

    /** @return list<float> */
    private static function atVertices(Facing $facing): array
    {
        [$lean, $area, $corners] = [$facing->lean, $facing->area, $facing->mesh->corners];
        $sum = $weight = array_fill(0, max(1, $facing->mesh->vertices()), 0.0);
        foreach ($lean as $f => $leans) {
            $part = $leans * $area[$f];
            for ($k = 3 * $f, $end = $k + 3; $k < $end; $k++) {
                $v = $corners[$k];
                $sum[$v] += $part;
                $weight[$v] += $area[$f];
            }
        }
        $leans = [];
        foreach ($sum as $v => $all) {
            $leans[] = $weight[$v] > 0.0 ? $all / $weight[$v] : 0.0;
        }

        return $leans;
    }

    /**
     * @param  list<list<string>>  $ends  the two edges each segment runs between
     * @return list<int> the loop each segment belongs to
     */
    private static function loops(array $ends): array
    {
        $first = $parent = [];
        $root = static function (int $i) use (&$parent): int {
            while (($parent[$i] ?? $i) !== $i) {
                $i = $parent[$i] = $parent[$parent[$i]];
            }

            return $i;
        };
        foreach ($ends as $i => $keys) {
            $parent[$i] = $i;
            foreach ($keys as $key) {
                if (isset($first[$key])) {
                    $parent[$root($i)] = $root($first[$key]);
                }
                $first[$key] = $i;
            }
        }

        return array_map($root, array_keys($ends));
    }

    /**
     * @param  list<array{array{float, float, float}, array{float, float, float}}>  $segments
     * @param  list<int>  $loop
     */
    private static function judged(Facing $facing, array $segments, array $loop): Parting
    {
        $length = $height = [];
        foreach ($segments as $i => [$p, $q]) {
            $long = sqrt(($p[0] - $q[0]) ** 2 + ($p[1] - $q[1]) ** 2 + ($p[2] - $q[2]) ** 2);
            $length[$loop[$i]] = ($length[$loop[$i]] ?? 0.0) + $long;
            $height[$loop[$i]] = ($height[$loop[$i]] ?? 0.0) + $long * ($p[2] + $q[2]) / 2.0;
        }
        $whole = array_sum($length);
        $kept = array_filter($length, static fn (float $long): bool => $long >= self::RIPPLE * $whole);
        $middle = $facing->lowest() + $facing->height() / 2.0;
        if ($kept === [] || $whole <= 0.0) {
            return new Parting(true, [$middle, $middle], $middle, 0, []);
        }
        $least = INF;
        $most = -INF;
        $drawn = [];
        foreach ($segments as $i => $segment) {
            if (isset($kept[$loop[$i]])) {
                $least = min($least, $segment[0][2], $segment[1][2]);
                $most = max($most, $segment[0][2], $segment[1][2]);
                $drawn[] = $segment;
            }
        }
        $plane = array_sum(array_intersect_key($height, $kept)) / array_sum($kept);

        return new Parting($most - $least <= self::FLAT * max($facing->mesh->bounds()->size()), [$least, $most], $plane, count($kept), $drawn);
    }
}
