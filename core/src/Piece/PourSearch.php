<?php

declare(strict_types=1);

namespace Apalos\Core\Piece;

use Apalos\Core\Mesh\Coarse;
use Apalos\Core\Mesh\Direction;
use Apalos\Core\Mesh\Links;
use Apalos\Core\Mesh\Mesh;
use Apalos\Core\Mesh\Survey;

/**
 * Which way up a piece is poured best: least air that stays, then fewest vents, then least tipped from where it would stand by itself,
 * for a box has to be propped up that way.
 */
final class PourSearch
{
    private const COARSE = 4000;

    private const WAYS = 160;

    private const ASKED = 6;

    private const KEPT = 3;

    private const APART = 14.0;

    /** Air nearer than this share of the piece is as good. */
    private const SHARE = 0.001;

    /** What a degree of tipping weighs against a vent. */
    private const DEGREE = 0.012;

    /**
     * What a sprue in the middle of a half weighs against a vent, and one that is not at an end of the piece: on the seam it leaves no scar
     * that is seen, and opens with the mould.
     */
    private const OFF_SEAM = 0.4;

    private const OFF_END = 0.2;

    /**
     * @param  callable(float): void  $tell  how far it is, 0–1
     * @param  Direction|null  $pull  of a mould of two parts: its seam lies across
     * @return list<Poured> the three best, best first
     */
    public static function of(Survey $survey, callable $tell, ?Direction $pull = null): array
    {
        $coarse = Coarse::of($survey->mesh, self::COARSE);
        $links = $coarse->mesh === $survey->mesh ? $survey->links : Links::of($coarse->mesh);
        $own = Ways::own($survey->mesh);
        $weigh = self::weighing(abs($survey->volume), $pull, self::longest($survey->mesh, $own));
        $ways = [
            ...Ways::axes(), ...array_merge(...array_map(static fn (Direction $way): array => [$way, $way->back()], $own)),
            ...Ways::around(self::WAYS, false),
        ];
        $asked = 0;
        $score = static function (Direction $way) use ($coarse, $links, $weigh, $tell, &$asked, $ways): float {
            $tell(min(0.6, 0.6 * ++$asked / (3 * count($ways))));

            return $weigh(AirTraps::of($coarse->mesh, $links, $way, $coarse->cell / 2.0));
        };
        $best = Best::of($ways, $score, self::ASKED, self::APART, [8.0, 4.0, 2.0], false);
        $poured = [];
        foreach ($best as $i => $way) {
            $poured[] = self::settled($survey, $way, $weigh);
            $tell(0.6 + 0.4 * ($i + 1) / count($best));
        }
        usort($poured, static fn (Poured $a, Poured $b): int => $weigh($a) <=> $weigh($b));

        return array_slice($poured, 0, self::KEPT);
    }

    /** @param  \Closure(Poured): float  $weigh */
    private static function settled(Survey $survey, Direction $way, \Closure $weigh): Poured
    {
        $poured = AirTraps::of($survey->mesh, $survey->links, $way);
        foreach (Ways::axes() as $axis) {
            if ($axis->angleTo($way) > 0.0 && $axis->angleTo($way) < 10.0) {
                $other = AirTraps::of($survey->mesh, $survey->links, $axis);

                return $weigh($other) <= $weigh($poured) ? $other : $poured;
            }
        }

        return $poured;
    }

    /** @param  list<Direction>  $own */
    private static function longest(Mesh $mesh, array $own): Direction
    {
        $spread = static function (Direction $way) use ($mesh): float {
            $along = $mesh->along($way);

            return $along === [] ? 0.0 : max($along) - min($along);
        };
        usort($own, static fn (Direction $one, Direction $other): int => $spread($other) <=> $spread($one));

        return $own[0] ?? Direction::up();
    }

    /** @return \Closure(Poured): float */
    private static function weighing(float $ml, ?Direction $pull, Direction $longest): \Closure
    {
        $step = max(0.02, self::SHARE * $ml);

        return static function (Poured $poured) use ($step, $pull, $longest): float {
            $tilt = min([180.0, ...array_map(static fn (Direction $axis): float => $axis->angleTo($poured->up), Ways::axes())]);

            $place = $pull === null
                ? 0.0
                : self::OFF_SEAM * abs($poured->up->dot($pull)) + self::OFF_END * (1.0 - abs($poured->up->dot($longest)));

            return 100.0 * floor($poured->trapped() / $step) + $poured->vents() + self::DEGREE * $tilt + $place;
        };
    }
}
