<?php

declare(strict_types=1);

namespace Apalos\Core\Mesh;

/**
 * Volume by signed tetrahedra about the middle of the piece, area by cross products; both exact sums over the facets as they are.
 * Vertices torn apart by rounding are drawn together where that closes the mesh.
 */
final class Surveyor
{
    /** Of the diagonal: what single precision tears apart. */
    private const ROUNDING = 2e-6;

    /** Of the diagonal. */
    private const CRUMB = 1e-12;

    /** More shells than this are dust; which lies in which is not asked. */
    private const MOST_SHELLS = 64;

    public function survey(Mesh $mesh): Survey
    {
        $bounds = $mesh->bounds();
        $links = Links::of($mesh);
        $loose = $links->loose();
        if ($loose['open'] > 0) {
            $closed = Welder::closing($mesh, max(1e-6, self::ROUNDING * $bounds->diagonal()));
            $closedLinks = Links::of($closed);
            $left = $closedLinks->loose();
            if ($left['open'] < $loose['open'] && $closed->corners !== []) {
                [$mesh, $links, $loose] = [$closed, $closedLinks, $left];
            }
        }
        [$shell, $count] = $links->shells($mesh);
        $sums = self::sums($mesh, $shell, $count, $bounds->middle());
        $nesting = $loose['open'] > 0 || $count > self::MOST_SHELLS ? null : new Nesting($mesh, $shell, $sums['volumes']);
        [$flipped, $inner, $overlapping] = $nesting?->judged() ?? [self::insideOut($sums['volumes']), 0, 0];
        if ($flipped !== []) {
            $mesh = self::turned($mesh, $shell, $flipped);
            $links = Links::of($mesh);
            $sums = self::sums($mesh, $shell, $count, $bounds->middle());
        }
        // Several parts are one once cast: what lies in two of them is counted once.
        $united = $nesting === null || $count === 1 ? [$mesh, 0] : (new Uniting($mesh, $shell))->of($nesting->bodies($flipped));
        if ($united !== null && $united[1] > 0) {
            $mesh = $united[0];
            $links = Links::of($mesh);
            $bounds = $mesh->bounds();
            [$shell, $count] = $links->shells($mesh);
            $sums = self::sums($mesh, $shell, $count, $bounds->middle());
            [$inner, $overlapping] = [count(array_filter($sums['volumes'], static fn (float $mm3): bool => $mm3 < 0.0)), 0];
        }
        $volume = array_sum($sums['volumes']);
        $middle = $bounds->middle();
        $centre = abs($volume) < 1e-12
            ? $middle
            : [
                $middle[0] + $sums['moment'][0] / $volume, $middle[1] + $sums['moment'][1] / $volume,
                $middle[2] + $sums['moment'][2] / $volume,
            ];
        // Sums of many thousand facets leave crumbs: so near to nought, for its size, it is nought.
        $crumb = self::CRUMB * $bounds->diagonal();
        $centre = array_map(static fn (float $mm): float => abs($mm) < $crumb ? 0.0 : $mm, $centre);

        return new Survey(
            $mesh, $links, $bounds, $volume / 1000.0, $sums['area'], $centre, $loose['open'], $loose['crowded'], $count, count($flipped),
            $inner, $overlapping, $united[1] ?? 0, $united === null,
        );
    }

    /**
     * Where it cannot be told what lies in what, only one that is all of it can be said to be inside out.
     *
     * @param  list<float>  $volumes
     * @return list<int>
     */
    private static function insideOut(array $volumes): array
    {
        return count($volumes) === 1 && $volumes[0] < 0.0 ? [0] : [];
    }

    /**
     * @param  list<int>  $shell
     * @param  array{float, float, float}  $from
     * @return array{volumes: list<float>, area: float, moment: array{float, float, float}} mm³ of every shell, mm², mm⁴ about $from
     */
    private static function sums(Mesh $mesh, array $shell, int $count, array $from): array
    {
        [$x, $y, $z, $corners] = [$mesh->x, $mesh->y, $mesh->z, $mesh->corners];
        [$ox, $oy, $oz] = $from;
        $volumes = array_fill(0, max(1, $count), 0.0);
        $area = $mx = $my = $mz = 0.0;
        for ($h = 0, $n = count($corners); $h < $n; $h += 3) {
            $a = $corners[$h];
            $b = $corners[$h + 1];
            $c = $corners[$h + 2];
            $ax = $x[$a] - $ox;
            $ay = $y[$a] - $oy;
            $az = $z[$a] - $oz;
            $bx = $x[$b] - $ox;
            $by = $y[$b] - $oy;
            $bz = $z[$b] - $oz;
            $cx = $x[$c] - $ox;
            $cy = $y[$c] - $oy;
            $cz = $z[$c] - $oz;
            $six = $ax * ($by * $cz - $bz * $cy) + $ay * ($bz * $cx - $bx * $cz) + $az * ($bx * $cy - $by * $cx);
            $volumes[$shell[$a]] += $six / 6.0;
            $mx += $six * ($ax + $bx + $cx);
            $my += $six * ($ay + $by + $cy);
            $mz += $six * ($az + $bz + $cz);
            $bx -= $ax;
            $by -= $ay;
            $bz -= $az;
            $cx -= $ax;
            $cy -= $ay;
            $cz -= $az;
            $nx = $by * $cz - $bz * $cy;
            $ny = $bz * $cx - $bx * $cz;
            $nz = $bx * $cy - $by * $cx;
            $area += sqrt($nx * $nx + $ny * $ny + $nz * $nz);
        }

        return ['volumes' => array_values($volumes), 'area' => $area / 2.0, 'moment' => [$mx / 24.0, $my / 24.0, $mz / 24.0]];
    }

    /**
     * @param  list<int>  $shell
     * @param  list<int>  $flipped
     */
    private static function turned(Mesh $mesh, array $shell, array $flipped): Mesh
    {
        $corners = $mesh->corners;
        $turn = array_fill_keys($flipped, true);
        $out = [];
        for ($h = 0, $n = count($corners); $h < $n; $h += 3) {
            $isTurned = isset($turn[$shell[$corners[$h]]]);
            $out[] = $corners[$h];
            $out[] = $corners[$h + ($isTurned ? 2 : 1)];
            $out[] = $corners[$h + ($isTurned ? 1 : 2)];
        }

        return new Mesh($mesh->x, $mesh->y, $mesh->z, $out);
    }
}
