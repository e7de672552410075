<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Day;

/** The best day found by trying every whole minute for every operation: slow, and with nothing in common with the planner. */
final class EveryDay
{
    /**
     * @param  array<string, mixed>  $in
     * @return array{0: float, 1: float, 2: float}|null lateness, end, sum of starts
     */
    public static function best(array $in): ?array
    {
        $best = null;
        self::try($in, [], [0.0, -INF, 0.0], $best);

        return $best;
    }

    /**
     * @param  array<string, mixed>  $in
     * @param  array<string, int>  $starts
     * @param  array{0: float, 1: float, 2: float}  $so
     * @param  array{0: float, 1: float, 2: float}|null  $best
     */
    private static function try(array $in, array $starts, array $so, ?array &$best): void
    {
        $op = $in['ops'][count($starts)] ?? null;
        if ($op === null) {
            $best = $so;

            return;
        }
        $last = end($in['days'])[1];
        foreach ($op['fixed_min'] !== null ? [$op['fixed_min']] : range(
            max($in['now_min'], $op['not_before_min'] ?? -99), $last + 8,
        ) as $at) {
            $ends = $at + $op['minutes'];
            $then = [$so[0] + max(0, $ends - ($op['due_min'] ?? 9999)), max($so[1], $ends), $so[2] + $at];
            if ($best !== null && $then >= $best) {
                if ($then[0] > $best[0] || $then[1] > $best[1]) {
                    return;
                }

                continue;
            }
            $trial = [...$starts, $op['id'] => $at];
            if (self::faults($in, $trial, $op['id']) === []) {
                self::try($in, $trial, $then, $best);
            }
        }
    }

    /**
     * @param  array<string, mixed>  $in
     * @param  array<string, float|int>  $starts  of some or all
     * @param  string|null  $newest  where only what this one may have brought is asked
     * @return list<string>
     */
    public static function faults(array $in, array $starts, ?string $newest = null): array
    {
        $faults = [];
        $ops = array_column($in['ops'], null, 'id');
        foreach ($newest === null ? $starts : [$newest => $starts[$newest]] as $id => $at) {
            $op = $ops[$id];
            if ($op['fixed_min'] !== null) {
                continue;
            }
            $ends = $at + $op['minutes'];
            if ($at < $in['now_min'] || $at < ($op['not_before_min'] ?? -99)) {
                $faults[] = "{$id} starts too early";
            }
            if (
                in_array('hands', $op['uses'], true)
                && array_filter($in['days'], static fn (array $day): bool => $at >= $day[0] - 1e-6 && $ends <= $day[1] + 1e-6) === []
            ) {
                $faults[] = "{$id} lies outside working hours";
            }
            foreach ($op['after'] as $after) {
                if (isset($starts[$after['op']])) {
                    $since = $at - $starts[$after['op']] - $ops[$after['op']]['minutes'];
                    if ($since < $after['from_min'] - 1e-6 || ($after['until_min'] !== null && $since > $after['until_min'] + 1e-6)) {
                        $faults[] = "{$id} is {$since} after {$after['op']}";
                    }
                }
            }
        }
        foreach ($faults === [] ? $in['resources'] : [] as $name => $units) {
            if ($newest !== null && ! in_array($name, $ops[$newest]['uses'], true)) {
                continue;
            }
            $users = array_filter($starts, static fn (string $id): bool => in_array($name, $ops[$id]['uses'], true), ARRAY_FILTER_USE_KEY);
            foreach ($users as $id => $at) {
                $with = array_filter(
                    array_keys($users),
                    static fn (string $other): bool => $users[$other] <= $at + 1e-6
                        && $at + 1e-6 < $users[$other] + $ops[$other]['minutes'],
                );
                $begun = array_filter($with, static fn (string $other): bool => $ops[$other]['fixed_min'] !== null);
                if (count($with) > max($units, count($begun))) {
                    $faults[] = "{$name} serves too many at {$at}";
                }
            }
        }

        return $faults;
    }
}
