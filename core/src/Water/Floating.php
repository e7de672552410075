<?php

declare(strict_types=1);

namespace Apalos\Core\Water;

use Apalos\Core\Mesh\Direction;
use Apalos\Core\Mesh\Mesh;
use Apalos\Core\Piece\Clip;
use Apalos\Core\Piece\Facing;

/**
 * How a body lies in water. It sinks in until it displaces its own weight, and turns until its centre of mass lies straight below the
 * centre of what it displaces. Newton's method on the height of the one above the other: its slope is the lever between them, its
 * curvature the second moment of the waterplane over the volume displaced (the metacentre).
 */
final class Floating
{
    private const TURNS = 80;

    /** Radians: a fiftieth of a degree. */
    private const STILL = 3.5e-4;

    private const MOST_TIPPED = 0.25;

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
            return FloatResult::sunk($mass, $volumeMl, $waterSg);
        }
        $stable = false;
        $nudged = 0;
        for ($turn = 0; $turn < self::TURNS; $turn++) {
            $facing = Facing::of($mesh, $up);
            [$level, $wet] = $this->level($facing, $wanted);
            [$u, $v] = $up->across();
            $gu = self::along($centre, $u) - $wet['centre'][0];
            $gv = self::along($centre, $v) - $wet['centre'][1];
            $lower = $wet['centre'][2] - self::along($centre, $up);
            $volume = 1000.0 * $wet['ml'];
            [$uu, $uv, $vv] = [$wet['moments'][0] / $volume + $lower, $wet['moments'][1] / $volume, $wet['moments'][2] / $volume + $lower];
            $det = $uu * $vv - $uv * $uv;
            $stable = $uu > 0.0 && $det > 0.0;
            [$du, $dv] = $stable ? [-($vv * $gu - $uv * $gv) / $det, -($uu * $gv - $uv * $gu) / $det] : self::down($gu, $gv);
            $size = hypot($du, $dv);
            if ($size < self::STILL) {
                if ($stable || ++$nudged > 6) {
                    break;
                }
                // Balanced on its tip: a breath of air, and it falls to one side.
                [$du, $dv, $size] = [0.05, 0.031, 0.06];
            }
            $scale = $size > self::MOST_TIPPED ? self::MOST_TIPPED / $size : 1.0;
            $up = Direction::of($up->x + $scale * ($du * $u->x + $dv * $v->x), $up->y + $scale * ($du * $u->y + $dv * $v->y), $up->z + $scale * ($du * $u->z + $dv * $v->z));
        }
        $facing = Facing::of($mesh, $up);
        [$level, $wet] = $this->level($facing, $wanted);

        return new FloatResult($up, $level, $wet['ml'], $level - $facing->lowest(), $facing->lowest() + $facing->height() - $level, $stable, $mass, $volumeMl - $wet['ml']);
    }

    /**
     * Downhill, where there is no hollow to fall into yet.
     *
     * @return array{float, float}
     */
    private static function down(float $gu, float $gv): array
    {
        $length = hypot($gu, $gv);

        return $length < 1e-9 ? [0.0, 0.0] : [-0.15 * $gu / $length, -0.15 * $gv / $length];
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
