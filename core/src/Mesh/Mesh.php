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
