<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Mesh;

use Apalos\Core\Mesh\Mesh;
use Apalos\Core\Mesh\Welder;

/** Shapes whose answers one can work out on paper, as meshes; and turned any way round. */
final class Shapes
{
    /**
     * @param  list<array{float, float}>  $profile  radius and height, from the bottom of the outside round to where it began or to the axis
     */
    public static function turnedOnALathe(array $profile, int $around, bool $ring = false): Mesh
    {
        $welder = new Welder;
        $place = static fn (int $i, int $j): int => $welder->vertex(
            round($profile[$i][0] * cos(2 * M_PI * ($j % $around) / $around), 9),
            round($profile[$i][0] * sin(2 * M_PI * ($j % $around) / $around), 9), $profile[$i][1],
        );
        $n = count($profile);
        for ($i = 0, $last = $ring ? $n : $n - 1; $i < $last; $i++) {
            $next = ($i + 1) % $n;
            for ($j = 0; $j < $around; $j++) {
                [$a, $b, $c, $d] = [$place($i, $j), $place($i, $j + 1), $place($next, $j + 1), $place($next, $j)];
                if ($a !== $b) {
                    $welder->facet($a, $b, $c);
                }
                if ($c !== $d) {
                    $welder->facet($a, $c, $d);
                }
            }
        }

        return $welder->mesh();
    }

    public static function sphere(float $radius, int $steps = 96): Mesh
    {
        return self::turnedOnALathe(
            array_map(
                static fn (int $i): array => [
                    $i === 0 || $i === $steps ? 0.0 : $radius * sin(M_PI * $i / $steps), -$radius * cos(M_PI * $i / $steps),
                ],
                range(0, $steps),
            ),
            2 * $steps,
        );
    }

    public static function torus(float $ring, float $tube, int $steps = 64): Mesh
    {
        return self::turnedOnALathe(
            array_map(
                static fn (int $i): array => [$ring + $tube * cos(2 * M_PI * $i / $steps), $tube * sin(2 * M_PI * $i / $steps)],
                range(0, $steps - 1),
            ),
            2 * $steps, true,
        );
    }

    /** A stem under a flat-bottomed, domed cap, as steps of about $step mm. */
    public static function mushroom(float $stem, float $high, float $cap, float $dome, float $step = 1.0): Mesh
    {
        $profile = [[0.0, 0.0], ...self::line([$stem, 0.0], [$stem, $high], $step), ...self::line([$stem, $high], [$cap, $high], $step)];
        $many = (int) ceil(M_PI / 2 * $cap / $step);
        for ($i = 1; $i <= $many; $i++) {
            $profile[] = [$i === $many ? 0.0 : $cap * cos(M_PI / 2 * $i / $many), $high + $dome * sin(M_PI / 2 * $i / $many)];
        }

        return self::turnedOnALathe($profile, (int) ceil(2 * M_PI * $cap / $step));
    }

    /** Mouth down: a tumbler with a floor of $floor above a room. */
    public static function cup(float $radius, float $high, float $wall, float $floor, float $step = 1.0): Mesh
    {
        return self::turnedOnALathe([
            [0.0, $high - $floor], [$radius - $wall, $high - $floor],
            ...array_slice(self::line([$radius - $wall, $high - $floor], [$radius - $wall, 0.0], $step), 1),
            ...self::line([$radius, 0.0], [$radius, $high], $step), [0.0, $high],
        ], (int) ceil(2 * M_PI * $radius / $step));
    }

    public static function box(float $l, float $w, float $h, float $x = 0.0, float $y = 0.0, float $z = 0.0, ?Welder $into = null): Mesh
    {
        $welder = $into ?? new Welder;
        $at = static fn (int $corner): int => $welder->vertex(
            $x + ($corner & 1 ? $l : 0.0), $y + ($corner & 2 ? $w : 0.0), $z + ($corner & 4 ? $h : 0.0),
        );
        foreach ([[0, 2, 3, 1], [4, 5, 7, 6], [0, 1, 5, 4], [2, 6, 7, 3], [0, 4, 6, 2], [1, 3, 7, 5]] as [$a, $b, $c, $d]) {
            $welder->facet($at($a), $at($b), $at($c));
            $welder->facet($at($a), $at($c), $at($d));
        }

        return $welder->mesh();
    }

    /**
     * An outline in the plane of x and z, anticlockwise as seen from −y and cut into ears by the caller, drawn out along y.
     *
     * @param  list<array{float, float}>  $outline
     * @param  list<array{int, int, int}>  $ears
     */
    public static function extruded(array $outline, array $ears, float $deep): Mesh
    {
        $welder = new Welder;
        $at = static fn (int $i, bool $back): int => $welder->vertex($outline[$i][0], $back ? $deep : 0.0, $outline[$i][1]);
        foreach ($ears as [$a, $b, $c]) {
            $welder->facet($at($a, false), $at($b, false), $at($c, false));
            $welder->facet($at($a, true), $at($c, true), $at($b, true));
        }
        $n = count($outline);
        for ($i = 0; $i < $n; $i++) {
            $j = ($i + 1) % $n;
            $welder->facet($at($j, false), $at($i, false), $at($i, true));
            $welder->facet($at($j, false), $at($i, true), $at($j, true));
        }

        return $welder->mesh();
    }

    /** A block with two horns of unequal height: 60 × 40 × 20 mm, a tall one 20 mm wide to 50 mm, a low one 10 mm wide to 35 mm. */
    public static function hornedBlock(): Mesh
    {
        $outline = [
            [0.0, 0.0], [60.0, 0.0], [60.0, 20.0], [60.0, 35.0], [50.0, 35.0], [50.0, 20.0], [20.0, 20.0], [20.0, 50.0], [0.0, 50.0],
            [0.0, 20.0],
        ];

        return self::extruded($outline, [[0, 1, 2], [0, 2, 5], [0, 5, 6], [0, 6, 9], [2, 3, 4], [2, 4, 5], [6, 7, 8], [6, 8, 9]], 40.0);
    }

    /** @return array{list<float>, list<float>, list<float>} */
    public static function turning(int $seed): array
    {
        $random = new \Random\Randomizer(new \Random\Engine\Mt19937($seed));
        [$a, $b, $c] = array_map(static fn (): float => 2 * M_PI * $random->getInt(0, 1_000_000) / 1e6, [0, 1, 2]);
        [$ca, $sa, $cb, $sb, $cc, $sc] = [cos($a), sin($a), cos($b), sin($b), cos($c), sin($c)];

        return [
            [$ca * $cb, $ca * $sb * $sc - $sa * $cc, $ca * $sb * $cc + $sa * $sc],
            [$sa * $cb, $sa * $sb * $sc + $ca * $cc, $sa * $sb * $cc - $ca * $sc],
            [-$sb, $cb * $sc, $cb * $cc],
        ];
    }

    /**
     * @param  array{list<float>, list<float>, list<float>}  $by
     * @param  array{float, float, float}  $at
     * @return array{float, float, float}
     */
    public static function turnedPlace(array $by, array $at): array
    {
        return [
            $by[0][0] * $at[0] + $by[0][1] * $at[1] + $by[0][2] * $at[2],
            $by[1][0] * $at[0] + $by[1][1] * $at[1] + $by[1][2] * $at[2],
            $by[2][0] * $at[0] + $by[2][1] * $at[1] + $by[2][2] * $at[2],
        ];
    }

    /** @param  array{list<float>, list<float>, list<float>}  $by */
    public static function turned(Mesh $mesh, array $by): Mesh
    {
        $x = $y = $z = [];
        for ($v = 0; $v < $mesh->vertices(); $v++) {
            [$x[], $y[], $z[]] = self::turnedPlace($by, $mesh->at($v));
        }

        return new Mesh($x, $y, $z, $mesh->corners);
    }

    /** As a binary STL. */
    public static function stl(Mesh $mesh): string
    {
        $bytes = str_pad('test', 80).pack('V', $mesh->facets());
        foreach (array_chunk($mesh->corners, 3) as $three) {
            $bytes .= pack('g3', 0, 0, 0);
            foreach ($three as $v) {
                $bytes .= pack('g3', ...$mesh->at($v));
            }
            $bytes .= "\0\0";
        }

        return $bytes;
    }

    /** A file with these bytes, gone when the test is over. */
    public static function file(string $bytes, string $ending): \SplFileObject
    {
        $path = tempnam(sys_get_temp_dir(), 'mesh').'.'.$ending;
        file_put_contents($path, $bytes);
        register_shutdown_function(
            static fn () => array_map(static fn (string $one) => @unlink($one), [$path, substr($path, 0, -strlen($ending) - 1)]),
        );

        return new \SplFileObject($path, 'rb');
    }

    /**
     * @param  array{float, float}  $from
     * @param  array{float, float}  $to
     * @return list<array{float, float}>
     */
    private static function line(array $from, array $to, float $step): array
    {
        $many = max(1, (int) ceil(hypot($to[0] - $from[0], $to[1] - $from[1]) / $step));

        return array_map(
            static fn (int $i): array => [$from[0] + ($to[0] - $from[0]) * $i / $many, $from[1] + ($to[1] - $from[1]) * $i / $many],
            range(0, $many),
        );
    }
}
