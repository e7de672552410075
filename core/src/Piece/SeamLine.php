<?php

declare(strict_types=1);

namespace Apalos\Core\Piece;

use Apalos\Core\Mesh\Facing;

/**
 * The line between what leans towards the pull and what does not: across facets where the lean passes through nought, along edges where
 * the two sides lean apart. What comes to an edge from one side goes on from there on the other, so that every line is closed.
 */
final class SeamLine
{
    /** @var list<array{array{float, float, float}, array{float, float, float}}> across, across, along; mm; some of no length */
    public array $segments = [];

    /** @var list<list<string>> what each of them runs between */
    public array $ends = [];

    /** @param  array<int, array{float, float, float}>  $leans  at the corners of the facets about it */
    public function __construct(private readonly Facing $facing, array $leans, private readonly float $upright)
    {
        [$corners, $n] = [$facing->mesh->corners, $facing->mesh->vertices()];
        $open = [];
        foreach ($leans as $f => $at) {
            $crossed = [];
            for ($k = 0; $k < 3; $k++) {
                $l = $k === 2 ? 0 : $k + 1;
                [$p, $q, $a, $b] = [$corners[3 * $f + $k], $corners[3 * $f + $l], $at[$k], $at[$l]];
                [$p, $q, $a, $b] = $p < $q ? [$p, $q, $a, $b] : [$q, $p, $b, $a];
                if ($a > $upright !== $b > $upright) {
                    $crossed[] = [$this->on($p, $q, $this->share($a, $b)), "{$p} {$q} {$f}"];
                }
                $edge = $p * $n + $q;
                if (! isset($open[$edge])) {
                    $open[$edge] = [$p, $q, $a, $b, $f];

                    continue;
                }
                [, , $c, $d] = $open[$edge];
                // Most edges have all of it on one side.
                if ($a > $upright !== $c > $upright || $b > $upright !== $d > $upright || $a > $upright !== $b > $upright) {
                    $this->along($open[$edge], [$p, $q, $a, $b, $f]);
                }
                unset($open[$edge]);
            }
            if (isset($crossed[0], $crossed[1])) {
                $this->add($crossed[0], $crossed[1]);
            }
        }
    }

    /**
     * The parts of an edge on either side of which the surface leans apart.
     *
     * @param  array{int, int, float, float, int}  $one
     * @param  array{int, int, float, float, int}  $other
     */
    private function along(array $one, array $other): void
    {
        [$p, $q] = $one;
        $edge = "{$p} {$q}";
        // Where each side turns, in order; between two turns the sides lean apart or alike all the way.
        $turns = [];
        foreach ([$one, $other] as [, , $a, $b, $f]) {
            if ($this->isUp($a) !== $this->isUp($b)) {
                $turns[] = [$this->share($a, $b), "{$edge} {$f}"];
            }
        }
        usort($turns, static fn (array $s, array $t): int => $s[0] <=> $t[0]);
        $apart = $this->isUp($one[2]) !== $this->isUp($other[2]);
        $from = [0.0, "v{$p}"];
        foreach ([...$turns, [1.0, "v{$q}"]] as $to) {
            if ($apart) {
                $this->add([$this->on($p, $q, $from[0]), $from[1]], [$this->on($p, $q, $to[0]), $to[1]]);
            }
            $apart = ! $apart;
            $from = $to;
        }
    }

    /**
     * @param  array{array{float, float, float}, string}  $from
     * @param  array{array{float, float, float}, string}  $to
     */
    private function add(array $from, array $to): void
    {
        $this->segments[] = [$from[0], $to[0]];
        $this->ends[] = [$from[1], $to[1]];
    }

    private function isUp(float $lean): bool
    {
        return $lean > $this->upright;
    }

    private function share(float $a, float $b): float
    {
        return max(0.0, min(1.0, ($a - $this->upright) / ($a - $b)));
    }

    /** @return array{float, float, float} */
    private function on(int $p, int $q, float $t): array
    {
        [$u, $v, $w] = [$this->facing->u, $this->facing->v, $this->facing->w];

        return [$u[$p] + $t * ($u[$q] - $u[$p]), $v[$p] + $t * ($v[$q] - $v[$p]), $w[$p] + $t * ($w[$q] - $w[$p])];
    }
}
