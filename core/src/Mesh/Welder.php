<?php

declare(strict_types=1);

namespace Apalos\Core\Mesh;

/** Gathers facets and makes one vertex of every place, however often the file names it. */
final class Welder
{
    /** @var array<string, int> */
    private array $index = [];

    /** @var list<float> */
    private array $x = [];

    /** @var list<float> */
    private array $y = [];

    /** @var list<float> */
    private array $z = [];

    /** @var list<int> */
    private array $corners = [];

    private int $dropped = 0;

    public function vertex(float $x, float $y, float $z): int
    {
        // Minus nought is nought; what a compiler may take for no change at all would not make it so.
        $x = $x === 0.0 ? 0.0 : $x;
        $y = $y === 0.0 ? 0.0 : $y;
        $z = $z === 0.0 ? 0.0 : $z;
        $key = pack('d3', $x, $y, $z);
        $there = $this->index[$key] ?? null;
        if ($there !== null) {
            return $there;
        }
        $this->x[] = $x;
        $this->y[] = $y;
        $this->z[] = $z;

        return $this->index[$key] = count($this->x) - 1;
    }

    /** One that has two corners in one place has no face; it is counted and left out. */
    public function facet(int $a, int $b, int $c): void
    {
        if ($a === $b || $b === $c || $c === $a) {
            $this->dropped++;

            return;
        }
        $this->corners[] = $a;
        $this->corners[] = $b;
        $this->corners[] = $c;
        if (count($this->corners) > 3 * Limits::MOST_FACETS) {
            Limits::facets(Limits::MOST_FACETS + 1);
        }
    }

    public function facets(): int
    {
        return intdiv(count($this->corners), 3) + $this->dropped;
    }

    public function dropped(): int
    {
        return $this->dropped;
    }

    public function mesh(float $scale = 1.0): Mesh
    {
        $this->index = [];
        if ($scale === 1.0) {
            return new Mesh($this->x, $this->y, $this->z, $this->corners);
        }
        $times = static fn (float $value): float => $value * $scale;

        return new Mesh(array_map($times, $this->x), array_map($times, $this->y), array_map($times, $this->z), $this->corners);
    }

    /**
     * Draws together vertices nearer than $within mm, which rounding tore apart.
     */
    public static function closing(Mesh $mesh, float $within): Mesh
    {
        $cell = 2.0 * $within;
        /** @var array<string, list<int>> $index */
        $index = [];
        /** @var list<int> $to */
        $to = [];
        $welder = new self;
        for ($v = 0, $n = $mesh->vertices(); $v < $n; $v++) {
            [$x, $y, $z] = $mesh->at($v);
            [$i, $j, $k] = [floor($x / $cell), floor($y / $cell), floor($z / $cell)];
            // The near half of a cell says which neighbours can hold a twin.
            [$p, $q, $r] = [$x / $cell - $i < 0.5 ? -1 : 1, $y / $cell - $j < 0.5 ? -1 : 1, $z / $cell - $k < 0.5 ? -1 : 1];
            foreach ([[0, 0, 0], [$p, 0, 0], [0, $q, 0], [0, 0, $r], [$p, $q, 0], [$p, 0, $r], [0, $q, $r], [$p, $q, $r]] as [$a, $b, $c]) {
                foreach ($index[($i + $a).' '.($j + $b).' '.($k + $c)] ?? [] as $twin) {
                    [$tx, $ty, $tz] = $mesh->at($twin);
                    if (($tx - $x) ** 2 + ($ty - $y) ** 2 + ($tz - $z) ** 2 <= $within * $within) {
                        $to[$v] = $to[$twin];

                        continue 3;
                    }
                }
            }
            $index["{$i} {$j} {$k}"][] = $v;
            $to[$v] = $welder->vertex($x, $y, $z);
        }
        for ($h = 0, $n = count($mesh->corners); $h < $n; $h += 3) {
            $welder->facet($to[$mesh->corners[$h]], $to[$mesh->corners[$h + 1]], $to[$mesh->corners[$h + 2]]);
        }

        return $welder->mesh();
    }
}
