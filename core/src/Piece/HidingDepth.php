<?php

declare(strict_types=1);

namespace Apalos\Core\Piece;

use Apalos\Core\Mesh\Facing;

/**
 * How far the hidden surface lies behind its lip, measured across the pull: from a hidden place to the nearest place beside it, at
 * its own height, from which the way out is free. The deepest of them counts: found on a height map, then sharpened with rays.
 */
final class HidingDepth
{
    /** Points along the longer side of the map. */
    private const POINTS = 320;

    private const DIRECTIONS = 32;

    /** Places asked about. */
    private const PLACES = 1500;

    /** Halvings of a step of the map. */
    private const HALVINGS = 9;

    /** @return array{mm: float, at: array{float, float, float}|null} and where it is deepest, across, across and along */
    public function of(Undercuts $seen): array
    {
        if ($seen->places === []) {
            return ['mm' => 0.0, 'at' => null];
        }
        $up = HeightMap::of($seen->facing, 1, self::POINTS);
        $down = $seen->onePart ? $up : HeightMap::of($seen->facing, -1, self::POINTS);
        $depth = 0.0;
        $deepest = null;
        // In a scattered order, so that a deep one comes early and the rest are soon passed over.
        $n = count($seen->places);
        $stride = max(1, (int) round($n * 0.618));
        while (self::divisor($stride, $n) !== 1) {
            $stride++;
        }
        for ($k = 0, $i = 0, $most = min($n, self::PLACES); $k < $most; $k++, $i = ($i + $stride) % $n) {
            [$u, $v, $w, $sense] = $seen->places[$i];
            $maps = match ($sense) {
                1 => [$up],
                -1 => [$down],
                default => $seen->onePart ? [$up] : [$up, $down],
            };
            $far = self::toTheOpen($maps, $u, $v, $w, $depth);
            if ($far > $depth) {
                [$depth, $deepest] = [$far, [$u, $v, $w, $sense]];
            }
        }
        if ($deepest === null) {
            return ['mm' => 0.0, 'at' => null];
        }

        return [
            'mm' => $this->sharpened($seen, [$up, $down], $deepest, $depth, 2.0 * $up->step),
            'at' => [$deepest[0], $deepest[1], $deepest[2]],
        ];
    }

    private static function divisor(int $a, int $b): int
    {
        return $b === 0 ? $a : self::divisor($b, $a % $b);
    }

    /**
     * In mm; as soon as it is known to be no deeper than another, nought.
     *
     * @param  non-empty-list<HeightMap>  $maps
     */
    private static function toTheOpen(array $maps, float $u, float $v, float $w, float $than): float
    {
        $nearest = INF;
        foreach ($maps as $map) {
            $nearest = min($nearest, $map->toTheOpen($u, $v, $w, $than));
        }

        return is_finite($nearest) ? $nearest : 0.0;
    }

    /**
     * The nearest way out of one place, by rays against the true facets around it.
     *
     * @param  non-empty-list<HeightMap>  $maps
     * @param  array{float, float, float, int}  $place
     */
    private function sharpened(Undercuts $seen, array $maps, array $place, float $depth, float $give): float
    {
        [$u, $v, $w, $sense] = $place;
        $near = self::around($seen->facing, $u, $v, $w, $depth + $give, $sense);
        $senses = $sense === 0 && ! $seen->onePart ? [1, -1] : [$sense === 0 ? 1 : $sense];
        $best = INF;
        for ($i = 0; $i < self::DIRECTIONS; $i++) {
            [$du, $dv] = [cos(2.0 * M_PI * $i / self::DIRECTIONS), sin(2.0 * M_PI * $i / self::DIRECTIONS)];
            $barred = static fn (float $r): bool => array_filter(
                $senses, static fn (int $way): bool => ! self::isBarred($seen->facing, $near, $u + $r * $du, $v + $r * $dv, $w, $way),
            ) === [];
            [$in, $out] = [max(0.0, $depth - $give), min($best, $depth + $give)];
            if ($in >= $out || ! self::mayBeFree($maps, $u + $out * $du, $v + $out * $dv, $w) || $barred($out) || ! $barred($in)) {
                continue;
            }
            for ($k = 0; $k < self::HALVINGS; $k++) {
                $middle = ($in + $out) / 2.0;
                $barred($middle) ? $in = $middle : $out = $middle;
            }
            $best = $out;
        }

        return is_finite($best) ? $best : $depth;
    }

    /**
     * A map is fine enough to say where it is worth casting rays.
     *
     * @param  non-empty-list<HeightMap>  $maps
     */
    private static function mayBeFree(array $maps, float $u, float $v, float $w): bool
    {
        return array_filter($maps, static fn (HeightMap $map): bool => $map->isFree($u, $v, $w)) !== [];
    }

    /** @return list<int> */
    private static function around(Facing $facing, float $pu, float $pv, float $pw, float $radius, int $sense): array
    {
        [$u, $v, $w, $corners] = [$facing->u, $facing->v, $facing->w, $facing->mesh->corners];
        $near = [];
        foreach ($facing->lean as $f => $lean) {
            [$a, $b, $c] = [$corners[3 * $f], $corners[3 * $f + 1], $corners[3 * $f + 2]];
            if (abs($lean) >= 1e-9 && (
                $sense === 0 || max($w[$a] * $sense, $w[$b] * $sense, $w[$c] * $sense) > $pw * $sense
            ) && min($u[$a], $u[$b], $u[$c]) <= $pu + $radius && max($u[$a], $u[$b], $u[$c]) >= $pu - $radius
                && min($v[$a], $v[$b], $v[$c]) <= $pv + $radius && max($v[$a], $v[$b], $v[$c]) >= $pv - $radius) {
                $near[] = $f;
            }
        }

        return $near;
    }

    /** @param  list<int>  $facets */
    private static function isBarred(Facing $facing, array $facets, float $pu, float $pv, float $pw, int $sense): bool
    {
        [$u, $v, $w, $corners] = [$facing->u, $facing->v, $facing->w, $facing->mesh->corners];
        foreach ($facets as $f) {
            [$a, $b, $c] = [$corners[3 * $f], $corners[3 * $f + 1], $corners[3 * $f + 2]];
            $wa = ($u[$b] - $pu) * ($v[$c] - $pv) - ($v[$b] - $pv) * ($u[$c] - $pu);
            $wb = ($u[$c] - $pu) * ($v[$a] - $pv) - ($v[$c] - $pv) * ($u[$a] - $pu);
            $wc = ($u[$a] - $pu) * ($v[$b] - $pv) - ($v[$a] - $pv) * ($u[$b] - $pu);
            $sum = $wa + $wb + $wc;
            if ($sum !== 0.0 && (($wa >= 0.0 && $wb >= 0.0 && $wc >= 0.0) || ($wa <= 0.0 && $wb <= 0.0 && $wc <= 0.0))
                && ($wa * $w[$a] + $wb * $w[$b] + $wc * $w[$c]) / $sum * $sense > $pw * $sense + 1e-6) {
                return true;
            }
        }

        return false;
    }
}
