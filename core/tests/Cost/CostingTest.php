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

        self::assertSame(
            [['89.70', 2, '116.80'], ['4.89', 1, '19.90']],
            array_map(static fn (array $line): array => [$line['cost'], $line['kits'], $line['cash']], $cost['lines']),
        );
        self::assertSame(
            ['4.97', '69.67', '6.00', '175.23', '48.68', '142.70'],
            [$cost['mould'], $cost['labour'], $cost['other'], $cost['total'], $cost['per_piece'], $cost['cash']],
        );
        self::assertEqualsWithDelta(100.0, array_sum($cost['shares']), 1e-9);
        self::assertNull($cost['break_even']);
    }

    /** A tenth of a cent three hundred times over is thirty cents: no float ever is. */
    public function test_money_is_exact_and_rounds_half_up_by_the_line(): void
    {
        $line = static fn (string $price, float $mass, float $used): string => (new Costing)->ask(Fields::of([
            'currency' => 'EUR', 'casts' => 1,
            'materials' => [['name' => 'x', 'used_g' => $used, 'kit' => ['price' => $price, 'mass_g' => $mass]]],
        ]))['total'];
        self::assertSame('0.30', $line('0.10', 100, 300));
        self::assertSame('0.01', $line('0.01', 2, 1), 'half a cent up');
        self::assertSame('0.00', $line('0.01', 2.1, 1));
        self::assertSame('1.01', $line('2.01', 2, 1), 'a hundred and a half of them');
    }

    public function test_where_the_lines_of_two_ways_cross(): void
    {
        $whole = static fn (array $against): array => (new Costing)->ask(Fields::of([...self::GRIPS, 'against' => $against]))['break_even']
            ?? [];
        $with = static fn (array $against): array => array_diff_key($whole($against), ['fixed' => 0, 'each' => 0]);
        self::assertSame(
            ['74.50', '47.29'],
            array_values(array_intersect_key($whole(['name' => 'bought', 'fixed' => '0', 'each' => '60.00']), ['fixed' => 0, 'each' => 0])),
        );
        // Ours: 74.50 first, then (175.23 − 4.97) / 3.6 = 47.29 a piece. Bought in at 60: 74.50 / 12.71 = 5.9.
        self::assertSame(
            ['pieces' => 6, 'cheaper_below' => 'bought', 'cheaper_above' => 'this'],
            $with(['name' => 'bought', 'fixed' => '0', 'each' => '60.00']),
        );
        self::assertSame(
            ['pieces' => null, 'cheaper_below' => 'this', 'cheaper_above' => 'this'],
            $with(['name' => 'dear', 'fixed' => '100.00', 'each' => '60.00']),
        );
        self::assertSame(
            ['pieces' => null, 'cheaper_below' => 'gift', 'cheaper_above' => 'gift'],
            $with(['name' => 'gift', 'fixed' => '0', 'each' => '0.50']),
        );
        self::assertSame('this', $with(['name' => 'gang', 'fixed' => '400.00', 'each' => '30.00'])['cheaper_below'] ?? '');
    }

    public function test_what_is_no_price_names_its_field(): void
    {
        foreach ([
            '1.234' => 'materials.0.kit.price', '12,50' => 'materials.0.kit.price', '-3' => 'materials.0.kit.price',
            '9999999999' => 'materials.0.kit.price', 'a lot' => 'materials.0.kit.price',
        ] as $price => $field) {
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

    /** By hand: 250 g a piece at 20 a kilo is 5.00, half an hour at 30 is 15.00, a mould of 120 for 60 casts 2.00, a box of 6 once. */
    public function test_numbers_beside_each_other_grow_in_grams_and_hands_and_bear_the_rest_once(): void
    {
        $ask = [
            'currency' => 'EUR', 'casts' => 10, 'reject_pct' => 0,
            'materials' => [
                [
                    'name' => 'rubber', 'used_g' => 2500, 'waste_pct' => 0, 'on_hand_g' => 1000,
                    'kit' => ['price' => '20.00', 'mass_g' => 1000],
                ],
            ],
            'moulds' => [['name' => 'mould', 'cost' => '120.00', 'life_casts' => 60]],
            'labour' => [['what' => 'hands', 'min' => 300, 'hour_rate' => '30.00']], 'other' => [['name' => 'box', 'price' => '6.00']],
        ];
        $answer = (new Costing)->ask(Fields::of([...$ask, 'numbers' => [3, 10, 30]]));
        self::assertSame(
            [
                ['casts' => 3, 'per_piece' => '24.00', 'total' => '72.00', 'cash' => '6.00'],
                ['casts' => 10, 'per_piece' => '22.60', 'total' => '226.00', 'cash' => '46.00'],
                ['casts' => 30, 'per_piece' => '22.20', 'total' => '666.00', 'cash' => '146.00'],
            ],
            array_map(static fn (array $one): array => array_slice($one, 0, 4), $answer['numbers'] ?? []),
        );
        self::assertEqualsWithDelta([750.0, 2500.0, 7500.0], array_column($answer['numbers'] ?? [], 'used_g'), 1e-9);
        self::assertEqualsWithDelta([90.0, 300.0, 900.0], array_column($answer['numbers'] ?? [], 'min'), 1e-9);
        self::assertSame(
            [$answer['per_piece'], $answer['cash']], [$answer['numbers'][1]['per_piece'] ?? null, $answer['numbers'][1]['cash'] ?? null],
            'Its own number is what the page says.',
        );
        self::assertArrayNotHasKey('numbers', (new Costing)->ask(Fields::of($ask)));

        // Fixed and running apart: 20.00 of rubber and hands for each, whole moulds and the box before the first; 100 casts want two moulds
        // of 60.
        $apart = (new Costing)->ask(Fields::of([...$ask, 'numbers' => [1, 10, 60, 100]]))['numbers'] ?? [];
        self::assertSame(
            [[1, 0, '126.00', '20.00'], [1, 2, '126.00', '20.00'], [1, 14, '126.00', '20.00'], [2, 24, '246.00', '20.00']],
            array_map(static fn (array $one): array => [$one['moulds'], $one['kits'], $one['fixed'], $one['running']], $apart),
        );
    }

    /** However it is made: more pieces never cost less in all, nor fewer kits, moulds or minutes. */
    public function test_more_pieces_never_cost_less_in_all(): void
    {
        mt_srand(5);
        for ($i = 0; $i < 60; $i++) {
            $price = static fn (int $most): string => sprintf('%d.%02d', mt_rand(1, $most), mt_rand(0, 99));
            $casts = mt_rand(1, 40);
            $numbers = [mt_rand(1, 30), mt_rand(31, 90), mt_rand(91, 400)];
            $rows = (new Costing)->ask(Fields::of([
                'currency' => 'EUR', 'casts' => $casts, 'reject_pct' => mt_rand(0, 40),
                'materials' => [
                    [
                        'name' => 'rubber', 'used_g' => mt_rand(10, 5000), 'waste_pct' => mt_rand(0, 20), 'on_hand_g' => mt_rand(0, 3000),
                        'kit' => ['price' => $price(90), 'mass_g' => mt_rand(100, 2000)],
                    ],
                ],
                'moulds' => [['name' => 'mould', 'cost' => $price(200), 'life_casts' => mt_rand(1, 120)]],
                'labour' => [['what' => 'hands', 'min' => mt_rand(0, 900), 'hour_rate' => $price(60)]], 'other' => [],
                'numbers' => $numbers,
            ]))['numbers'] ?? [];
            for ($k = 1; $k < 3; $k++) {
                foreach (['total', 'cash', 'fixed', 'kits', 'moulds', 'min', 'used_g'] as $key) {
                    self::assertGreaterThanOrEqual((float) $rows[$k - 1][$key], (float) $rows[$k][$key], $key);
                }
            }
        }
    }

    /** @param  list<mixed>  $numbers */
    #[\PHPUnit\Framework\Attributes\TestWith([[0]])]
    #[\PHPUnit\Framework\Attributes\TestWith([['ten']])]
    #[\PHPUnit\Framework\Attributes\TestWith([[1, 2, 3, 4, 5, 6, 7, 8, 9]])]
    public function test_numbers_nobody_can_cast_are_refused(array $numbers): void
    {
        $this->expectException(BadInput::class);
        (new Costing)->ask(Fields::of(['currency' => 'EUR', 'casts' => 10, 'materials' => [], 'numbers' => $numbers]));
    }
}
