<?php

declare(strict_types=1);

namespace Apalos\Core\Mesh;

/**
 * Triangles over welded vertices, in mm, anticlockwise as seen from outside. Flat lists, no object a triangle: a million of them
 * must fit into memory beside all that is worked out of them.
 */
final readonly class Mesh
{
    /**
     * @param  list<float>  $x  of the vertices, mm
     * @param  list<float>  $y
     * @param  list<float>  $z
     * @param  list<int>  $corners  three vertices a facet
     */
    public function __construct(public array $x, public array $y, public array $z, public array $corners) {}

    public function vertices(): int
    {
        return count($this->x);
    }

    public function facets(): int
    {
        return intdiv(count($this->corners), 3);
    }

    /** @return array{float, float, float} */
    public function at(int $vertex): array
    {
        return [$this->x[$vertex], $this->y[$vertex], $this->z[$vertex]];
    }

    /**
     * Square to a facet, outwards, and twice as long as it has mm².
     *
     * @return array{float, float, float}
     */
    public function normal(int $facet): array
    {
        $a = $this->corners[3 * $facet];
        $b = $this->corners[3 * $facet + 1];
        $c = $this->corners[3 * $facet + 2];
        $bx = $this->x[$b] - $this->x[$a];
        $by = $this->y[$b] - $this->y[$a];
        $bz = $this->z[$b] - $this->z[$a];
        $cx = $this->x[$c] - $this->x[$a];
        $cy = $this->y[$c] - $this->y[$a];
        $cz = $this->z[$c] - $this->z[$a];

        return [$by * $cz - $bz * $cy, $bz * $cx - $bx * $cz, $bx * $cy - $by * $cx];
    }

    /** In mm³, signed as the facets run: by tetrahedra from the first corner. */
    public function volume(): float
    {
        [$x, $y, $z, $corners] = [$this->x, $this->y, $this->z, $this->corners];
        [$ox, $oy, $oz] = $corners === [] ? [0.0, 0.0, 0.0] : $this->at($corners[0]);
        $six = 0.0;
        for ($h = 0, $n = count($corners); $h < $n; $h += 3) {
            [$a, $b, $c] = [$corners[$h], $corners[$h + 1], $corners[$h + 2]];
            [$bx, $by, $bz] = [$x[$b] - $ox, $y[$b] - $oy, $z[$b] - $oz];
            [$cx, $cy, $cz] = [$x[$c] - $ox, $y[$c] - $oy, $z[$c] - $oz];
            $six += ($x[$a] - $ox) * ($by * $cz - $bz * $cy) + ($y[$a] - $oy) * ($bz * $cx - $bx * $cz)
                + ($z[$a] - $oz) * ($bx * $cy - $by * $cx);
        }

        return $six / 6.0;
    }

    /** Without the vertices no facet has. */
    public function tidy(): self
    {
        $number = $x = $y = $z = $corners = [];
        foreach ($this->corners as $v) {
            if (! isset($number[$v])) {
                $number[$v] = count($x);
                [$x[], $y[], $z[]] = $this->at($v);
            }
            $corners[] = $number[$v];
        }

        return new self($x, $y, $z, $corners);
    }

    /** The box along the axes: least and most, in mm. */
    public function bounds(): Bounds
    {
        return $this->x === [] || $this->y === [] || $this->z === []
            ? new Bounds([0.0, 0.0, 0.0], [0.0, 0.0, 0.0])
            : new Bounds([min($this->x), min($this->y), min($this->z)], [max($this->x), max($this->y), max($this->z)]);
    }

    /**
     * How far every vertex lies along a direction, in mm.
     *
     * @return list<float>
     */
    public function along(Direction $d): array
    {
        [$x, $y, $z] = [$this->x, $this->y, $this->z];
        [$dx, $dy, $dz] = [$d->x, $d->y, $d->z];
        $heights = [];
        for ($v = 0, $n = count($x); $v < $n; $v++) {
            $heights[] = $x[$v] * $dx + $y[$v] * $dy + $z[$v] * $dz;
        }

        return $heights;
    }
}
