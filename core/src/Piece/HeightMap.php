<?php

declare(strict_types=1);

namespace Apalos\Core\Piece;

use Apalos\Core\Mesh\Facing;

/** How far a piece reaches along a direction over each point of a fine grid; with sense −1, against it. */
final readonly class HeightMap
{
    /** @param  list<float>  $tops  −INF where there is nothing */
    private function __construct(
        public float $u0,
        public float $v0,
        public float $step,
        public int $columns,
        public int $rows,
        private array $tops,
        private int $sense,
    ) {}

    public static function of(Facing $facing, int $sense, int $points): self
    {
        [$u, $v, $w, $lean, $corners] = [$facing->u, $facing->v, $facing->w, $facing->lean, $facing->mesh->corners];
        if ($u === [] || $v === []) {
            return new self(0.0, 0.0, 1.0, 0, 0, [], $sense);
        }
        [$u0, $v0] = [min($u), min($v)];
        $step = max(max($u) - $u0, max($v) - $v0, 1e-9) / $points;
        $columns = (int) ceil((max($u) - $u0) / $step);
        $rows = (int) ceil((max($v) - $v0) / $step);
        $tops = array_fill(0, max(1, $columns * $rows), -INF);
        foreach ($lean as $f => $leans) {
            if (abs($leans) < 1e-9) {
                continue;
            }
            $a = $corners[3 * $f];
            $b = $corners[3 * $f + 1];
            $c = $corners[3 * $f + 2];
            $v1 = (min($v[$a], $v[$b], $v[$c]) - $v0) / $step;
            $v2 = (max($v[$a], $v[$b], $v[$c]) - $v0) / $step;
            $first = max(0, (int) ceil($v1 - 0.5));
            $last = min($rows - 1, (int) floor($v2 - 0.5));
            if ($first > $last) {
                continue;
            }
            $c1 = max(0, (int) ceil((min($u[$a], $u[$b], $u[$c]) - $u0) / $step - 0.5));
            $c2 = min($columns - 1, (int) floor((max($u[$a], $u[$b], $u[$c]) - $u0) / $step - 0.5));
            for ($row = $first; $row <= $last; $row++) {
                $pv = $v0 + ($row + 0.5) * $step;
                for ($column = $c1; $column <= $c2; $column++) {
                    $pu = $u0 + ($column + 0.5) * $step;
                    $wa = ($u[$b] - $pu) * ($v[$c] - $pv) - ($v[$b] - $pv) * ($u[$c] - $pu);
                    $wb = ($u[$c] - $pu) * ($v[$a] - $pv) - ($v[$c] - $pv) * ($u[$a] - $pu);
                    $wc = ($u[$a] - $pu) * ($v[$b] - $pv) - ($v[$a] - $pv) * ($u[$b] - $pu);
                    if (($wa >= 0.0 && $wb >= 0.0 && $wc >= 0.0) || ($wa <= 0.0 && $wb <= 0.0 && $wc <= 0.0)) {
                        $sum = $wa + $wb + $wc;
                        $top = $sum === 0.0 ? -INF : ($wa * $w[$a] + $wb * $w[$b] + $wc * $w[$c]) / $sum * $sense;
                        if ($top > $tops[$row * $columns + $column]) {
                            $tops[$row * $columns + $column] = $top;
                        }
                    }
                }
            }
        }

        return new self($u0, $v0, $step, $columns, $rows, $tops, $sense);
    }

    /** Whether nothing lies over that place from this height on; beside the piece nothing does. */
    public function isFree(float $u, float $v, float $w): bool
    {
        $column = (int) floor(($u - $this->u0) / $this->step);
        $row = (int) floor(($v - $this->v0) / $this->step);

        return $column < 0 || $row < 0 || $column >= $this->columns || $row >= $this->rows
            || $this->tops[$row * $this->columns + $column] <= $w * $this->sense + 1e-6;
    }

    /**
     * How far from a place, at its height, the nearest free one is, in mm; nought as soon as it is known to be no farther than so many.
     */
    public function toTheOpen(float $u, float $v, float $w, float $than): float
    {
        [$tops, $columns, $rows, $level] = [$this->tops, $this->columns, $this->rows, $w * $this->sense + 1e-6];
        [$pu, $pv] = [($u - $this->u0) / $this->step, ($v - $this->v0) / $this->step];
        $known = $than > 0.0;
        for ($radius = $known ? $than / $this->step + 1.0 : 1.0; $radius < 1500.0; $radius++) {
            $directions = (int) max(8, min(96, 7.0 * $radius));
            for ($i = 0; $i < $directions; $i++) {
                $angle = 2.0 * M_PI * $i / $directions;
                $column = (int) floor($pu + $radius * cos($angle));
                $row = (int) floor($pv + $radius * sin($angle));
                if ($column < 0 || $row < 0 || $column >= $columns || $row >= $rows || $tops[$row * $columns + $column] <= $level) {
                    return $known ? 0.0 : $radius * $this->step;
                }
            }
            if ($known) {
                // Deeper than the deepest so far, it is measured from the beginning.
                [$known, $radius] = [false, 0.0];
            }
        }

        return INF;
    }
}
