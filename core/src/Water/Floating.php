<?php

declare(strict_types=1);

namespace Apalos\Core\Water;

use Apalos\Core\Mesh\Clip;
use Apalos\Core\Mesh\Direction;
use Apalos\Core\Mesh\Facing;
use Apalos\Core\Mesh\Mesh;

/**
 * How a body lies in water. It sinks in until it displaces its own weight, and turns until its centre of mass lies straight below the
 * centre of what it displaces. Newton's method on the height of the one above the other: its slope is the lever between them, its
 * curvature the second moment of the waterplane over the volume displaced (the metacentre).
 */
final class Floating
{
    private const TURNS = 160;

    private const HALVED = 8;

    /** Radians: a fiftieth of a degree. */
    private const STILL = 3.5e-4;

    private const MOST_TIPPED = 0.25;

    private const DOWNHILL = 0.06;

    /** mm: nearer to each other weight and lift lie in one place. */
    private const ONE_PLACE = 0.02;

    /** Of its height: so far the water is drawn over what sinks. */
    private const OVER = 0.25;

    /** In ml. */
    private const LEVEL = 0.001;

    /**
     * @param  float  $mass  g
     * @param  array{float, float, float}  $centre  of mass, mm in the model
     * @param  Direction  $up  as it is laid in
     */
    public function rest(Mesh $mesh, float $volumeMl, float $mass, array $centre, float $waterSg, Direction $up): FloatResult
    {
        $wanted = $mass / $waterSg;
        if ($wanted >= $volumeMl) {
            return $this->sinking($mesh, $volumeMl, $mass, $centre, $waterSg, $up);
        }
        $stable = false;
        $nudged = 0;
        $before = null;
        for ($turn = 0; $turn < self::TURNS; $turn++) {
            $facing = Facing::of($mesh, $up);
            [$level, $wet] = $this->level($facing, $wanted);
            [$u, $v] = $up->across();
            $gu = self::along($centre, $u) - $wet['centre'][0];
            $gv = self::along($centre, $v) - $wet['centre'][1];
            $lower = $wet['centre'][2] - self::along($centre, $up);
            // A step that lifts the weight over what bears it went too far: half of it.
            if ($before !== null && -$lower > $before['height'] + 1e-9 && $before['halved'] < self::HALVED) {
                $before = [...$before, 'du' => $before['du'] / 2.0, 'dv' => $before['dv'] / 2.0, 'halved' => $before['halved'] + 1];
                $up = self::tipped($before['up'], $before['du'], $before['dv']);

                continue;
            }
            $volume = 1000.0 * $wet['ml'];
            [$uu, $uv, $vv] = [$wet['moments'][0] / $volume + $lower, $wet['moments'][1] / $volume, $wet['moments'][2] / $volume + $lower];
            $det = $uu * $vv - $uv * $uv;
            $stable = $uu > 0.0 && $det > 0.0;
            [$du, $dv] = self::turn($gu, $gv, $uu, $uv, $vv);
            $size = hypot($du, $dv);
            if ($size < self::STILL) {
                if ($stable || ++$nudged > 6) {
                    break;
                }
                // Balanced on its tip: a breath of air, and it falls to one side.
                [$du, $dv] = [0.05, 0.031];
            }
            $before = ['up' => $up, 'height' => -$lower, 'du' => $du, 'dv' => $dv, 'halved' => $size < self::STILL ? self::HALVED : 0];
            $up = self::tipped($up, $du, $dv);
        }
        $facing = Facing::of($mesh, $up);
        [$level, $wet] = $this->level($facing, $wanted);

        return new FloatResult(
            $up, $level, $wet['ml'], $level - $facing->lowest(), $facing->lowest() + $facing->height() - $level, $stable, $mass,
            $volumeMl - $wet['ml'],
        );
    }

    /**
     * Under water the middle of its volume comes to lie straight over its weight.
     *
     * @param  array{float, float, float}  $centre
     */
    private function sinking(Mesh $mesh, float $volumeMl, float $mass, array $centre, float $waterSg, Direction $up): FloatResult
    {
        $facing = Facing::of($mesh, $up);
        $middle = $facing->place(Clip::below($facing, $facing->lowest() + $facing->height() + 1.0)['centre']);
        $way = [$middle[0] - $centre[0], $middle[1] - $centre[1], $middle[2] - $centre[2]];
        $hangs = sqrt($way[0] ** 2 + $way[1] ** 2 + $way[2] ** 2) > self::ONE_PLACE ? Direction::of($way[0], $way[1], $way[2]) : null;
        $facing = Facing::of($mesh, $hangs ?? $up);

        return FloatResult::sunk(
            $mass, $volumeMl, $waterSg, $hangs, $facing->lowest() + (1.0 + self::OVER) * $facing->height(), $facing->height(),
        );
    }

    private static function tipped(Direction $up, float $du, float $dv): Direction
    {
        [$u, $v] = $up->across();

        return Direction::of($up->x + $du * $u->x + $dv * $v->x, $up->y + $du * $u->y + $dv * $v->y, $up->z + $du * $u->z + $dv * $v->z);
    }

    /**
     * Along each of the two axes of the curvature by itself: Newton's step where there is a hollow to fall into, a small one downhill
     * where there is none yet.
     *
     * @return array{float, float}
     */
    private static function turn(float $gu, float $gv, float $uu, float $uv, float $vv): array
    {
        $angle = 0.5 * atan2(2.0 * $uv, $uu - $vv);
        [$c, $s] = [cos($angle), sin($angle)];
        $step = [0.0, 0.0];
        foreach ([[$c, $s], [-$s, $c]] as [$u, $v]) {
            $bends = $uu * $u * $u + 2.0 * $uv * $u * $v + $vv * $v * $v;
            $falls = $gu * $u + $gv * $v;
            $by = $bends > 1e-9 ? -$falls / $bends : (abs($falls) < 1e-9 ? 0.0 : -self::DOWNHILL * ($falls <=> 0.0));
            $by = max(-self::MOST_TIPPED, min(self::MOST_TIPPED, $by));
            $step = [$step[0] + $by * $u, $step[1] + $by * $v];
        }

        return $step;
    }

    /**
     * The height of the water at which so many ml are below it.
     *
     * @return array{float, array{ml: float, centre: array{float, float, float}, cut: float, moments: array{float, float, float}}}
     */
    private function level(Facing $facing, float $wanted): array
    {
        [$low, $high] = [$facing->lowest(), $facing->lowest() + $facing->height()];
        $level = ($low + $high) / 2.0;
        for ($i = 0; $i < 60; $i++) {
            $wet = Clip::below($facing, $level);
            $short = $wanted - $wet['ml'];
            if (abs($short) < self::LEVEL || $high - $low < 1e-9) {
                return [$level, $wet];
            }
            $short > 0.0 ? $low = $level : $high = $level;
            $next = $wet['cut'] > 1.0 ? $level + 1000.0 * $short / $wet['cut'] : ($low + $high) / 2.0;
            $level = $next > $low && $next < $high ? $next : ($low + $high) / 2.0;
        }

        return [$level, Clip::below($facing, $level)];
    }

    /** @param  array{float, float, float}  $at */
    private static function along(array $at, Direction $d): float
    {
        return $at[0] * $d->x + $at[1] * $d->y + $at[2] * $d->z;
    }
}
