<?php

declare(strict_types=1);

namespace Apalos\Core\Piece;

use Apalos\Core\Mesh\Coarse;
use Apalos\Core\Mesh\Direction;
use Apalos\Core\Mesh\Facing;
use Apalos\Core\Mesh\Mesh;

/**
 * Which surface a pull sees. A facet that leans towards the pull is seen where the way from just above it is free; one that leans
 * away, the other way; an upright one where either is. A mould of one part leaves towards the pull alone, and stands on its base.
 */
final class Sight
{
    /** Of the normal along the pull: less is upright. */
    private const UPRIGHT = 0.02;

    /** Above the lowest point, in mm: what faces down there is the base. */
    private const BASE = 0.5;

    /** A facet larger than this part of all is looked at in several places; on a coarse likeness, larger than that. */
    private const PARTS = 2000;

    private const SEARCHING = 350;

    private const MOST_PARTS = 24;

    /** Places kept of the hidden surface. */
    private const KEPT = 3000;

    /** @var list<int> */
    private array $facets = [];

    /** @var list<float> */
    private array $us = [];

    /** @var list<float> */
    private array $vs = [];

    /** @var list<float> */
    private array $ws = [];

    /** @var list<float> */
    private array $weights = [];

    /** @var list<int> 1 and −1: that way only; 0: either */
    private array $senses = [];

    /**
     * How far beside an upright facet its way out begins, mm: farther than a mesh of many flats departs from the round it stands for, and
     * less than one would see.
     */
    private readonly float $off;

    /**
     * @param  list<array{float, float, float}>|null  $normals  of a coarse likeness
     * @param  float  $cell  mm; how coarse it is: its places are looked at from so far outside
     */
    private function __construct(
        private readonly Facing $facing,
        private readonly bool $onePart,
        private readonly bool $closed,
        private readonly int $parts,
        private readonly ?array $normals = null,
        private readonly float $cell = 0.0,
    ) {
        $this->off = 1e-4 * $facing->height() + 1e-3;
    }

    public static function of(Mesh $mesh, Direction $pull, bool $onePart, bool $closed): Undercuts
    {
        return (new self(Facing::of($mesh, $pull), $onePart, $closed, self::PARTS))->look();
    }

    /**
     * About, on a coarse likeness: enough to tell good ways from bad ones.
     *
     * @param  list<array{float, float, float}>  $normals  as the surface faced before it was made coarser
     */
    public static function about(Coarse $coarse, array $normals, Direction $pull, bool $onePart, bool $closed): Undercuts
    {
        return (new self(Facing::of($coarse->mesh, $pull, $normals), $onePart, $closed, self::SEARCHING, $normals, $coarse->cell))->look();
    }

    private function look(): Undercuts
    {
        $facing = $this->facing;
        $up = new Cover($facing, 1, $this->closed);
        $down = $this->onePart ? null : new Cover($facing, -1, $this->closed);
        [$states, $counted] = $this->suspected($up, $down);
        $barredUp = $up->barred($this->us, $this->vs, $this->ws);
        $barredDown = $down?->barred($this->us, $this->vs, $this->ws);
        $hidden = 0.0;
        $places = [];
        $share = [];
        $every = max(1, intdiv(count($this->facets), self::KEPT));
        foreach ($this->facets as $i => $f) {
            $sense = $this->senses[$i];
            $isHidden = match (true) {
                $sense === 2 => true,
                $sense === 1 || $barredDown === null => $barredUp[$i] === '1',
                $sense === -1 => $barredDown[$i] === '1',
                default => $barredUp[$i] === '1' && $barredDown[$i] === '1',
            };
            if ($isHidden) {
                $hidden += $this->weights[$i];
                $share[$f] = ($share[$f] ?? 0.0) + $this->weights[$i];
                if ($i % $every === 0) {
                    $places[] = [$this->us[$i], $this->vs[$i], $this->ws[$i], $sense === 2 ? 1 : $sense];
                }
            } elseif ($sense === 0 && $barredUp[$i] === '1') {
                $states[$f] = Undercuts::BELOW;
            }
        }
        foreach ($share as $f => $area) {
            if ($area > $facing->area[$f] / 2.0) {
                $states[$f] = Undercuts::HIDDEN;
            }
        }

        return new Undercuts($facing, $this->onePart, $counted, $hidden, $states, $places);
    }

    /**
     * Every facet by how it leans; those whose way out may be barred become places to be asked about.
     *
     * @return array{string, float} states as they are if nothing is barred, and the area that counts
     */
    private function suspected(Cover $up, ?Cover $down): array
    {
        $facing = $this->facing;
        [$u, $v, $w, $corners, $area] = [$facing->u, $facing->v, $facing->w, $facing->mesh->corners, $facing->area];
        $large = array_sum($area) / $this->parts;
        $base = $facing->lowest() + self::BASE;
        $states = str_repeat(Undercuts::ABOVE, count($area));
        $counted = 0.0;
        foreach ($facing->lean as $f => $lean) {
            $a = $corners[3 * $f];
            $b = $corners[3 * $f + 1];
            $c = $corners[3 * $f + 2];
            if ($this->onePart && $lean < -self::UPRIGHT && $w[$a] <= $base && $w[$b] <= $base && $w[$c] <= $base) {
                $states[$f] = Undercuts::BASE;

                continue;
            }
            $counted += $area[$f];
            $sense = match (true) {
                $lean > self::UPRIGHT => 1,
                $lean >= -self::UPRIGHT => $this->onePart ? 1 : 0,
                // Its own body bars the way of what leans away from the only pull there is.
                default => $this->onePart ? 2 : -1,
            };
            if ($sense === -1) {
                $states[$f] = Undercuts::BELOW;
            }
            $cover = $sense === -1 ? $down : $up;
            if ($area[$f] <= $large) {
                $mu = ($u[$a] + $u[$b] + $u[$c]) / 3.0;
                $mv = ($v[$a] + $v[$b] + $v[$c]) / 3.0;
                $mw = ($w[$a] + $w[$b] + $w[$c]) / 3.0;
                if (abs($lean) <= self::UPRIGHT) {
                    [$mu, $mv] = $this->beside($f, $mu, $mv);
                }
                if ($sense === 2 || $cover === null || ! $cover->isSurelyFree($mu, $mv, $mw)) {
                    $this->suspect($f, $mu, $mv, $mw, $area[$f], $sense);
                }

                continue;
            }
            $this->inParts($f, $sense, min(self::MOST_PARTS, (int) ceil(sqrt($area[$f] / $large))), abs($lean) <= self::UPRIGHT);
        }

        return [$states, $counted];
    }

    /** A large facet in k² parts of one size, each by its middle. */
    private function inParts(int $f, int $sense, int $k, bool $upright): void
    {
        $facing = $this->facing;
        [$a, $b, $c] = [$facing->mesh->corners[3 * $f], $facing->mesh->corners[3 * $f + 1], $facing->mesh->corners[3 * $f + 2]];
        for ($i = 0; $i < $k; $i++) {
            for ($j = 0; $j < $k - $i; $j++) {
                // One part standing on its side, and but at the rim one on its tip.
                foreach ($i + $j < $k - 1 ? [1.0 / 3.0, 2.0 / 3.0] : [1.0 / 3.0] as $in) {
                    $s = ($i + $in) / $k;
                    $t = ($j + $in) / $k;
                    $mu = $facing->u[$a] + $s * ($facing->u[$b] - $facing->u[$a]) + $t * ($facing->u[$c] - $facing->u[$a]);
                    $mv = $facing->v[$a] + $s * ($facing->v[$b] - $facing->v[$a]) + $t * ($facing->v[$c] - $facing->v[$a]);
                    $mw = $facing->w[$a] + $s * ($facing->w[$b] - $facing->w[$a]) + $t * ($facing->w[$c] - $facing->w[$a]);
                    if ($upright) {
                        [$mu, $mv] = $this->beside($f, $mu, $mv);
                    }
                    $this->suspect($f, $mu, $mv, $mw, $facing->area[$f] / ($k * $k), $sense);
                }
            }
        }
    }

    /**
     * Just off an upright facet, where its way out begins.
     *
     * @return array{float, float}
     */
    private function beside(int $f, float $u, float $v): array
    {
        $facing = $this->facing;
        [$a, $b, $c] = [$facing->mesh->corners[3 * $f], $facing->mesh->corners[3 * $f + 1], $facing->mesh->corners[3 * $f + 2]];
        [$bv, $bw, $cv, $cw] = [
            $facing->v[$b] - $facing->v[$a], $facing->w[$b] - $facing->w[$a], $facing->v[$c] - $facing->v[$a],
            $facing->w[$c] - $facing->w[$a],
        ];
        [$bu, $cu] = [$facing->u[$b] - $facing->u[$a], $facing->u[$c] - $facing->u[$a]];
        [$nu, $nv] = [$bv * $cw - $bw * $cv, $bw * $cu - $bu * $cw];
        $length = sqrt($nu * $nu + $nv * $nv);

        return $length > 0.0 ? [$u + $this->off * $nu / $length, $v + $this->off * $nv / $length] : [$u, $v];
    }

    private function suspect(int $f, float $u, float $v, float $w, float $weight, int $sense): void
    {
        if ($this->cell > 0.0 && $this->normals !== null) {
            [$x, $y, $z] = $this->normals[$f];
            [$across, $other] = $this->facing->along->across();
            $u += $this->cell * ($x * $across->x + $y * $across->y + $z * $across->z);
            $v += $this->cell * ($x * $other->x + $y * $other->y + $z * $other->z);
            $w += $this->cell * $this->facing->lean[$f];
        }
        $this->facets[] = $f;
        $this->us[] = $u;
        $this->vs[] = $v;
        $this->ws[] = $w;
        $this->weights[] = $weight;
        $this->senses[] = $sense;
    }
}
