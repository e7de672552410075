<?php

declare(strict_types=1);

namespace Apalos\Core\Piece;

use Apalos\Core\Mesh\Facing;

/**
 * Finds the parting of a pull: the true silhouette, where the surface turns from one way to the other, outside and on inner walls. Over
 * what is round it runs smoothly across the facets, over a crease along the crease ({@see Creases}).
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
        $seam = new SeamLine($facing, Creases::of($facing, self::UPRIGHT), self::UPRIGHT);

        return self::judged($facing, $walls, $seam->segments, Chains::of($seam->ends));
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
            if (isset($kept[$loop[$i]]) && $segment[0] !== $segment[1]) {
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
