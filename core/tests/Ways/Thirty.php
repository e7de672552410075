<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Ways;

use Apalos\Core\Input\Fields;
use Apalos\Core\Tests\Contact\Shipped;
use Apalos\Core\Tests\Words;
use Apalos\Core\Ways\Ground;
use Apalos\Core\Ways\WaysFinder;

/** Thirty grips in hot vinyl by the eighteenth, asked of a small shop. */
final class Thirty
{
    /** @return list<array{int, int}> days of ten hours */
    public static function days(int $many): array
    {
        return array_map(static fn (int $day): array => [1440 * $day + 480, 1440 * $day + 1080], range(0, $many - 1));
    }

    /**
     * @param  array<string, mixed>  $more
     * @return array<string, mixed>
     */
    public static function asked(array $more = []): array
    {
        return array_replace_recursive([
            'piece' => [
                'size_mm' => ['l' => 150, 'w' => 42, 'h' => 42], 'volume_ml' => 130, 'area_mm2' => null, 'undercuts' => 'slight',
                'detail' => 'fine', 'thinnest_mm' => null, 'flat_back' => false, 'hollow' => false, 'skin' => false,
                'original' => ['surface' => 'clay-oil-sulphur-free', 'may_be_lost' => true], 'stretch_pct' => null,
            ],
            'casts' => ['count' => 30, 'code' => 'hv-08', 'heat_c' => null, 'ready_by_h' => 400],
            'shelf' => ['pr-10', 'pr-25', 'tr-25', 'br-28', 'hv-08', 'cp-70'],
            'gear' => ['vacuum' => true, 'pot' => false, 'oven' => true, 'printer' => false, 'scale_g' => 0.1],
            'hands' => ['pairs' => 1, 'days' => self::days(20)], 'rack' => [], 'past' => [],
            'money' => [
                'currency' => 'EUR', 'hour_rate' => '24.00',
                'prices' => [
                    'pr-25' => ['price' => '38.00', 'mass_g' => 1000], 'hv-08' => ['price' => '61.50', 'mass_g' => 5000],
                    'tr-25' => ['price' => '27.00', 'mass_g' => 1000], 'br-28' => ['price' => '44.00', 'mass_g' => 900],
                    'cp-70' => ['price' => '9.00', 'mass_g' => 5000],
                ],
            ],
            'room_c' => 21, 'buy_in' => null,
        ], $more);
    }

    public static function ground(): Ground
    {
        $shelves = Shipped::shelves();

        return new Ground($shelves->contacts, $shelves->moulds, $shelves->materials, $shelves->wear, $shelves->ways, $shelves->casting);
    }

    /**
     * @param  array<string, mixed>  $more
     * @return array<string, mixed> as it is printed
     */
    public static function answer(array $more = [], ?WaysFinder $finder = null): array
    {
        return self::told(self::asked($more), $finder);
    }

    /**
     * @param  array<string, mixed>  $asked
     * @return array<string, mixed>
     */
    public static function told(array $asked, ?WaysFinder $finder = null): array
    {
        return json_decode(
            json_encode(Words::book()->tell(($finder ?? new WaysFinder(self::ground()))->ask(Fields::of($asked))), JSON_THROW_ON_ERROR),
            true, 64, JSON_THROW_ON_ERROR,
        );
    }
}
