<?php

declare(strict_types=1);

namespace Apalos\Core\Piece;

use Apalos\Core\Mesh\Direction;

/** The few best of many ways that are truly different, each moved to where it is best. Less is better. */
final class Best
{
    /**
     * @param  list<Direction>  $ways
     * @param  callable(Direction): float  $score
     * @param  float  $apart  degrees
     * @param  list<float>  $steps  degrees by which a way is tipped to see whether that is better
     * @return list<Direction> best first
     */
    public static function of(array $ways, callable $score, int $many, float $apart, array $steps, bool $half): array
    {
        $scored = array_map(static fn (Direction $way): array => [$score($way), $way], $ways);
        $kept = [];
        foreach (self::sorted($scored) as $one) {
            if (count($kept) < $many && self::isApart($one[1], $kept, $apart, $half)) {
                $kept[] = $one;
            }
        }
        $better = [];
        foreach ($kept as [$least, $way]) {
            foreach ($steps as $degrees) {
                for ($again = 0; $again < 3; $again++) {
                    [$least, $way, $moved] = self::moved($least, $way, $score, $degrees);
                    if (! $moved) {
                        break;
                    }
                }
            }
            $better[] = [$least, $way];
        }
        $best = [];
        foreach (self::sorted($better) as $one) {
            if (self::isApart($one[1], $best, $apart / 2.0, $half)) {
                $best[] = $one;
            }
        }

        return array_column($best, 1);
    }

    /**
     * @param  callable(Direction): float  $score
     * @return array{float, Direction, bool}
     */
    private static function moved(float $least, Direction $way, callable $score, float $degrees): array
    {
        $moved = false;
        foreach (Ways::near($way, $degrees) as $other) {
            $there = $score($other);
            if ($there < $least - 1e-9) {
                [$least, $way, $moved] = [$there, $other, true];
            }
        }

        return [$least, $way, $moved];
    }

    /**
     * @param  list<array{float, Direction}>  $scored
     * @return list<array{float, Direction}>
     */
    private static function sorted(array $scored): array
    {
        usort($scored, static fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return $scored;
    }

    /** @param  list<array{float, Direction}>  $from */
    private static function isApart(Direction $way, array $from, float $degrees, bool $half): bool
    {
        foreach ($from as [, $other]) {
            $angle = $way->angleTo($other);
            if (($half ? min($angle, 180.0 - $angle) : $angle) < $degrees) {
                return false;
            }
        }

        return true;
    }
}
