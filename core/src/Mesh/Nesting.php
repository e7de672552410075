<?php

declare(strict_types=1);

namespace Apalos\Core\Mesh;

/**
 * Which shell lies inside which. One inside an odd number of others is a room, and its facets face in; one inside an even number is
 * solid, and they face out. Whatever faces the other way was drawn inside out.
 */
final readonly class Nesting
{
    /**
     * @param  list<int>  $shell  of every vertex
     * @param  list<float>  $volumes  of every shell, signed
     */
    public function __construct(private Mesh $mesh, private array $shell, private array $volumes) {}

    /** @return array{list<int>, int, int} shells inside out, rooms inside, solids inside solids */
    public function judged(): array
    {
        if (count($this->volumes) === 1) {
            return [$this->volumes[0] < 0.0 ? [0] : [], 0, 0];
        }
        $flipped = [];
        $rooms = $doubled = 0;
        foreach ($this->volumes as $one => $volume) {
            $around = $this->around($one);
            if (count($around) % 2 === 0) {
                if ($volume < 0.0) {
                    $flipped[] = $one;
                }

                continue;
            }
            if ($volume < 0.0) {
                $rooms++;

                continue;
            }
            // Facing the way of the one around it, it is either a room drawn inside out with its host, or a solid counted twice.
            if (array_filter($around, fn (int $other): bool => $this->volumes[$other] > 0.0) === []) {
                $flipped[] = $one;
                $rooms++;
            } else {
                $doubled++;
            }
        }

        return [$flipped, $rooms, $doubled];
    }

    /** @return list<int> the shells a shell lies in: a ray from it leaves them an odd number of times */
    private function around(int $one): array
    {
        $first = (int) array_search($one, $this->shell, true);
        [$px, $py, $pz] = $this->mesh->at($first);
        // A crooked way, so that no edge is met.
        [$dx, $dy, $dz] = Direction::of(0.5377, 0.2931, 0.7905)->toArray();
        [$x, $y, $z, $corners] = [$this->mesh->x, $this->mesh->y, $this->mesh->z, $this->mesh->corners];
        $crossed = [];
        for ($h = 0, $n = count($corners); $h < $n; $h += 3) {
            $a = $corners[$h];
            $other = $this->shell[$a];
            if ($other === $one) {
                continue;
            }
            [$b, $c] = [$corners[$h + 1], $corners[$h + 2]];
            [$e1x, $e1y, $e1z] = [$x[$b] - $x[$a], $y[$b] - $y[$a], $z[$b] - $z[$a]];
            [$e2x, $e2y, $e2z] = [$x[$c] - $x[$a], $y[$c] - $y[$a], $z[$c] - $z[$a]];
            $qx = $dy * $e2z - $dz * $e2y;
            $qy = $dz * $e2x - $dx * $e2z;
            $qz = $dx * $e2y - $dy * $e2x;
            $det = $e1x * $qx + $e1y * $qy + $e1z * $qz;
            if (abs($det) < 1e-15) {
                continue;
            }
            [$sx, $sy, $sz] = [$px - $x[$a], $py - $y[$a], $pz - $z[$a]];
            $u = ($sx * $qx + $sy * $qy + $sz * $qz) / $det;
            if ($u < 0.0 || $u > 1.0) {
                continue;
            }
            $rx = $sy * $e1z - $sz * $e1y;
            $ry = $sz * $e1x - $sx * $e1z;
            $rz = $sx * $e1y - $sy * $e1x;
            $v = ($dx * $rx + $dy * $ry + $dz * $rz) / $det;
            if ($v < 0.0 || $u + $v > 1.0 || $e2x * $rx + $e2y * $ry + $e2z * $rz < 0.0 !== $det < 0.0) {
                continue;
            }
            $crossed[$other] = ($crossed[$other] ?? 0) + 1;
        }

        return array_keys(array_filter($crossed, static fn (int $times): bool => $times % 2 === 1));
    }
}
