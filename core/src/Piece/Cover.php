<?php

declare(strict_types=1);

namespace Apalos\Core\Piece;

use Apalos\Core\Mesh\Facing;

/**
 * What lies over a place on the way out along a direction, or with sense −1 against it. Exact: a ray from the place against the true
 * facets over it. A grid keeps the rays short; where nothing in a cell reaches as high as the place, no ray is cast.
 */
final class Cover
{
    /** Cells a facet may touch before its rows are looked at one by one. */
    private const FEW_CELLS = 12;

    private readonly Grid $grid;

    /** @var list<float> the highest point over each cell */
    private array $top;

    /** Heights nearer than this are one: mm. */
    private readonly float $slack;

    /** @param  bool  $closed  of a closed mesh only facets that face the ray can be met first */
    public function __construct(private readonly Facing $facing, private readonly int $sense, private readonly bool $closed)
    {
        $this->grid = Grid::over($facing, max(24, min(1024, (int) sqrt(count($facing->lean)))));
        $this->slack = 1e-6 * max(1.0, $facing->height());
        $this->top = $this->tops();
    }

    /**
     * The same walk over cells as in `touching`, without its lists: most directions need no more than this.
     *
     * @return list<float>
     */
    private function tops(): array
    {
        [$u, $v, $w, $lean, $corners, $sense] = [
            $this->facing->u, $this->facing->v, $this->facing->w, $this->facing->lean, $this->facing->mesh->corners, $this->sense,
        ];
        [$u0, $v0, $per, $columns, $rows] = [$this->grid->u0, $this->grid->v0, $this->grid->per, $this->grid->columns, $this->grid->rows];
        $top = array_fill(0, $columns * $rows, -INF);
        $least = $this->closed ? -1e-9 : INF;
        foreach ($lean as $f => $leans) {
            // Only what leans against the ray covers, and what stands upright covers nothing.
            if ($leans * $sense > $least || abs($leans) < 1e-9) {
                continue;
            }
            $a = $corners[3 * $f];
            $b = $corners[3 * $f + 1];
            $c = $corners[3 * $f + 2];
            $high = max($w[$a] * $sense, $w[$b] * $sense, $w[$c] * $sense);
            $c0 = (int) ((min($u[$a], $u[$b], $u[$c]) - $u0) * $per);
            $c1 = (int) ((max($u[$a], $u[$b], $u[$c]) - $u0) * $per);
            $r0 = (int) ((min($v[$a], $v[$b], $v[$c]) - $v0) * $per);
            $r1 = (int) ((max($v[$a], $v[$b], $v[$c]) - $v0) * $per);
            if (($c1 - $c0 + 1) * ($r1 - $r0 + 1) > self::FEW_CELLS) {
                foreach ($this->grid->under($u[$a], $v[$a], $u[$b], $v[$b], $u[$c], $v[$c]) as $cell) {
                    if ($high > $top[$cell]) {
                        $top[$cell] = $high;
                    }
                }

                continue;
            }
            for ($r = $r0; $r <= $r1; $r++) {
                for ($i = $c0; $i <= $c1; $i++) {
                    if ($high > $top[$r * $columns + $i]) {
                        $top[$r * $columns + $i] = $high;
                    }
                }
            }
        }

        return $top;
    }

    /** Nothing in its cell reaches as high. What lies outside the grid lies beside the piece. */
    public function isSurelyFree(float $u, float $v, float $w): bool
    {
        $column = (int) floor(($u - $this->grid->u0) * $this->grid->per);
        $row = (int) floor(($v - $this->grid->v0) * $this->grid->per);

        return $column < 0 || $row < 0 || $column >= $this->grid->columns || $row >= $this->grid->rows
            || $this->top[$row * $this->grid->columns + $column] <= $w * $this->sense + $this->slack;
    }

    /**
     * Which of these places the way out is barred from: a letter each, 1 where it is.
     *
     * @param  list<float>  $us
     * @param  list<float>  $vs
     * @param  list<float>  $ws
     */
    public function barred(array $us, array $vs, array $ws): string
    {
        $barred = str_repeat('0', count($us));
        [$begin, $facets, $cells] = $this->over($us, $vs, $ws);
        [$u, $v, $w, $corners, $sense, $slack] = [
            $this->facing->u, $this->facing->v, $this->facing->w, $this->facing->mesh->corners, $this->sense, $this->slack,
        ];
        foreach ($cells as $i => $cell) {
            if ($cell < 0) {
                continue;
            }
            $pu = $us[$i];
            $pv = $vs[$i];
            $pw = $ws[$i] * $sense + $slack;
            for ($k = $begin[$cell], $end = $begin[$cell + 1]; $k < $end; $k++) {
                $h = 3 * $facets[$k];
                $a = $corners[$h];
                $b = $corners[$h + 1];
                $c = $corners[$h + 2];
                $au = $u[$a] - $pu;
                $av = $v[$a] - $pv;
                $bu = $u[$b] - $pu;
                $bv = $v[$b] - $pv;
                $cu = $u[$c] - $pu;
                $cv = $v[$c] - $pv;
                $wa = $bu * $cv - $bv * $cu;
                $wb = $cu * $av - $cv * $au;
                $wc = $au * $bv - $av * $bu;
                // The place lies under the facet where it turns one way about all three sides.
                if (($wa >= 0.0 && $wb >= 0.0 && $wc >= 0.0) || ($wa <= 0.0 && $wb <= 0.0 && $wc <= 0.0)) {
                    $sum = $wa + $wb + $wc;
                    if ($sum !== 0.0 && ($wa * $w[$a] + $wb * $w[$b] + $wc * $w[$c]) / $sum * $sense > $pw) {
                        $barred[$i] = '1';
                        break;
                    }
                }
            }
        }

        return $barred;
    }

    /**
     * The facets over each cell that holds a place, as one list cut by cell.
     *
     * @param  list<float>  $us
     * @param  list<float>  $vs
     * @param  list<float>  $ws
     * @return array{list<int>, list<int>, list<int>} where each cell begins, the facets, the cell of each place (−1 beside the piece)
     */
    private function over(array $us, array $vs, array $ws): array
    {
        [$u0, $v0, $per, $columns, $rows, $sense] = [
            $this->grid->u0, $this->grid->v0, $this->grid->per, $this->grid->columns, $this->grid->rows, $this->sense,
        ];
        $lowest = array_fill(0, $columns * $rows, INF);
        $cells = [];
        for ($i = 0, $n = count($us); $i < $n; $i++) {
            $column = (int) floor(($us[$i] - $u0) * $per);
            $row = (int) floor(($vs[$i] - $v0) * $per);
            if ($column < 0 || $row < 0 || $column >= $columns || $row >= $rows) {
                $cells[] = -1;

                continue;
            }
            $cell = $row * $columns + $column;
            $cells[] = $cell;
            if ($lowest[$cell] > $ws[$i] * $sense) {
                $lowest[$cell] = $ws[$i] * $sense;
            }
        }
        [$pairs, $owners] = $this->touching($lowest);
        $begin = array_fill(0, $columns * $rows + 1, 0);
        for ($k = 0, $n = count($pairs); $k < $n; $k++) {
            $begin[$pairs[$k]]++;
        }
        for ($cell = 0, $sum = 0, $n = $columns * $rows; $cell <= $n; $cell++) {
            $begin[$cell] = $sum += $begin[$cell];
        }
        $facets = $pairs === [] ? [] : array_fill(0, count($pairs), 0);
        for ($k = 0, $n = count($pairs); $k < $n; $k++) {
            $facets[--$begin[$pairs[$k]]] = $owners[$k];
        }

        return [array_values($begin), array_values($facets), $cells];
    }

    /**
     * @param  list<float>  $lowest  place in each cell; INF where there is none
     * @return array{list<int>, list<int>} cells, and the facet that touches each
     */
    private function touching(array $lowest): array
    {
        [$u, $v, $w, $lean, $corners, $sense] = [
            $this->facing->u, $this->facing->v, $this->facing->w, $this->facing->lean, $this->facing->mesh->corners, $this->sense,
        ];
        [$u0, $v0, $per, $columns] = [$this->grid->u0, $this->grid->v0, $this->grid->per, $this->grid->columns];
        $least = $this->closed ? -1e-9 : INF;
        $pairs = $owners = [];
        foreach ($lean as $f => $leans) {
            if ($leans * $sense > $least || abs($leans) < 1e-9) {
                continue;
            }
            $a = $corners[3 * $f];
            $b = $corners[3 * $f + 1];
            $c = $corners[3 * $f + 2];
            $high = max($w[$a] * $sense, $w[$b] * $sense, $w[$c] * $sense);
            $c0 = (int) ((min($u[$a], $u[$b], $u[$c]) - $u0) * $per);
            $c1 = (int) ((max($u[$a], $u[$b], $u[$c]) - $u0) * $per);
            $r0 = (int) ((min($v[$a], $v[$b], $v[$c]) - $v0) * $per);
            $r1 = (int) ((max($v[$a], $v[$b], $v[$c]) - $v0) * $per);
            if (($c1 - $c0 + 1) * ($r1 - $r0 + 1) > self::FEW_CELLS) {
                foreach ($this->grid->under($u[$a], $v[$a], $u[$b], $v[$b], $u[$c], $v[$c]) as $cell) {
                    if ($high > $lowest[$cell]) {
                        $pairs[] = $cell;
                        $owners[] = $f;
                    }
                }

                continue;
            }
            for ($r = $r0; $r <= $r1; $r++) {
                for ($i = $c0; $i <= $c1; $i++) {
                    if ($high > $lowest[$r * $columns + $i]) {
                        $pairs[] = $r * $columns + $i;
                        $owners[] = $f;
                    }
                }
            }
        }

        return [$pairs, $owners];
    }
}
