<?php

declare(strict_types=1);

namespace Apalos\Core\Piece;

use Apalos\Core\Mesh\Facing;

/**
 * Between which heights a flat seam may lie: under all that leans towards the pull, over all that leans away. Between the two stand
 * upright walls, on which a seam may run anywhere. A thousandth of the surface may be otherwise: the pits of a scan.
 */
final class Walls
{
    private const BINS = 2000;

    private const STRAY = 0.001;

    private const UPRIGHT = 0.02;

    /**
     * @return array{float, float} from the top of what leans away to the foot of what leans towards the pull; the second may be the lower
     */
    public static function of(Facing $facing): array
    {
        [$w, $lean, $area, $corners] = [$facing->w, $facing->lean, $facing->area, $facing->mesh->corners];
        $lowest = $facing->lowest();
        $per = (self::BINS - 1) / max($facing->height(), 1e-9);
        $up = $down = array_fill(0, self::BINS, 0.0);
        $feet = array_fill(0, self::BINS, INF);
        $tops = array_fill(0, self::BINS, -INF);
        foreach ($lean as $f => $leans) {
            if ($leans > self::UPRIGHT) {
                $foot = min($w[$corners[3 * $f]], $w[$corners[3 * $f + 1]], $w[$corners[3 * $f + 2]]);
                $bin = (int) (($foot - $lowest) * $per);
                $up[$bin] += $area[$f];
                $feet[$bin] = min($feet[$bin], $foot);
            } elseif ($leans < -self::UPRIGHT) {
                $top = max($w[$corners[3 * $f]], $w[$corners[3 * $f + 1]], $w[$corners[3 * $f + 2]]);
                $bin = (int) (($top - $lowest) * $per);
                $down[$bin] += $area[$f];
                $tops[$bin] = max($tops[$bin], $top);
            }
        }
        $stray = self::STRAY * array_sum($area);
        $foot = $lowest + $facing->height();
        for ($bin = 0, $sum = 0.0; $bin < self::BINS; $bin++) {
            $sum += $up[$bin];
            if ($sum > $stray) {
                $foot = $feet[$bin];
                break;
            }
        }
        $top = $lowest;
        for ($bin = self::BINS - 1, $sum = 0.0; $bin >= 0; $bin--) {
            $sum += $down[$bin];
            if ($sum > $stray) {
                $top = $tops[$bin];
                break;
            }
        }

        return [$top, $foot];
    }
}
