<?php

declare(strict_types=1);

namespace Database\Seeders;

use Apalos\Core\Mesh\Mesh;
use Apalos\Core\Mesh\Welder;
use Closure;

/**
 * The demo's pieces, drawn by formula: each is a function that says how far a point lies outside it (mm), and its skin is found where
 * that is nought, tetrahedron by tetrahedron. `bin/sample-models` writes them to `database/models`.
 */
final class SampleModels
{
    /** @return array<string, Mesh> by name */
    public static function all(): array
    {
        return [
            'oar-grip' => self::skin(self::oarGrip(...), [-72.0, -24.0, -24.0], [72.0, 24.0, 24.0], 3.2),
            'crab' => self::skin(self::crab(...), [-44.0, -40.0, -10.0], [44.0, 34.0, 16.0], 2.1),
            'wellington' => self::skin(self::wellington(...), [-24.0, -24.0, -4.0], [52.0, 24.0, 106.0], 2.4),
            'brow' => self::skin(self::brow(...), [-62.0, -26.0, 40.0], [62.0, 30.0, 88.0], 2.1),
            'gasket' => self::skin(self::gasket(...), [-58.0, -43.0, -6.0], [58.0, 43.0, 9.0], 2.3),
            'mushroom' => self::skin(self::mushroom(...), [-30.0, -30.0, -3.0], [30.0, 30.0, 58.0], 2.3),
        ];
    }

    /** A sleeve with finger waves and a stop at the inner end, its bore open at the other. */
    private static function oarGrip(float $x, float $y, float $z): float
    {
        $r = hypot($y, $z);
        $wave = 17.5 + 1.1 * cos($x / 130.0 * 8.0 * M_PI) * self::step(50.0 - abs($x), 12.0) + 3.0 * exp(-(($x + 62.0) / 6.0) ** 2);
        $outer = self::smoothMax($r - $wave, abs($x) - 66.0, 4.0);
        $bore = max($r - 12.5, $x - 90.0, -$x - 52.0);

        return max($outer, -$bore);
    }

    /** Seen from above: a broad back, two claws held forward, three pairs of legs. */
    private static function crab(float $x, float $y, float $z): float
    {
        $ax = abs($x);
        $d = self::ellipsoid($x, $y, $z - 3.0, 24.0, 17.0, 9.5);
        $d = self::blend($d, self::capsule($ax, $y, $z, [18.0, 10.0, 2.0], [30.0, 20.0, 2.5], 4.2), 4.0);
        $d = self::blend($d, self::ellipsoid($ax - 29.0, $y - 26.0, $z - 2.5, 6.0, 8.0, 5.0), 2.5);
        foreach ([[14.0, -4.0, 38.0, 2.0], [12.0, -9.0, 35.0, -16.0], [9.0, -13.0, 26.0, -30.0]] as [$fx, $fy, $tx, $ty]) {
            $d = self::blend($d, self::capsule($ax, $y, $z, [$fx, $fy, 1.0], [$tx, $ty, -2.5], 2.9), 2.0);
        }
        $d = self::blend($d, self::capsule($ax, $y, $z, [6.0, 15.0, 8.0], [7.5, 20.0, 11.0], 2.0), 1.2);

        return max($d, -$z - 5.5);
    }

    /** A puppet's boot: hollow, open at the top, with a heel. */
    private static function wellington(float $x, float $y, float $z): float
    {
        $leg = max(hypot($x / 1.08, $y) - (17.0 + 0.03 * ($z - 20.0)), abs($z - 52.0) - 50.0);
        $foot = self::ellipsoid($x - 18.0, $y, $z - 11.0, 30.0, 17.0, 15.0);
        $outer = self::blend($leg, $foot, 9.0);
        $sole = max(self::ellipsoid($x - 14.0, $y, $z, 37.0, 19.0, 60.0), $z - 4.5, -$z);
        $outer = max(self::blend($outer, $sole, 1.5), -$z);
        $outer = max($outer, -max(hypot($x - 11.0, $z + 6.0) - 9.0, -1.0 + 0.0 * $y));
        $inner = self::blend(
            max(hypot($x / 1.08, $y) - (14.0 + 0.03 * ($z - 20.0)), 16.0 - $z), self::ellipsoid($x - 17.0, $y, $z - 14.0, 26.0, 13.5, 10.5),
            7.0,
        );

        return max($outer, -max($inner, 7.0 - $z));
    }

    /** A heavy brow that lies on a forehead and runs out to nothing at its edges. */
    private static function brow(float $x, float $y, float $z): float
    {
        $head = self::ellipsoid($x, $y, $z, 78.0, 95.0, 74.0);
        $ridge = self::ellipsoid(abs($x) - 24.0, $y + 4.0 - 0.002 * $x * $x, $z - 62.0, 27.0, 11.5, 19.0);
        $bridge = self::ellipsoid($x, $y + 8.0, $z - 68.0, 15.0, 10.0, 12.0);
        $bump = self::blend($ridge, $bridge, 6.0);

        return max($bump, 0.7 - $head);
    }

    /** A hatch gasket: a rounded frame with a foot, a lip and a groove along the outside. */
    private static function gasket(float $x, float $y, float $z): float
    {
        $qx = abs($x) - 28.0;
        $qy = abs($y) - 13.0;
        $d = hypot(max($qx, 0.0), max($qy, 0.0)) + min(max($qx, $qy), 0.0) - 21.0;
        $foot = max(abs($d) - 7.0, abs($z + 1.5) - 3.0);
        $lip = max(abs($d - 2.0 - 0.35 * $z) - 2.4, abs($z - 3.0) - 4.0);
        $groove = hypot($d - 8.0, $z + 1.5) - 2.6;

        return self::smoothMax(self::blend($foot, $lip, 1.5), -$groove, 0.6);
    }

    /** The worst case: a cap that nothing slips over. */
    private static function mushroom(float $x, float $y, float $z): float
    {
        $r = hypot($x, $y);
        $stem = max($r - 9.0 - 2.5 * exp(-(($z) / 8.0) ** 2), $z - 36.0, -$z);
        $cap = max(self::ellipsoid($x, $y, $z - 32.0, 26.0, 26.0, 22.0), 32.0 - $z);
        $gill = self::ellipsoid($x, $y, $z - 30.0, 21.0, 21.0, 6.0);

        return self::blend($stem, max($cap, -$gill), 2.0);
    }

    private static function ellipsoid(float $x, float $y, float $z, float $a, float $b, float $c): float
    {
        $k = sqrt(($x / $a) ** 2 + ($y / $b) ** 2 + ($z / $c) ** 2);
        $l = sqrt(($x / $a ** 2) ** 2 + ($y / $b ** 2) ** 2 + ($z / $c ** 2) ** 2);

        return $l < 1e-12 ? -min($a, $b, $c) : $k * ($k - 1.0) / $l;
    }

    /**
     * @param  array{float, float, float}  $from
     * @param  array{float, float, float}  $to
     */
    private static function capsule(float $x, float $y, float $z, array $from, array $to, float $radius): float
    {
        [$px, $py, $pz] = [$x - $from[0], $y - $from[1], $z - $from[2]];
        [$dx, $dy, $dz] = [$to[0] - $from[0], $to[1] - $from[1], $to[2] - $from[2]];
        $t = max(0.0, min(1.0, ($px * $dx + $py * $dy + $pz * $dz) / ($dx * $dx + $dy * $dy + $dz * $dz)));

        return sqrt(($px - $t * $dx) ** 2 + ($py - $t * $dy) ** 2 + ($pz - $t * $dz) ** 2) - $radius;
    }

    /** Two bodies that run into each other over so many mm. */
    private static function blend(float $a, float $b, float $over): float
    {
        $h = max($over - abs($a - $b), 0.0) / $over;

        return min($a, $b) - $h * $h * $over / 4.0;
    }

    private static function smoothMax(float $a, float $b, float $over): float
    {
        return -self::blend(-$a, -$b, $over);
    }

    private static function step(float $by, float $over): float
    {
        return max(0.0, min(1.0, $by / $over));
    }

    /**
     * @param  Closure(float, float, float): float  $outside
     * @param  array{float, float, float}  $from
     * @param  array{float, float, float}  $to
     */
    private static function skin(Closure $outside, array $from, array $to, float $step): Mesh
    {
        $n = array_map(static fn (int $i): int => (int) ceil(($to[$i] - $from[$i]) / $step) + 1, [0, 1, 2]);
        $values = [];
        for ($k = 0; $k <= $n[2]; $k++) {
            for ($j = 0; $j <= $n[1]; $j++) {
                for ($i = 0; $i <= $n[0]; $i++) {
                    $d = $outside($from[0] + $i * $step, $from[1] + $j * $step, $from[2] + $k * $step);
                    // Never just on the skin: it would have facets without a face.
                    $values[] = abs($d) < 1e-3 * $step ? 1e-3 * $step : $d;
                }
            }
        }
        $welder = new Welder;
        $row = $n[0] + 1;
        $slab = $row * ($n[1] + 1);
        $corner = [0, 1, $row + 1, $row, $slab, $slab + 1, $slab + $row + 1, $slab + $row];
        // A cube in six, all about one diagonal: neighbours agree on every face.
        $tetrahedra = [[0, 5, 1, 6], [0, 1, 2, 6], [0, 2, 3, 6], [0, 3, 7, 6], [0, 7, 4, 6], [0, 4, 5, 6]];
        $place = static fn (int $at): array => [
            $from[0] + ($at % $row) * $step, $from[1] + (intdiv($at, $row) % ($n[1] + 1)) * $step, $from[2] + intdiv($at, $slab) * $step,
        ];
        $between = static function (int $a, int $b) use ($values, $place): array {
            // The same from both sides, to the last digit.
            [$a, $b] = $a < $b ? [$a, $b] : [$b, $a];
            $t = $values[$a] / ($values[$a] - $values[$b]);
            [$p, $q] = [$place($a), $place($b)];

            return array_map(static fn (int $i): float => round($p[$i] + $t * ($q[$i] - $p[$i]), 4), [0, 1, 2]);
        };
        for ($k = 0; $k < $n[2]; $k++) {
            for ($j = 0; $j < $n[1]; $j++) {
                for ($i = 0; $i < $n[0]; $i++) {
                    $base = $k * $slab + $j * $row + $i;
                    foreach ($tetrahedra as $four) {
                        $at = array_map(static fn (int $c): int => $base + $corner[$c], $four);
                        $in = array_values(array_filter($at, static fn (int $v): bool => $values[$v] < 0.0));
                        $out = array_values(array_diff($at, $in));
                        foreach ($in === [] || $out === [] ? [] : self::cut($in, $out, $between, $place) as $facet) {
                            $welder->facet(...array_map(static fn (array $p): int => $welder->vertex(...$p), $facet));
                        }
                    }
                }
            }
        }

        return $welder->mesh();
    }

    /**
     * The skin through one tetrahedron, facing from what is in to what is out.
     *
     * @param  list<int>  $in
     * @param  list<int>  $out
     * @return list<array{list<float>, list<float>, list<float>}>
     */
    private static function cut(array $in, array $out, Closure $between, Closure $place): array
    {
        $facets = match (count($in)) {
            1 => [[$between($in[0], $out[0]), $between($in[0], $out[1]), $between($in[0], $out[2])]],
            3 => [[$between($in[0], $out[0]), $between($in[1], $out[0]), $between($in[2], $out[0])]],
            default => [
                [$between($in[0], $out[0]), $between($in[0], $out[1]), $between($in[1], $out[1])],
                [$between($in[0], $out[0]), $between($in[1], $out[1]), $between($in[1], $out[0])],
            ],
        };
        $mean = static fn (array $corners, int $i): float => array_sum(
            array_map(static fn (int $v): float => $place($v)[$i], $corners),
        ) / count($corners);

        return array_map(static function (array $facet) use ($in, $out, $mean): array {
            [$u, $v, $w] = $facet;
            $normal = [
                ($v[1] - $u[1]) * ($w[2] - $u[2]) - ($v[2] - $u[2]) * ($w[1] - $u[1]),
                ($v[2] - $u[2]) * ($w[0] - $u[0]) - ($v[0] - $u[0]) * ($w[2] - $u[2]),
                ($v[0] - $u[0]) * ($w[1] - $u[1]) - ($v[1] - $u[1]) * ($w[0] - $u[0]),
            ];
            $looks = array_sum(array_map(static fn (int $i): float => $normal[$i] * ($mean($out, $i) - $mean($in, $i)), [0, 1, 2]));

            return $looks < 0.0 ? [$u, $w, $v] : $facet;
        }, $facets);
    }
}
