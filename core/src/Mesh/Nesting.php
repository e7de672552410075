<?php

declare(strict_types=1);

namespace Apalos\Core\Mesh;

/**
 * Which shell lies inside which. One inside an odd number of others is a room, and its facets face in; one inside an even number is
 * solid, and they face out. Whatever faces the other way was drawn inside out.
 */
final readonly class Nesting
{
    /** @var list<list<int>> the shells each shell lies in */
    private array $around;

    /**
     * @param  list<int>  $shell  of every vertex
     * @param  list<float>  $volumes  of every shell, signed
     */
    public function __construct(private Mesh $mesh, private array $shell, private array $volumes)
    {
        $inside = count($volumes) < 2 ? null : new Inside($mesh, 0, $mesh->facets());
        $this->around = array_map(fn (int $one): array => $inside === null ? [] : $this->around($one, $inside), array_keys($volumes));
    }

    /** @return array{list<int>, int, int} shells inside out, rooms inside, solids inside solids */
    public function judged(): array
    {
        if (count($this->volumes) === 1) {
            return [$this->volumes[0] < 0.0 ? [0] : [], 0, 0];
        }
        $flipped = [];
        $rooms = $doubled = 0;
        foreach ($this->volumes as $one => $volume) {
            $around = $this->around[$one];
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

    /**
     * What is solid, each with the rooms in it: a room belongs to the smallest solid it lies in.
     *
     * @param  list<int>  $flipped  shells that were turned round since
     * @return list<list<int>>
     */
    public function bodies(array $flipped): array
    {
        $isSolid = fn (int $one): bool => in_array($one, $flipped, true) !== $this->volumes[$one] > 0.0;
        $bodies = [];
        foreach (array_keys($this->volumes) as $one) {
            $host = $one;
            if (! $isSolid($one)) {
                foreach ($this->around[$one] as $other) {
                    $host = $isSolid($other) && ($host === $one || abs($this->volumes[$other]) < abs($this->volumes[$host]))
                        ? $other
                        : $host;
                }
            }
            $bodies[$host][] = $one;
        }

        return array_values($bodies);
    }

    /** @return list<int> the shells a shell lies in: a ray from it leaves them once more often than it comes in */
    private function around(int $one, Inside $inside): array
    {
        $first = (int) array_search($one, $this->shell, true);
        $crossed = $inside->crossed(
            $this->mesh->at($first), fn (int $vertex): int => $this->shell[$vertex] === $one ? -1 : $this->shell[$vertex],
        );

        return array_keys(array_filter($crossed, static fn (int $times): bool => $times !== 0));
    }
}
