<?php

declare(strict_types=1);

namespace Apalos\Core\Piece;

use Apalos\Core\Mesh\Coarse;
use Apalos\Core\Mesh\Direction;
use Apalos\Core\Mesh\Facing;
use Apalos\Core\Mesh\Survey;

/**
 * Whether a mould of one part serves where two were asked about: flat things, and deep and ring-shaped ones that stand on a flat side. All
 * that is not its base is seen from one way.
 */
final class OnePart
{
    /** Facets: a huge mesh is asked as a fine likeness of itself. */
    private const HUGE = 200_000;

    private const FINE = 100_000;

    /** How many ways are asked, those with the largest base first. */
    private const ASKED = 3;

    /** Per cent hidden: the zigzag of facets. */
    private const NOTHING = 0.5;

    /** Of the whole surface: what stands on less falls over, and opens at less than a sprue. */
    private const BASE = 0.03;

    /** Above the lowest point, in mm, as {@see Sight} has it; a facet of it faces straight down. */
    private const FLAT_MM = 0.5;

    private const DOWN = -0.98;

    /** The way it is drawn off, where it is: along the pull or against it, else along an axis. */
    public static function serves(Survey $survey, Direction $pull): ?Direction
    {
        $mesh = $survey->mesh->facets() > self::HUGE ? Coarse::of($survey->mesh, self::FINE)->mesh : $survey->mesh;
        $ways = [
            $pull, $pull->back(),
            ...array_values(array_filter(Ways::axes(), static fn (Direction $axis): bool => abs($axis->dot($pull)) < 1.0 - 1e-6)),
        ];
        $bases = array_map(static fn (Direction $way): float => self::base(Facing::of($mesh, $way)), $ways);
        arsort($bases);
        foreach (array_slice($bases, 0, self::ASKED, true) as $i => $base) {
            if ($base >= self::BASE && Sight::of($mesh, $ways[$i], true, $survey->watertight())->pct() < self::NOTHING) {
                return $ways[$i];
            }
        }

        return null;
    }

    /** Which share of its surface lies on the board. */
    private static function base(Facing $facing): float
    {
        [$w, $corners] = [$facing->w, $facing->mesh->corners];
        $top = $facing->lowest() + self::FLAT_MM;
        $base = 0.0;
        foreach ($facing->lean as $f => $lean) {
            if (
                $lean < self::DOWN && $w[$corners[3 * $f]] <= $top && $w[$corners[3 * $f + 1]] <= $top && $w[$corners[3 * $f + 2]] <= $top
            ) {
                $base += $facing->area[$f];
            }
        }
        $whole = array_sum($facing->area);

        return $whole > 0.0 ? $base / $whole : 0.0;
    }
}
