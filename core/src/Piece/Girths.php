<?php

declare(strict_types=1);

namespace Apalos\Core\Piece;

use Apalos\Core\Mesh\Facing;

/**
 * How far a mould of one part must stretch. Drawn off along the pull, the ring of rubber at each height passes over every girth above
 * it; a girth is what a tape pulled tight around the piece reads at that height.
 */
final class Girths
{
    private const SLICES = 72;

    /** The base, in mm, stays out. */
    private const BASE = 0.5;

    /** A tip has no girth to hold on by: under this share of the largest it is not the rubber that decides. */
    private const LEAST_SHARE = 0.02;

    /**
     * @return array{pct: float, opening_mm: float, passes_mm: float, opening_at_mm: float, passes_at_mm: float} strain in per cent, the
     * girth of the opening, the girth that passes it, and the height of each along the pull
     */
    public static function of(Facing $facing): array
    {
        $girths = self::slices($facing);
        $largest = max([0.0, ...array_column($girths, 1)]);
        $worst = [
            'pct' => 0.0, 'opening_mm' => $largest, 'passes_mm' => $largest, 'opening_at_mm' => $facing->lowest(),
            'passes_at_mm' => $facing->lowest(),
        ];
        $passing = 0.0;
        $passingAt = 0.0;
        // From the top down: what lies above has to pass what lies below.
        foreach (array_reverse($girths) as [$at, $girth]) {
            if ($girth < self::LEAST_SHARE * $largest) {
                continue;
            }
            if ($girth > $passing) {
                [$passing, $passingAt] = [$girth, $at];
            }
            $pct = 100.0 * ($passing / $girth - 1.0);
            if ($pct > $worst['pct'] + 1e-9) {
                $worst = [
                    'pct' => $pct, 'opening_mm' => $girth, 'passes_mm' => $passing, 'opening_at_mm' => $at, 'passes_at_mm' => $passingAt,
                ];
            }
        }

        return $worst;
    }

    /** @return list<array{float, float}> heights and girths, rising */
    private static function slices(Facing $facing): array
    {
        [$u, $v, $w, $corners] = [$facing->u, $facing->v, $facing->w, $facing->mesh->corners];
        $first = $facing->lowest() + self::BASE;
        $high = $facing->height() - self::BASE;
        if ($high <= 0.0) {
            return [];
        }
        // Never just at the ends: the first lies where the base ends, the last below the top.
        $step = $high / self::SLICES;
        $us = $vs = [];
        for ($h = 0, $n = count($corners); $h < $n; $h += 3) {
            $a = $corners[$h];
            $b = $corners[$h + 1];
            $c = $corners[$h + 2];
            $s = (int) ceil((min($w[$a], $w[$b], $w[$c]) - $first) / $step);
            $last = (int) floor((max($w[$a], $w[$b], $w[$c]) - $first) / $step);
            if ($s > $last) {
                continue;
            }
            for ($s = max(0, $s), $last = min(self::SLICES - 1, $last); $s <= $last; $s++) {
                $level = $first + $s * $step;
                foreach ([[$a, $b], [$b, $c], [$c, $a]] as [$p, $q]) {
                    if (($w[$p] - $level) * ($w[$q] - $level) <= 0.0 && $w[$p] !== $w[$q]) {
                        $t = ($level - $w[$p]) / ($w[$q] - $w[$p]);
                        $us[$s][] = $u[$p] + $t * ($u[$q] - $u[$p]);
                        $vs[$s][] = $v[$p] + $t * ($v[$q] - $v[$p]);
                    }
                }
            }
        }
        ksort($us);
        $girths = [];
        foreach ($us as $s => $across) {
            $girths[] = [$first + $s * $step, Hull::of($across, $vs[$s] ?? [])->girth()];
        }

        return $girths;
    }
}
