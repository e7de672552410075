<?php

declare(strict_types=1);

namespace Apalos\Core\Ways;

use Apalos\Core\Cure\Milestone;
use Apalos\Core\Material\BaseSheet;

/**
 * Of more ways than can be reckoned through: what at best each comes to, so that what could be cheapest, soonest or surest is looked at
 * first.
 */
final readonly class AtBest
{
    /**
     * @param  list<Combination>  $all
     * @return list<Combination> the cheapest possible, the soonest possible and the surest possible in turns
     */
    public static function first(array $all, WaysRequest $asked, WaysBook $book, Rubbers $rubbers): array
    {
        $bounds = array_map(static fn (Combination $way): array => self::of($way, $asked, $book, $rubbers), $all);
        $orders = [];
        foreach (array_keys($bounds[0] ?? []) as $which) {
            $column = array_column($bounds, $which);
            asort($column);
            $orders[] = array_keys($column);
        }
        $first = [];
        foreach (array_keys($all) as $at) {
            foreach ($orders as $order) {
                $first[$order[$at]] = true;
            }
        }

        return array_map(static fn (int $i): Combination => $all[$i], array_keys($first));
    }

    /** @return array{float, float, float} no less money, no less time, no less chance of failing */
    private static function of(Combination $way, WaysRequest $asked, WaysBook $book, Rubbers $rubbers): array
    {
        $price = static fn (BaseSheet $base): float => isset($asked->prices[$base->code])
            ? (float) $asked->prices[$base->code]['price'] / $asked->prices[$base->code]['mass_g']
            : ($book->pricePerKg($base->family) ?? 0.0) / 1000.0;
        $demould = static fn (?BaseSheet $base): float => $base === null ? 0.0 : ($rubbers->of($base)->time(Milestone::Demould) ?? 0.0);
        $rubber = $way->ranked === null
            ? 0.0
            : ($way->base === null ? 0.0 : $price($way->base) * $way->ranked->materialMl * $rubbers->of($way->base)->sg);
        $hands = ($way->ranked->hours ?? 0.0) * (float) $asked->hourRate;

        return [
            ($rubber + $hands) / $asked->count + $price($way->cast) * $asked->piece->volumeMl() * $rubbers->of($way->cast)->sg
                + $way->release->cost / $way->release->every,
            60.0 * ($way->ranked->hours ?? 0.0) + $demould($way->base) * count($way->worked->stages) + $demould($way->cast)
                + $way->release->waitsOnce,
            -$asked->past->of(
                $way->kind, $way->called(), [$way->cast->code, $way->cast->family], $way->worked->usual, $book->usualCounts,
                $book->alikeCounts,
            )['share']->mean(),
        ];
    }
}
