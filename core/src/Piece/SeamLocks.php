<?php

declare(strict_types=1);

namespace Apalos\Core\Piece;

use Apalos\Core\Mesh\Facing;

/**
 * What a level seam locks in: surface under it that leans towards the pull and has rubber of the lower half over it, and the other way
 * round. A pocket that is open only through the seam, such as the inside of a cup, is filled by the half it opens into, and locks nothing.
 * Which half the rubber over a place belongs to is found on a grid of columns: rubber hangs together from column to column.
 */
final class SeamLocks
{
    private const COLUMNS = 96;

    /** Of the normal: what leans less slides out. */
    private const UPRIGHT = 0.02;

    /** A facet is quartered so often at most. */
    private const SPLITS = 6;

    /** mm: rubber thinner than this does not hang together. */
    private const THIN = 1e-3;

    /**
     * @var list<list<array{float, int}>> by column, away from the seam: where a ray comes into solid (1) and out of it (-1); shells may lie
     *   in each other
     */
    private array $solid = [];

    /** @var array<string, true> column and stretch of rubber that hang together with the board of this half */
    private array $own = [];

    private readonly float $u0;

    private readonly float $v0;

    private readonly float $step;

    private readonly int $columns;

    private readonly int $rows;

    /** @param  float  $sense  1 for the upper half, -1 for the lower: then heights are counted downwards */
    private function __construct(private readonly Facing $facing, private readonly float $level, private readonly float $sense)
    {
        [$u, $v] = [$facing->u, $facing->v];
        [$this->u0, $this->v0] = [$u === [] ? 0.0 : min($u), $v === [] ? 0.0 : min($v)];
        $this->step = max($u === [] ? 1.0 : max($u) - $this->u0, $v === [] ? 1.0 : max($v) - $this->v0, 1e-9) / self::COLUMNS;
        // A column of rubber all round.
        $this->columns = 2 + ($u === [] ? 0 : (int) ceil((max($u) - $this->u0) / $this->step));
        $this->rows = 2 + ($v === [] ? 0 : (int) ceil((max($v) - $this->v0) / $this->step));
        $this->fill();
        $this->flood();
    }

    /** In mm² of the surface, below and above the seam together. */
    public static function at(Facing $facing, float $level): float
    {
        return $facing->u === [] ? 0.0 : (new self($facing, $level, 1.0))->locked() + (new self($facing, $level, -1.0))->locked();
    }

    /** Where solid begins and ends over the middle of each column: heights on this half's side of the seam, counted from it. */
    private function fill(): void
    {
        [$u, $v, $w, $corners] = [$this->facing->u, $this->facing->v, $this->facing->w, $this->facing->mesh->corners];
        $hits = array_fill(0, $this->columns * $this->rows, []);
        // Off the middle by a little that no drawing has: a ray meets no edge.
        [$du, $dv] = [0.5 + 0.0137, 0.5 - 0.0091];
        for ($h = 0, $n = count($corners); $h < $n; $h += 3) {
            [$a, $b, $c] = [$corners[$h], $corners[$h + 1], $corners[$h + 2]];
            $whole = ($u[$b] - $u[$a]) * ($v[$c] - $v[$a]) - ($v[$b] - $v[$a]) * ($u[$c] - $u[$a]);
            if (abs($whole) < 1e-12) {
                continue;
            }
            $first = max(0, (int) ceil((min($v[$a], $v[$b], $v[$c]) - $this->v0) / $this->step + 1.0 - $dv));
            $last = min($this->rows - 1, (int) floor((max($v[$a], $v[$b], $v[$c]) - $this->v0) / $this->step + 1.0 - $dv));
            $left = max(0, (int) ceil((min($u[$a], $u[$b], $u[$c]) - $this->u0) / $this->step + 1.0 - $du));
            $right = min($this->columns - 1, (int) floor((max($u[$a], $u[$b], $u[$c]) - $this->u0) / $this->step + 1.0 - $du));
            for ($row = $first; $row <= $last; $row++) {
                $pv = $this->v0 + ($row - 1.0 + $dv) * $this->step;
                for ($column = $left; $column <= $right; $column++) {
                    $pu = $this->u0 + ($column - 1.0 + $du) * $this->step;
                    $wa = (($u[$b] - $pu) * ($v[$c] - $pv) - ($v[$b] - $pv) * ($u[$c] - $pu)) / $whole;
                    $wb = (($u[$c] - $pu) * ($v[$a] - $pv) - ($v[$c] - $pv) * ($u[$a] - $pu)) / $whole;
                    $wc = 1.0 - $wa - $wb;
                    if ($wa >= 0.0 && $wb >= 0.0 && $wc >= 0.0) {
                        $hits[$row * $this->columns + $column][] = [
                            $this->sense * ($wa * $w[$a] + $wb * $w[$b] + $wc * $w[$c] - $this->level),
                            $this->sense * $whole > 0.0 ? -1 : 1,
                        ];
                    }
                }
            }
        }
        foreach ($hits as $heights) {
            usort($heights, static fn (array $one, array $other): int => $one[0] <=> $other[0]);
            $this->solid[] = $heights;
        }
    }

    /** @return list<array{float, float}> the stretches of rubber of a column on this side of the seam, from the seam away from it */
    private function rubber(int $column): array
    {
        $stretches = [];
        [$from, $deep] = [0.0, 0];
        foreach ($this->solid[$column] as [$height, $way]) {
            if ($deep === 0 && $way > 0 && $height > $from + self::THIN) {
                $stretches[] = [$from, $height];
            }
            $deep = max(0, $deep + $way);
            $from = $deep === 0 ? max($from, $height) : $from;
        }
        $stretches[] = [$from, INF];

        return $stretches;
    }

    /** From the board of this half, which every column ends at, through all rubber that hangs together. */
    private function flood(): void
    {
        $rubber = array_map($this->rubber(...), array_keys($this->solid));
        $next = [];
        foreach ($rubber as $column => $stretches) {
            $last = count($stretches) - 1;
            $this->own["{$column} {$last}"] = true;
            $next[] = [$column, $last];
        }
        while ($next !== []) {
            [$column, $i] = array_pop($next);
            [$from, $to] = $rubber[$column][$i];
            foreach ([
                $column % $this->columns > 0 ? $column - 1 : -1, $column % $this->columns < $this->columns - 1 ? $column + 1 : -1,
                $column - $this->columns, $column + $this->columns,
            ] as $beside) {
                foreach ($rubber[$beside] ?? [] as $k => [$begins, $ends]) {
                    if (min($to, $ends) - max($from, $begins) > self::THIN && ! isset($this->own["{$beside} {$k}"])) {
                        $this->own["{$beside} {$k}"] = true;
                        $next[] = [$beside, $k];
                    }
                }
            }
        }
    }

    /** Of this half: what leans back towards the seam, with rubber of this half behind it. */
    private function locked(): float
    {
        [$u, $v, $w, $corners] = [$this->facing->u, $this->facing->v, $this->facing->w, $this->facing->mesh->corners];
        $locked = 0.0;
        foreach ($this->facing->lean as $f => $lean) {
            // Heights of this half grow away from the seam; what it holds must slide out towards the seam.
            if ($this->sense * $lean > -self::UPRIGHT) {
                continue;
            }
            [$a, $b, $c] = [$corners[3 * $f], $corners[3 * $f + 1], $corners[3 * $f + 2]];
            $at = fn (int $p): array => [$u[$p], $v[$p], $this->sense * ($w[$p] - $this->level)];
            $locked += $this->facing->area[$f] * $this->share(
                [$at($a), $at($b), $at($c)], $this->outwards([$at($a), $at($b), $at($c)]), self::SPLITS,
            );
        }

        return $locked;
    }

    /**
     * Which share of a triangle is held: a large one is asked in quarters.
     *
     * @param  array{array{float, float, float}, array{float, float, float}, array{float, float, float}}  $corners  across, across, height
     * @param  array{float, float}  $out  across: which way it faces
     */
    private function share(array $corners, array $out, int $splits): float
    {
        [$a, $b, $c] = $corners;
        if ($a[2] <= 0.0 && $b[2] <= 0.0 && $c[2] <= 0.0) {
            return 0.0;
        }
        $wide = max(abs($a[0] - $b[0]), abs($b[0] - $c[0]), abs($c[0] - $a[0]), abs($a[1] - $b[1]), abs($b[1] - $c[1]), abs($c[1] - $a[1]));
        if ($splits > 0 && $wide > 2.0 * $this->step) {
            [$ab, $bc, $ca] = [self::between($a, $b), self::between($b, $c), self::between($c, $a)];

            return (
                $this->share([$a, $ab, $ca], $out, $splits - 1) + $this->share([$ab, $b, $bc], $out, $splits - 1)
                + $this->share([$ca, $bc, $c], $out, $splits - 1) + $this->share([$ab, $bc, $ca], $out, $splits - 1)
            ) / 4.0;
        }
        $over = self::over([$a[2], $b[2], $c[2]]);

        return $over > 0.0
            && $this->holds([($a[0] + $b[0] + $c[0]) / 3.0, ($a[1] + $b[1] + $c[1]) / 3.0, max(0.0, ($a[2] + $b[2] + $c[2]) / 3.0)], $out)
            ? $over
            : 0.0;
    }

    /**
     * @param  array{float, float, float}  $p
     * @param  array{float, float, float}  $q
     * @return array{float, float, float}
     */
    private static function between(array $p, array $q): array
    {
        return [($p[0] + $q[0]) / 2.0, ($p[1] + $q[1]) / 2.0, ($p[2] + $q[2]) / 2.0];
    }

    /**
     * Whether the rubber that a place touches is this half's own: a column farther out, where there is rubber at that height; else what
     * ends nearest to it in its own.
     *
     * @param  array{float, float, float}  $at
     * @param  array{float, float}  $out
     */
    private function holds(array $at, array $out): bool
    {
        $beside = $this->column($at[0] + $this->step * $out[0], $at[1] + $this->step * $out[1]);
        foreach ($this->rubber($beside) as $i => [$from, $to]) {
            if ($from <= $at[2] && $at[2] <= $to) {
                return isset($this->own["{$beside} {$i}"]);
            }
        }
        $column = $this->column($at[0], $at[1]);
        $best = null;
        foreach ($this->rubber($column) as $i => [, $to]) {
            $apart = abs($to - $at[2]);
            $best = $to < INF && ($best === null || $apart < $best[0]) ? [$apart, $i] : $best;
        }

        return $best !== null && isset($this->own["{$column} {$best[1]}"]);
    }

    private function column(float $u, float $v): int
    {
        $column = max(0, min($this->columns - 1, (int) floor(($u - $this->u0) / $this->step) + 1));
        $row = max(0, min($this->rows - 1, (int) floor(($v - $this->v0) / $this->step) + 1));

        return $row * $this->columns + $column;
    }

    /**
     * Across, which way a facet faces; nought where it lies level.
     *
     * @param  array{array{float, float, float}, array{float, float, float}, array{float, float, float}}  $corners
     * @return array{float, float}
     */
    private function outwards(array $corners): array
    {
        [[$au, $av, $aw], [$bu, $bv, $bw], [$cu, $cv, $cw]] = $corners;
        // Heights that are counted downwards turn a facet inside out.
        $nu = $this->sense * (($bv - $av) * ($cw - $aw) - ($bw - $aw) * ($cv - $av));
        $nv = $this->sense * (($bw - $aw) * ($cu - $au) - ($bu - $au) * ($cw - $aw));
        $length = hypot($nu, $nv);

        return $length > 1e-12 ? [$nu / $length, $nv / $length] : [0.0, 0.0];
    }

    /**
     * How much of a triangle lies over nought, 0–1, by area.
     *
     * @param  array{float, float, float}  $heights
     */
    private static function over(array $heights): float
    {
        sort($heights);
        [$p, $q, $r] = $heights;
        if ($p >= 0.0) {
            return 1.0;
        }
        if ($r <= 0.0) {
            return 0.0;
        }

        return $q <= 0.0 ? $r * $r / (($r - $p) * ($r - $q)) : 1.0 - $p * $p / (($q - $p) * ($r - $p));
    }
}
