<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Cost;

use Apalos\Core\Cost\Costing;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use PHPUnit\Framework\TestCase;

final class CostingTest extends TestCase
{
    private const GRIPS = [
        'currency' => 'EUR', 'casts' => 4, 'reject_pct' => 10,
        'materials' => [
            ['name' => 'rubber', 'used_g' => 1280, 'waste_pct' => 8, 'on_hand_g' => 300, 'kit' => ['price' => '58.40', 'mass_g' => 900]],
            ['name' => 'pigment', 'used_g' => 14, 'waste_pct' => 0, 'on_hand_g' => 0, 'kit' => ['price' => '19.90', 'mass_g' => 57]],
        ],
        'moulds' => [['name' => 'block', 'cost' => '74.50', 'life_casts' => 60]],
        'labour' => [['what' => 'all of it', 'min' => 190, 'hour_rate' => '22.00']],
        'other' => [['name' => 'boxes', 'price' => '6.00']],
    ];

    public function test_the_grips_of_the_bench_note(): void
    {
        $cost = (new Costing)->ask(Fields::of(self::GRIPS));

        self::assertSame([['89.70', 2, '116.80'], ['4.89', 1, '19.90']], array_map(static fn (array $line): array => [$line['cost'], $line['kits'], $line['cash']], $cost['lines']));
        self::assertSame(['4.97', '69.67', '6.00', '175.23', '48.68', '142.70'], [$cost['mould'], $cost['labour'], $cost['other'], $cost['total'], $cost['per_piece'], $cost['cash']]);
        self::assertEqualsWithDelta(100.0, array_sum($cost['shares']), 1e-9);
        self::assertNull($cost['break_even']);
    }

    /** A tenth of a cent three hundred times over is thirty cents: no float ever is. */
    public function test_money_is_exact_and_rounds_half_up_by_the_line(): void
    {
        $line = static fn (string $price, float $mass, float $used): string => (new Costing)->ask(Fields::of(['currency' => 'EUR', 'casts' => 1, 'materials' => [['name' => 'x', 'used_g' => $used, 'kit' => ['price' => $price, 'mass_g' => $mass]]]]))['total'];
        self::assertSame('0.30', $line('0.10', 100, 300));
        self::assertSame('0.01', $line('0.01', 2, 1), 'half a cent up');
        self::assertSame('0.00', $line('0.01', 2.1, 1));
        self::assertSame('1.01', $line('2.01', 2, 1), 'a hundred and a half of them');
    }

    public function test_where_the_lines_of_two_ways_cross(): void
    {
        $whole = static fn (array $against): array => (new Costing)->ask(Fields::of([...self::GRIPS, 'against' => $against]))['break_even'] ?? [];
        $with = static fn (array $against): array => array_diff_key($whole($against), ['fixed' => 0, 'each' => 0]);
        self::assertSame(['74.50', '47.29'], array_values(array_intersect_key($whole(['name' => 'bought', 'fixed' => '0', 'each' => '60.00']), ['fixed' => 0, 'each' => 0])));
        // Ours: 74.50 first, then (175.23 − 4.97) / 3.6 = 47.29 a piece. Bought in at 60: 74.50 / 12.71 = 5.9.
        self::assertSame(['pieces' => 6, 'cheaper_below' => 'bought', 'cheaper_above' => 'this'], $with(['name' => 'bought', 'fixed' => '0', 'each' => '60.00']));
        self::assertSame(['pieces' => null, 'cheaper_below' => 'this', 'cheaper_above' => 'this'], $with(['name' => 'dear', 'fixed' => '100.00', 'each' => '60.00']));
        self::assertSame(['pieces' => null, 'cheaper_below' => 'gift', 'cheaper_above' => 'gift'], $with(['name' => 'gift', 'fixed' => '0', 'each' => '0.50']));
        self::assertSame('this', $with(['name' => 'gang', 'fixed' => '400.00', 'each' => '30.00'])['cheaper_below'] ?? '');
    }

    public function test_what_is_no_price_names_its_field(): void
    {
        foreach (['1.234' => 'materials.0.kit.price', '12,50' => 'materials.0.kit.price', '-3' => 'materials.0.kit.price', '9999999999' => 'materials.0.kit.price', 'a lot' => 'materials.0.kit.price'] as $price => $field) {
            $asked = self::GRIPS;
            $asked['materials'][0]['kit']['price'] = (string) $price;
            try {
                (new Costing)->ask(Fields::of($asked));
                self::fail("{$price} was taken.");
            } catch (BadInput $wrong) {
                self::assertSame($field, $wrong->field);
            }
        }
        $this->expectException(BadInput::class);
        (new Costing)->ask(Fields::of(['currency' => 'euro', 'casts' => 1]));
    }
}
