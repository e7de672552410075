<?php

declare(strict_types=1);

namespace Apalos\Core\Mesh;

/**
 * A coarser likeness of a mesh, for searching and for looking at: vertices in one cell of a lattice become one, in their mean.
 * What is found on it is always asked again of the mesh itself.
 */
final readonly class Coarse
{
    /** @param  list<int>  $from  which facet of the coarse mesh a facet went into; −1 where it shrank to nothing */
    private function __construct(public Mesh $mesh, public array $from, public float $cell, private Mesh $original) {}

    public static function of(Mesh $mesh, int $facets): self
    {
        if ($mesh->facets() <= $facets) {
            return new self($mesh, range(0, max(0, $mesh->facets() - 1)), 0.0, $mesh);
        }
        [$l, $w, $h] = $mesh->bounds()->size();
        // A skin of a box of that size has about two facets a cell.
        $cell = sqrt(max(2.0 * ($l * $w + $w * $h + $h * $l), 1e-9) * 1.6 / $facets);
        do {
            $coarse = self::clustered($mesh, $cell);
            $cell *= 1.25;
        } while ($coarse->mesh->facets() > 1.3 * $facets);

        return $coarse;
    }

    /**
     * How the surface faced before it was made coarser, facet by facet: a straight wall stays straight, though its likeness wobbles.
     *
     * @return list<array{float, float, float}> of length one, or nought
     */
    public function normals(): array
    {
        $sums = array_fill(0, max(1, $this->mesh->facets()), [0.0, 0.0, 0.0]);
        foreach ($this->from as $f => $to) {
            if ($to < 0) {
                continue;
            }
            [$x, $y, $z] = $this->original->normal($f);
            $sums[$to] = [$sums[$to][0] + $x, $sums[$to][1] + $y, $sums[$to][2] + $z];
        }
        $normals = [];
        foreach ($sums as [$x, $y, $z]) {
            $length = sqrt($x * $x + $y * $y + $z * $z);
            $normals[] = $length > 0.0 ? [$x / $length, $y / $length, $z / $length] : [0.0, 0.0, 0.0];
        }

        return $normals;
    }

    private static function clustered(Mesh $mesh, float $cell): self
    {
        [$x, $y, $z, $corners] = [$mesh->x, $mesh->y, $mesh->z, $mesh->corners];
        [$ox, $oy, $oz] = $mesh->bounds()->least;
        $index = $to = $sx = $sy = $sz = $many = [];
        $next = 0;
        for ($v = 0, $n = count($x); $v < $n; $v++) {
            $key = ((int) (($x[$v] - $ox) / $cell) << 42) | ((int) (($y[$v] - $oy) / $cell) << 21) | (int) (($z[$v] - $oz) / $cell);
            $c = $index[$key] ?? -1;
            if ($c < 0) {
                $c = $index[$key] = $next++;
                $sx[] = $sy[] = $sz[] = 0.0;
                $many[] = 0;
            }
            $sx[$c] += $x[$v];
            $sy[$c] += $y[$v];
            $sz[$c] += $z[$v];
            $many[$c]++;
            $to[] = $c;
        }
        for ($c = 0; $c < $next; $c++) {
            $sx[$c] /= $many[$c];
            $sy[$c] /= $many[$c];
            $sz[$c] /= $many[$c];
        }
        $out = $from = $seen = [];
        for ($h = 0, $n = count($corners), $f = 0; $h < $n; $h += 3) {
            [$a, $b, $c] = [$to[$corners[$h]], $to[$corners[$h + 1]], $to[$corners[$h + 2]]];
            if ($a === $b || $b === $c || $c === $a) {
                $from[] = -1;

                continue;
            }
            // Sheets that fell together are kept once.
            $key = $a <= $b && $a <= $c ? "{$a} {$b} {$c}" : ($b <= $c ? "{$b} {$c} {$a}" : "{$c} {$a} {$b}");
            if (isset($seen[$key])) {
                $from[] = $seen[$key];

                continue;
            }
            $out[] = $a;
            $out[] = $b;
            $out[] = $c;
            $from[] = $seen[$key] = $f++;
        }

        return new self(new Mesh(array_values($sx), array_values($sy), array_values($sz), $out), $from, $cell, $mesh);
    }
}
