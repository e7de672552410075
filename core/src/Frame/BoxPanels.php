<?php

declare(strict_types=1);

namespace Apalos\Core\Frame;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;

/**
 * The five boards of a box open at the top. With tabs, every edge is cut into an odd number of fingers that two boards take in turn:
 * the long walls begin at the corners, the floor takes what the walls leave. Nothing is counted twice and nothing is left open.
 */
final readonly class BoxPanels
{
    /** A finger is about so many boards wide. */
    private const FINGER = 3.0;

    /** Shorter ones break: mm. */
    private const LEAST = 4.0;

    public function __construct(private BoxRequest $asked) {}

    /** @return list<Panel> the floor, then front, back, left, right as they stand inside the box's length × width */
    public function panels(): array
    {
        [$l, $w, $h] = $this->asked->inner;
        $t = $this->asked->board;
        if ($this->asked->joint === Joint::Butt) {
            return [
                new Panel(
                    'floor', self::rectangle($l + 2.0 * $t, $w + 2.0 * $t),
                    [
                        [[$t, $t], [$l + $t, $t]], [[$l + $t, $t], [$l + $t, $w + $t]], [[$l + $t, $w + $t], [$t, $w + $t]],
                        [[$t, $w + $t], [$t, $t]],
                    ],
                ),
                new Panel('front', self::rectangle($l + 2.0 * $t, $h), $this->levels($t, $l, 0.0)),
                new Panel('back', self::rectangle($l + 2.0 * $t, $h), $this->levels($t, $l, 0.0)),
                new Panel('left', self::rectangle($w, $h), $this->levels(0.0, $w, 0.0)),
                new Panel('right', self::rectangle($w, $h), $this->levels(0.0, $w, 0.0)),
            ];
        }
        foreach ([$l, $w, $h] as $side) {
            if ($side / self::fingers($side, $t) < self::LEAST) {
                throw BadInput::at('board_mm', Phrase::of('frame.finger_short', ['size' => Quantity::length($side)]));
            }
        }

        return [
            new Panel('floor', $this->floor(), []),
            new Panel('front', $this->longWall(), $this->levels($t, $l, $t)),
            new Panel('back', $this->longWall(), $this->levels($t, $l, $t)),
            new Panel('left', $this->shortWall(), $this->levels($t, $w, $t)),
            new Panel('right', $this->shortWall(), $this->levels($t, $w, $t)),
        ];
    }

    /** Odd, so that both ends are alike. */
    private static function fingers(float $side, float $board): int
    {
        $many = (int) max(3.0, floor($side / (self::FINGER * $board)));

        return $many % 2 === 0 ? $many - 1 : $many;
    }

    /**
     * Along one side from its beginning: out where a finger stands, in where there is a gap.
     *
     * @return list<array{float, float}> how far along, and whether out (1) or in (0)
     */
    private static function comb(float $side, float $board, bool $firstOut): array
    {
        $n = self::fingers($side, $board);
        $points = [];
        for ($i = 0; $i < $n; $i++) {
            $out = ($i % 2 === 0) === $firstOut ? 1.0 : 0.0;
            $points[] = [$side * $i / $n, $out];
            $points[] = [$side * ($i + 1) / $n, $out];
        }

        return $points;
    }

    /** @return list<array{float, float}> */
    private function floor(): array
    {
        [$l, $w] = $this->asked->inner;
        $t = $this->asked->board;
        $outline = [];
        foreach (self::comb($l, $t, false) as [$s, $out]) {
            $outline[] = [$t + $s, $t - $t * $out];
        }
        foreach (self::comb($w, $t, false) as [$s, $out]) {
            $outline[] = [$t + $l + $t * $out, $t + $s];
        }
        foreach (self::comb($l, $t, false) as [$s, $out]) {
            $outline[] = [$t + $l - $s, $t + $w + $t * $out];
        }
        foreach (self::comb($w, $t, false) as [$s, $out]) {
            $outline[] = [$t - $t * $out, $t + $w - $s];
        }

        return self::atOrigin(self::plain($outline));
    }

    /**
     * Its corners below are its own; at the ends it begins with a finger.
     *
     * @return list<array{float, float}>
     */
    private function longWall(): array
    {
        [$l, , $h] = $this->asked->inner;
        $t = $this->asked->board;
        // Below: the corner, then a finger of the wall, a gap for the floor, and so on.
        $outline = [[0.0, 0.0]];
        foreach (self::comb($l, $t, true) as [$s, $out]) {
            $outline[] = [$t + $s, $t - $t * $out];
        }
        $outline[] = [$l + 2.0 * $t, 0.0];
        foreach (self::comb($h, $t, true) as [$s, $out]) {
            $outline[] = [$l + $t + $t * $out, $t + $s];
        }
        foreach (array_reverse(self::comb($h, $t, true)) as [$s, $out]) {
            $outline[] = [$t - $t * $out, $t + $s];
        }

        return self::atOrigin(self::plain($outline));
    }

    /** @return list<array{float, float}> */
    private function shortWall(): array
    {
        [, $w, $h] = $this->asked->inner;
        $t = $this->asked->board;
        $outline = [];
        foreach (self::comb($w, $t, true) as [$s, $out]) {
            $outline[] = [$t + $s, $t - $t * $out];
        }
        foreach (self::comb($h, $t, false) as [$s, $out]) {
            $outline[] = [$w + $t + $t * $out, $t + $s];
        }
        foreach (array_reverse(self::comb($h, $t, false)) as [$s, $out]) {
            $outline[] = [$t - $t * $out, $t + $s];
        }

        return self::atOrigin(self::plain($outline));
    }

    /**
     * Without points that lie on a straight side, or twice in one place.
     *
     * @param  list<array{float, float}>  $outline
     * @return list<array{float, float}>
     */
    private static function plain(array $outline): array
    {
        $apart = [];
        foreach ($outline as $i => $at) {
            $next = $outline[($i + 1) % count($outline)];
            if (hypot($at[0] - $next[0], $at[1] - $next[1]) > 1e-9) {
                $apart[] = $at;
            }
        }
        $kept = [];
        foreach ($apart as $i => $at) {
            $last = $apart[($i + count($apart) - 1) % count($apart)];
            $next = $apart[($i + 1) % count($apart)];
            if (abs(($at[0] - $last[0]) * ($next[1] - $at[1]) - ($at[1] - $last[1]) * ($next[0] - $at[0])) > 1e-9) {
                $kept[] = $at;
            }
        }

        return $kept;
    }

    /**
     * @param  list<array{float, float}>  $outline
     * @return list<array{float, float}>
     */
    private static function atOrigin(array $outline): array
    {
        [$x, $y] = [min([INF, ...array_column($outline, 0)]), min([INF, ...array_column($outline, 1)])];

        return array_map(static fn (array $at): array => [$at[0] - $x, $at[1] - $y], $outline);
    }

    /** @return list<array{float, float}> */
    private static function rectangle(float $wide, float $high): array
    {
        return [[0.0, 0.0], [$wide, 0.0], [$wide, $high], [0.0, $high]];
    }

    /**
     * The clay bed and the fill, as lines across the inside.
     *
     * @return list<array{array{float, float}, array{float, float}}>
     */
    private function levels(float $from, float $long, float $floor): array
    {
        $marks = [];
        foreach (['clay_bed', 'fill'] as $level) {
            $at = $this->asked->levels[$level];
            if ($at !== null && $at > 0.0 && $at < $this->asked->inner[2]) {
                $marks[] = [[$from, $floor + $at], [$from + $long, $floor + $at]];
            }
        }
        $margin = $this->asked->levels['margin'];
        if ($margin !== null && $margin > 0.0 && 2.0 * $margin < $long) {
            foreach ([$from + $margin, $from + $long - $margin] as $x) {
                $marks[] = [[$x, $floor], [$x, $floor + min(15.0, $this->asked->inner[2])]];
            }
        }

        return $marks;
    }
}
