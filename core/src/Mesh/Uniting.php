<?php

declare(strict_types=1);

namespace Apalos\Core\Mesh;

/**
 * Bodies drawn into each other, as the one body they are once cast. Two at a time: where their surfaces cut each other the facets are
 * cut along it, and of each surface stays what lies outside the other. Each is moved aside by less than a ten-millionth of the piece, so
 * that faces drawn in one plane cut nowhere; where corners still fall on facets, it is moved another way.
 */
final readonly class Uniting
{
    /** Facets in all: beyond it the answer would outlast its budget. */
    public const MOST_FACETS = 400_000;

    private const TRIES = 4;

    /** Of the diagonal. */
    private const ASIDE = 4e-8;

    /** Ways aside, crooked, so that no piece is drawn along them. */
    private const WAYS = [[0.61, 0.47, 0.64], [-0.55, 0.74, 0.39], [0.32, -0.81, 0.49], [-0.43, -0.38, 0.82]];

    /** @param  list<int>  $shell  of every vertex */
    public function __construct(private Mesh $mesh, private array $shell) {}

    /**
     * @param  list<list<int>>  $bodies  shells, each solid with the rooms in it
     * @return array{Mesh, int}|null one surface, and how many bodies lie in others; null where they cannot be joined
     */
    public function of(array $bodies): ?array
    {
        $parts = $this->parts($bodies);
        $boxes = array_map(static fn (Mesh $part): Bounds => $part->bounds(), $parts);
        if (! self::anyMeet($boxes)) {
            return [$this->mesh, 0];
        }
        if ($this->mesh->facets() > self::MOST_FACETS) {
            return null;
        }
        $solids = count($parts);
        $one = null;
        $joined = false;
        // Those that do not meet are taken at once: a plate with sixty pegs in it is one cut, not sixty.
        foreach (self::apart($boxes) as $step => $some) {
            $next = self::beside(array_map(static fn (int $i): Mesh => $parts[$i], $some));
            $both = $one === null ? false : $this->pair($one, $next, $step);
            if ($both === null) {
                return null;
            }
            $joined = $joined || $both !== false;
            $one = $both !== false ? $both : self::beside($one === null ? [$next] : [$one, $next]);
        }

        return $one === null || ! $joined ? [$this->mesh, 0] : [$one, $solids - self::solids($one)];
    }

    /**
     * @param  list<Bounds>  $boxes
     * @return list<list<int>> sets in which none meets another
     */
    private static function apart(array $boxes): array
    {
        $sets = [];
        foreach ($boxes as $i => $box) {
            $k = 0;
            while (array_filter($sets[$k] ?? [], static fn (int $other): bool => $boxes[$other]->meets($box)) !== []) {
                $k++;
            }
            $sets[$k][] = $i;
        }

        return array_values($sets);
    }

    /** How many shells of it face out. */
    private static function solids(Mesh $mesh): int
    {
        [$shell, $count] = Links::of($mesh)->shells($mesh);
        $volumes = array_fill(0, $count, 0.0);
        for ($f = 0, $n = $mesh->facets(); $f < $n; $f++) {
            [$nx, $ny, $nz] = $mesh->normal($f);
            [$x, $y, $z] = $mesh->at($mesh->corners[3 * $f]);
            $volumes[$shell[$mesh->corners[3 * $f]]] += $x * $nx + $y * $ny + $z * $nz;
        }

        return count(array_filter($volumes, static fn (float $six): bool => $six > 0.0));
    }

    /** @return Mesh|false|null the two as one; false where they have nothing in common; null where it cannot be told */
    private function pair(Mesh $a, Mesh $b, int $before): Mesh|false|null
    {
        $aside = self::ASIDE * max($a->bounds()->diagonal(), $b->bounds()->diagonal());
        for ($try = 0; $try < self::TRIES; $try++) {
            // Each another way and as far as none before it: what was drawn in one plane with the last must not lie in it still.
            $way = self::WAYS[($try + $before) % count(self::WAYS)];
            $both = self::beside([$a, self::moved($b, $way, $aside * (1.0 + fmod(0.618 * ($before + $try), 1.0)))]);
            $joined = new Joining($both, $a->facets());
            $one = $joined->one();
            if ($one === false) {
                return false;
            }
            if ($one !== null && self::isSound($one, $a, $b)) {
                return $one;
            }
        }

        return null;
    }

    /** Closed, no smaller than the larger and no larger than both. */
    private static function isSound(Mesh $one, Mesh $a, Mesh $b): bool
    {
        [$va, $vb, $vo] = [$a->volume(), $b->volume(), $one->volume()];
        $little = 1e-5 * ($va + $vb);

        return Links::of($one)->loose()['open'] === 0 && $vo > max($va, $vb) - $little && $vo < $va + $vb + $little;
    }

    /**
     * @param  list<list<int>>  $bodies
     * @return list<Mesh>
     */
    private function parts(array $bodies): array
    {
        $of = [];
        foreach ($bodies as $i => $shells) {
            foreach ($shells as $shell) {
                $of[$shell] = $i;
            }
        }
        $corners = array_fill(0, count($bodies), []);
        foreach ($this->mesh->corners as $v) {
            $corners[$of[$this->shell[$v]]][] = $v;
        }

        return array_map(fn (array $some): Mesh => (new Mesh($this->mesh->x, $this->mesh->y, $this->mesh->z, $some))->tidy(), $corners);
    }

    /** @param  list<Bounds>  $boxes */
    private static function anyMeet(array $boxes): bool
    {
        foreach ($boxes as $i => $box) {
            foreach (array_slice($boxes, $i + 1) as $other) {
                if ($box->meets($other)) {
                    return true;
                }
            }
        }

        return false;
    }

    /** @param  array{float, float, float}  $way */
    private static function moved(Mesh $mesh, array $way, float $mm): Mesh
    {
        $x = $y = $z = [];
        foreach ($mesh->x as $v => $at) {
            $x[] = $at + $way[0] * $mm;
            $y[] = $mesh->y[$v] + $way[1] * $mm;
            $z[] = $mesh->z[$v] + $way[2] * $mm;
        }

        return new Mesh($x, $y, $z, $mesh->corners);
    }

    /** @param  list<Mesh>  $parts */
    private static function beside(array $parts): Mesh
    {
        [$x, $y, $z, $corners] = [[], [], [], []];
        foreach ($parts as $part) {
            $from = count($x);
            $corners = array_merge($corners, array_map(static fn (int $v): int => $v + $from, $part->corners));
            [$x, $y, $z] = [array_merge($x, $part->x), array_merge($y, $part->y), array_merge($z, $part->z)];
        }

        return new Mesh($x, $y, $z, $corners);
    }
}
