<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Day;

use Random\Engine\Mt19937;
use Random\Randomizer;

/** Days in whole minutes, by number: chains with windows, a chamber, dues, something begun now and then. */
final class RandomDay
{
    /** @return array<string, mixed> */
    public static function of(int $seed, int $count = 5, int $end = 26): array
    {
        $chance = new Randomizer(new Mt19937($seed));
        $small = $count <= 6;
        $ops = [];
        for ($i = 0; $i < $count; $i++) {
            $after = [];
            foreach ($i === 0 ? [] : array_unique([$chance->getInt(0, $i - 1), $chance->getInt(0, $i - 1)]) as $j) {
                if ($chance->getInt(0, 9) < 4) {
                    $from = $chance->getInt(0, 4);
                    $after[] = [
                        'op' => "o{$j}", 'from_min' => $from,
                        'until_min' => $chance->getInt(0, 1) === 0 || (! $small && $after !== [])
                            ? null
                            : $from + $chance->getInt(0, $small ? 4 : 60),
                    ];
                }
            }
            $ops[] = [
                'id' => "o{$i}", 'minutes' => $chance->getInt(1, 4), 'after' => $after,
                'uses' => match ($chance->getInt(0, 7)) {
                    0 => [], 1 => ['chamber'], 2 => ['hands', 'chamber'], default => ['hands'],
                },
                'due_min' => $chance->getInt(0, 2) === 0 ? $chance->getInt(3, 16) : null,
                'not_before_min' => $chance->getInt(0, 5) === 0 ? $chance->getInt(0, 8) : null,
                'fixed_min' => $i === 0 && $small && $chance->getInt(0, 4) === 0 ? $chance->getInt(-3, 1) : null,
            ];
        }

        return [
            'now_min' => 1, 'days' => $small ? [[0, 11], [14, $end]] : [[0, 300], [500, 800], [1440, $end]],
            'resources' => ['hands' => 1, 'chamber' => $chance->getInt(1, 2)], 'ops' => $ops,
        ];
    }
}
