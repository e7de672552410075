<?php

declare(strict_types=1);

namespace Apalos\Core\Mesh;

/**
 * What of a piece lies above a level. Exact for the facets: the volume above a level s is the sum over all facets of the integral of
 * (height − s), where it is above nought, over the facet as it is seen along the direction (divergence theorem).
 */
final class Clip
{
    /**
     * In ml; below nought where the surface that is asked about faces in, as that of a hollow does.
     *
     * @param  list<int>|null  $facets  null for all
     */
    public static function above(Facing $facing, float $level, ?array $facets = null): float
    {
        [$u, $v, $w, $corners] = [$facing->u, $facing->v, $facing->w, $facing->mesh->corners];
        $sum = 0.0;
        for ($i = 0, $n = $facets === null ? $facing->mesh->facets() : count($facets); $i < $n; $i++) {
            $h = 3 * ($facets === null ? $i : $facets[$i]);
            $a = $corners[$h];
            $b = $corners[$h + 1];
            $c = $corners[$h + 2];
            $wa = $w[$a] - $level;
            $wb = $w[$b] - $level;
            $wc = $w[$c] - $level;
            if ($wa <= 0.0 && $wb <= 0.0 && $wc <= 0.0) {
                continue;
            }
            $twice = ($u[$b] - $u[$a]) * ($v[$c] - $v[$a]) - ($v[$b] - $v[$a]) * ($u[$c] - $u[$a]);
            $sum += $twice * self::share($wa, $wb, $wc);
        }

        return $sum / 6000.0;
    }

    /** Three times the mean, over a whole facet, of the heights above nought; heights below count as nought. */
    private static function share(float $a, float $b, float $c): float
    {
        if ($a >= 0.0 && $b >= 0.0 && $c >= 0.0) {
            return $a + $b + $c;
        }
        // Sorted: p the lowest, r the highest.
        $p = min($a, $b, $c);
        $r = max($a, $b, $c);
        $q = $a + $b + $c - $p - $r;
        if ($q <= 0.0) {
            // The tip above: a triangle with sides cut in proportion.
            return $r * ($r / ($r - $p)) * ($r / ($r - $q));
        }

        return $p + $q + $r - $p * ($p / ($p - $q)) * ($p / ($p - $r));
    }

    /**
     * What lies below a level: ml, its centre (across, across, along) in mm, and how large the cut is in mm², with its second moments
     * about its middle (uu, uv, vv) in mm⁴: all that a float needs.
     *
     * @return array{ml: float, centre: array{float, float, float}, cut: float, moments: array{float, float, float}}
     */
    public static function below(Facing $facing, float $level): array
    {
        [$u, $v, $w, $corners] = [$facing->u, $facing->v, $facing->w, $facing->mesh->corners];
        $volume = $mu = $mv = $mw = $cut = $su = $sv = $suu = $suv = $svv = 0.0;
        for ($h = 0, $n = count($corners); $h < $n; $h += 3) {
            [$a, $b, $c] = [$corners[$h], $corners[$h + 1], $corners[$h + 2]];
            foreach (self::under([
                [$u[$a], $v[$a], $w[$a] - $level], [$u[$b], $v[$b], $w[$b] - $level], [$u[$c], $v[$c], $w[$c] - $level],
            ]) as [$p, $q, $r]) {
                $area = (($q[0] - $p[0]) * ($r[1] - $p[1]) - ($q[1] - $p[1]) * ($r[0] - $p[0])) / 2.0;
                // Over the facet as seen along the direction: heights are below nought, and what faces down counts.
                $volume += $area * ($p[2] + $q[2] + $r[2]) / 3.0;
                $mu += $area * self::product($p, $q, $r, 0, 2);
                $mv += $area * self::product($p, $q, $r, 1, 2);
                $mw += $area * self::product($p, $q, $r, 2, 2) / 2.0;
                $cut -= $area;
                $su -= $area * ($p[0] + $q[0] + $r[0]) / 3.0;
                $sv -= $area * ($p[1] + $q[1] + $r[1]) / 3.0;
                $suu -= $area * self::product($p, $q, $r, 0, 0);
                $suv -= $area * self::product($p, $q, $r, 0, 1);
                $svv -= $area * self::product($p, $q, $r, 1, 1);
            }
        }
        if ($volume <= 1e-9) {
            return ['ml' => 0.0, 'centre' => [0.0, 0.0, $level], 'cut' => 0.0, 'moments' => [0.0, 0.0, 0.0]];
        }
        $middle = $cut > 1e-9 ? [$su / $cut, $sv / $cut] : [0.0, 0.0];

        return [
            'ml' => $volume / 1000.0,
            'centre' => [$mu / $volume, $mv / $volume, $level + $mw / $volume],
            'cut' => max(0.0, $cut),
            'moments' => [$suu - $cut * $middle[0] ** 2, $suv - $cut * $middle[0] * $middle[1], $svv - $cut * $middle[1] ** 2],
        ];
    }

    /**
     * The mean over a triangle of the product of two of its coordinates.
     *
     * @param  array{float, float, float}  $p
     * @param  array{float, float, float}  $q
     * @param  array{float, float, float}  $r
     * @param  0|1|2  $i
     * @param  0|1|2  $j
     */
    private static function product(array $p, array $q, array $r, int $i, int $j): float
    {
        return (($p[$i] + $q[$i] + $r[$i]) * ($p[$j] + $q[$j] + $r[$j]) + $p[$i] * $p[$j] + $q[$i] * $q[$j] + $r[$i] * $r[$j]) / 12.0;
    }

    /**
     * The part of a triangle below nought, in triangles.
     *
     * @param  array{array{float, float, float}, array{float, float, float}, array{float, float, float}}  $corners
     * @return list<array{array{float, float, float}, array{float, float, float}, array{float, float, float}}>
     */
    private static function under(array $corners): array
    {
        [$a, $b, $c] = $corners;
        $wet = ($a[2] < 0.0 ? 1 : 0) + ($b[2] < 0.0 ? 1 : 0) + ($c[2] < 0.0 ? 1 : 0);
        if ($wet === 0 || $wet === 3) {
            return $wet === 0 ? [] : [$corners];
        }
        // Turned so that the odd one out stands first.
        $odd = $wet === 1;
        while (($a[2] < 0.0) !== $odd) {
            [$a, $b, $c] = [$b, $c, $a];
        }
        while (($b[2] < 0.0) === $odd || ($c[2] < 0.0) === $odd) {
            [$a, $b, $c] = [$b, $c, $a];
        }
        $ab = self::between($a, $b);
        $ac = self::between($a, $c);

        return $odd ? [[$a, $ab, $ac]] : [[$ab, $b, $c], [$ab, $c, $ac]];
    }

    /**
     * @param  array{float, float, float}  $a
     * @param  array{float, float, float}  $b
     * @return array{float, float, float}
     */
    private static function between(array $a, array $b): array
    {
        $t = $a[2] / ($a[2] - $b[2]);

        return [$a[0] + $t * ($b[0] - $a[0]), $a[1] + $t * ($b[1] - $a[1]), 0.0];
    }
}
