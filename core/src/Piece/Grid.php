<?php

declare(strict_types=1);

namespace Apalos\Core\Piece;

use Apalos\Core\Mesh\Facing;

/** Square cells across a direction, over the whole piece. */
final readonly class Grid
{
    private function __construct(public float $u0, public float $v0, public float $per, public int $columns, public int $rows) {}

    /** With about so many cells along its longer side. */
    public static function over(Facing $facing, int $cells): self
    {
        [$u, $v] = [$facing->u, $facing->v];
        if ($u === [] || $v === []) {
            return new self(0.0, 0.0, 1.0, 1, 1);
        }
        [$u0, $v0] = [min($u), min($v)];
        [$wide, $deep] = [max($u) - $u0, max($v) - $v0];
        $per = $cells / max($wide, $deep, 1e-9);

        return new self($u0, $v0, $per, (int) floor($wide * $per) + 1, (int) floor($deep * $per) + 1);
    }

    /**
     * The cells that a triangle touches, row by row: a long sliver touches few of those in its box.
     *
     * @return list<int>
     */
    public function under(float $au, float $av, float $bu, float $bv, float $cu, float $cv): array
    {
        $us = [($au - $this->u0) * $this->per, ($bu - $this->u0) * $this->per, ($cu - $this->u0) * $this->per];
        $vs = [($av - $this->v0) * $this->per, ($bv - $this->v0) * $this->per, ($cv - $this->v0) * $this->per];
        $cells = [];
        for ($row = max(0, (int) min($vs)), $last = min($this->rows - 1, (int) max($vs)); $row <= $last; $row++) {
            $least = INF;
            $most = -INF;
            foreach ([[0, 1], [1, 2], [2, 0]] as [$i, $j]) {
                [$p, $q] = $vs[$i] <= $vs[$j] ? [$i, $j] : [$j, $i];
                if ($vs[$q] < $row || $vs[$p] > $row + 1) {
                    continue;
                }
                $span = $vs[$q] - $vs[$p];
                $from = $span > 1e-12 ? max(0.0, ($row - $vs[$p]) / $span) : 0.0;
                $to = $span > 1e-12 ? min(1.0, ($row + 1 - $vs[$p]) / $span) : 1.0;
                $one = $us[$p] + $from * ($us[$q] - $us[$p]);
                $two = $us[$p] + $to * ($us[$q] - $us[$p]);
                $least = min($least, $one, $two);
                $most = max($most, $one, $two);
            }
            for (
                $column = max(0, (int) $least), $end = min($this->columns - 1, (int) $most); $most >= $least && $column <= $end; $column++
            ) {
                $cells[] = $row * $this->columns + $column;
            }
        }

        return $cells;
    }
}
