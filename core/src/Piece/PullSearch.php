<?php

declare(strict_types=1);

namespace Apalos\Core\Piece;

use Apalos\Core\Mesh\Coarse;
use Apalos\Core\Mesh\Direction;
use Apalos\Core\Mesh\Survey;

/**
 * Which way a mould leaves a piece best. Ways all round are tried on a coarse likeness, the best tipped until none near is better, and
 * those few asked of the piece itself. What hides least goes first; between equals a flat seam, and the shorter way out.
 */
final class PullSearch
{
    private const COARSE = 3500;

    private const WAYS = 80;

    private const KEPT = 3;

    private const FACES = 5;

    /** How many are asked of the piece itself: a coarse likeness knows nothing of small waves. */
    private const ASKED = 3;

    private const APART = 20.0;

    /** What a seam as crooked as the piece is large, or a way out as long as it, weighs against per cent hidden. */
    private const CROOKED = 1.0;

    private const LONG = 0.6;

    /** Per cent. */
    private const HIDES_MUCH = 12.0;

    /** Degrees in which one looks for a way that marks itself. */
    private const NEAR = 8.0;

    /** Per cent hidden that one gives away for an axis one can set up by eye. */
    private const FOR_AN_AXIS = 0.25;

    /**
     * @param  callable(float): void  $tell  how far it is, 0–1
     * @return list<Undercuts> the three best, best first
     */
    public static function of(Survey $survey, bool $onePart, callable $tell): array
    {
        $coarse = Coarse::of($survey->mesh, self::COARSE);
        $normals = $coarse->normals();
        $marked = [...Ways::own($survey->mesh), ...Ways::faces($survey->mesh, self::FACES)];
        $marked = $onePart ? [...$marked, ...array_map(static fn (Direction $way): Direction => $way->back(), $marked)] : $marked;
        $ways = [
            ...array_slice(Ways::axes(), 0, $onePart ? 6 : 3), ...$marked,
            ...Ways::around($onePart ? 2 * self::WAYS : self::WAYS, ! $onePart),
        ];
        $closed = $survey->watertight();
        $asked = 0;
        $score = static function (Direction $way) use ($coarse, $normals, $closed, $onePart, $tell, &$asked, $ways): float {
            $tell(min(0.8, 0.8 * ++$asked / (2 * count($ways))));

            return self::weighed(Sight::about($coarse, $normals, $way, $onePart, $closed));
        };
        $best = self::apart(
            [
                ...Best::of($ways, $score, self::ASKED, self::APART, [5.0, 2.0], ! $onePart),
                ...array_slice(Ways::axes(), 0, $onePart ? 6 : 3),
            ],
            ! $onePart,
        );
        $seen = [];
        foreach ($best as $i => $way) {
            $seen[] = self::settled($survey, $way, $marked, $onePart);
            $tell(0.8 + 0.2 * ($i + 1) / count($best));
        }
        $weights = array_map(self::weighed(...), $seen);
        asort($weights);

        return array_slice(array_map(static fn (int $i): Undercuts => $seen[$i], array_keys($weights)), 0, self::KEPT);
    }

    /**
     * Without those that are near one before.
     *
     * @param  list<Direction>  $ways
     * @return list<Direction>
     */
    private static function apart(array $ways, bool $half): array
    {
        $kept = [];
        foreach ($ways as $way) {
            foreach ($kept as $other) {
                $angle = $way->angleTo($other);
                if (($half ? min($angle, 180.0 - $angle) : $angle) < self::APART / 2.0) {
                    continue 2;
                }
            }
            $kept[] = $way;
        }

        return $kept;
    }

    /** @param  list<Direction>  $marked */
    private static function settled(Survey $survey, Direction $way, array $marked, bool $onePart): Undercuts
    {
        $closed = $survey->watertight();
        $seen = Sight::of($survey->mesh, $way, $onePart, $closed);
        foreach ([[Ways::axes(), self::FOR_AN_AXIS], [$marked, 0.0]] as [$near, $give]) {
            foreach ($near as $axis) {
                $angle = $axis->angleTo($seen->facing->along);
                $angle = $onePart ? $angle : min($angle, 180.0 - $angle);
                if ($angle < 1e-4 || $angle > self::NEAR) {
                    continue;
                }
                $other = Sight::of($survey->mesh, $axis, $onePart, $closed);
                if ($other->pct() < $seen->pct() + $give) {
                    return $other;
                }
                break;
            }
        }

        return $seen;
    }

    private static function weighed(Undercuts $seen): float
    {
        $size = max($seen->facing->mesh->bounds()->diagonal(), 1e-9);
        // How crooked the seam of what hides so much is decides nothing: it passes for the worst.
        $range = $seen->pct() > self::HIDES_MUCH ? [0.0, $size] : Silhouette::of($seen->facing)->range;

        return $seen->pct() + self::CROOKED * ($range[1] - $range[0]) / $size + self::LONG * $seen->facing->height() / $size;
    }
}
