<?php

declare(strict_types=1);

namespace Apalos\Core\Piece;

/**
 * Finds the parting of a pull. Normals are averaged at the vertices and run evenly over a facet, so that a round piece parts in a
 * smooth line and not along the zigzag of its facets.
 */
final class Silhouette
{
    /** Of the largest side: a spread that is none. */
    private const FLAT = 0.02;

    /** Of the largest side: a wall so high lets the seam run where it shows least. */
    private const WALL = 0.05;

    /** Loops shorter than this share of all are ripples of a scan. */
    private const RIPPLE = 0.03;

    /** Of the normal: what leans less stands upright. */
    private const UPRIGHT = 1e-4;

    public static function of(Facing $facing): Parting
    {
        $walls = Walls::of($facing);
        if (self::WALL * max($facing->mesh->bounds()->size()) < $walls[1] - $walls[0]) {
            return self::onTheEdge($facing, $walls[1]);
        }
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

        return self::judged($facing, $walls, $segments, Chains::of($ends));
    }

    /**
     * Weighed by the angle each facet has at the vertex, so that it does not matter how a side is cut into triangles.
     *
     * @return list<float>
     */
    private static function atVertices(Facing $facing): array
    {
        [$u, $v, $w, $lean, $corners] = [$facing->u, $facing->v, $facing->w, $facing->lean, $facing->mesh->corners];
        $sum = $weight = array_fill(0, max(1, $facing->mesh->vertices()), 0.0);
        foreach ($lean as $f => $leans) {
            for ($k = 0; $k < 3; $k++) {
                $p = $corners[3 * $f + $k];
                $q = $corners[3 * $f + ($k + 1) % 3];
                $r = $corners[3 * $f + ($k + 2) % 3];
                $au = $u[$q] - $u[$p];
                $av = $v[$q] - $v[$p];
                $aw = $w[$q] - $w[$p];
                $bu = $u[$r] - $u[$p];
                $bv = $v[$r] - $v[$p];
                $bw = $w[$r] - $w[$p];
                $both = sqrt(($au * $au + $av * $av + $aw * $aw) * ($bu * $bu + $bv * $bv + $bw * $bw));
                if ($both > 0.0) {
                    $angle = acos(max(-1.0, min(1.0, ($au * $bu + $av * $bv + $aw * $bw) / $both)));
                    $sum[$p] += $angle * $leans;
                    $weight[$p] += $angle;
                }
            }
        }
        $leans = [];
        foreach ($sum as $p => $all) {
            $leans[] = $weight[$p] > 0.0 ? $all / $weight[$p] : 0.0;
        }

        return $leans;
    }

    /** Where walls stand upright, a seam shows least on the edge at their top; there it is as flat as the edge. */
    private static function onTheEdge(Facing $facing, float $edge): Parting
    {
        $section = CrossSection::at($facing, $edge - 1e-4 * $facing->height());

        return new Parting(true, [$edge, $edge], $edge, $section->loops(), $section->segments);
    }

    /**
     * @param  array{float, float}  $walls
     * @param  list<array{array{float, float, float}, array{float, float, float}}>  $segments
     * @param  list<int>  $loop
     */
    private static function judged(Facing $facing, array $walls, array $segments, array $loop): Parting
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

        $flat = self::FLAT * max($facing->mesh->bounds()->size());
        if ($flat >= $walls[0] - $walls[1]) {
            // All that leans one way lies over all that leans the other: the seam is flat, however its line was drawn.
            $between = static fn (float $height): float => max(min($walls), min(max($walls), $height));

            return new Parting(true, [$between($least), $between($most)], $between($plane), count($kept), $drawn);
        }

        return new Parting($most - $least <= $flat, [$least, $most], $plane, count($kept), $drawn);
    }
}
