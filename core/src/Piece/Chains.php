<?php

declare(strict_types=1);

namespace Apalos\Core\Piece;

/** Which pieces of a line hang together. */
final class Chains
{
    /**
     * @param  list<list<string>>  $ends  the two edges of the mesh that each piece runs between
     * @return list<int> a number for the line each belongs to
     */
    public static function of(array $ends): array
    {
        $first = [];
        $parent = $ends === [] ? [] : range(0, count($ends) - 1);
        foreach ($ends as $i => $keys) {
            foreach ($keys as $key) {
                if (isset($first[$key])) {
                    $parent[self::root($parent, $i)] = self::root($parent, $first[$key]);
                }
                $first[$key] = $i;
            }
        }
        $lines = [];
        foreach (array_keys($ends) as $i) {
            $lines[] = self::root($parent, $i);
        }

        return $lines;
    }

    /** @param  array<int, int>  $parent */
    private static function root(array $parent, int $i): int
    {
        while ($parent[$i] !== $i) {
            $i = $parent[$i];
        }

        return $i;
    }
}
