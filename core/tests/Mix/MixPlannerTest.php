<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Mix;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Mix\Limit;
use Apalos\Core\Mix\Line;
use Apalos\Core\Mix\MixResult;
use Apalos\Core\Tests\Words;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestDox;
use PHPUnit\Framework\TestCase;

final class MixPlannerTest extends TestCase
{
    #[TestDox('the worked example comes out to its printed digits')]
    public function test_the_worked_example(): void
    {
        $brow = Brow::planned();

        self::assertEqualsWithDelta(710.9, $brow->mass->g, 0.05);
        self::assertEqualsWithDelta(688.0, $brow->volume->ml, 0.05);
        self::assertEqualsWithDelta(1.0333, $brow->density->gPerMl, 0.00005);
        foreach (['A' => 219.08, 'B' => 219.08, 'softener' => 262.90, 'fawn' => 8.53, 'red flock' => 1.31] as $name => $grams) {
            self::assertEqualsWithDelta($grams, $brow->parts[$name]->g, 0.005, $name);
        }
        self::assertEqualsWithDelta(31.1, $brow->potLife?->min, 0.05);
        self::assertEqualsWithDelta(16.9, $brow->usable?->min, 0.05);
        self::assertSame(Limit::Vessel, $brow->limit);
        self::assertCount(2, $brow->batches);
        self::assertStringContainsString('516.6 g, set by the cup', implode(' ', array_map(Words::of(...), $brow->working)));
    }

    #[TestDox('B goes in first with what belongs to it, then A, then the softener, and the display adds up')]
    public function test_the_order_of_weighing(): void
    {
        $lines = array_map(
            static fn (Line $line): array => [$line->add, $line->grams->g, $line->running->g], Brow::planned()->batches[0]->lines,
        );

        self::assertSame(
            [['B', 109.5, 109.5], ['fawn', 4.3, 113.8], ['red flock', 0.7, 114.5], ['A', 109.5, 224.0], ['softener', 131.4, 355.4]], $lines,
        );
    }

    public function test_a_base_that_is_poured_a_first_turns_the_order_round(): void
    {
        $names = array_map(static fn (Line $line): string => $line->add, Brow::planned(['base.pour_first' => 'a'])->batches[0]->lines);

        self::assertSame(['A', 'B', 'fawn', 'red flock', 'softener'], $names);
    }

    /** @return iterable<string, array{array<string, mixed>, array<string, float>}> masses found by iterating instead of solving */
    public static function bases(): iterable
    {
        $plain = ['additives' => [], 'vessel' => null, 'pour_g_per_min' => null, 'room_c' => 23, 'target.waste_pct' => 0];
        yield 'tin rubber, 10:1 by weight' => [
            [
                ...$plain, 'base.ratio' => ['by' => 'weight', 'a' => 10, 'b' => 1], 'base.sg' => ['a' => 1.18, 'b' => 0.98],
                'target' => ['volume_ml' => 400, 'waste_pct' => 0],
            ],
            ['mass' => 463.4026, 'A' => 421.2750, 'B' => 42.1275],
        ];
        yield 'fast resin, 1:1 by volume, mixed density given' => [
            [
                ...$plain, 'base.ratio' => ['by' => 'volume', 'a' => 1, 'b' => 1], 'base.sg' => ['a' => 1.05, 'b' => 1.02],
                'base.sg_mixed' => 1.04, 'target' => ['volume_ml' => 250, 'waste_pct' => 10],
            ],
            ['mass' => 286.0, 'A' => 145.0725, 'B' => 140.9275],
        ];
        yield 'brushable resin, 100:40 by weight' => [
            [
                ...$plain, 'base.ratio' => ['by' => 'weight', 'a' => 100, 'b' => 40], 'base.sg' => ['a' => 1.56, 'b' => 1.01],
                'target' => ['mass_g' => 300, 'waste_pct' => 0],
            ],
            ['volume' => 222.2283, 'A' => 214.2857, 'B' => 85.7143],
        ];
        yield 'percentages of one part' => [[
            ...$plain, 'base.sg' => ['a' => 1.05, 'b' => 1.06], 'target' => ['mass_g' => 500, 'waste_pct' => 0], 'additives' => [
                ['name' => 'softener', 'amount' => 40, 'basis' => 'pct_of_a', 'into' => 'after', 'sg' => 0.97],
                ['name' => 'bone', 'amount' => 2, 'basis' => 'pct_of_b', 'into' => 'b', 'sg' => 1.3],
            ]], ['volume' => 480.0688, 'A' => 206.6116, 'B' => 206.6116]];
        yield 'hot vinyl, one part' => [[
            ...$plain, 'base.ratio' => ['by' => 'weight', 'a' => 1, 'b' => 0], 'base.sg' => ['a' => 1.02, 'b' => null],
            'target' => ['volume_ml' => 60, 'waste_pct' => 0], 'additives' => [
                ['name' => 'vinyl softener', 'amount' => 8, 'basis' => 'pct_of_a', 'into' => 'a', 'sg' => 0.98],
                ['name' => 'lichen', 'amount' => 1.4, 'basis' => 'pct_of_total', 'into' => 'a', 'sg' => 1.35],
            ]], ['mass' => 61.2270, 'A' => 55.8980]];
        yield '2:1 by volume, parts of unlike density' => [
            [
                ...$plain, 'base.ratio' => ['by' => 'volume', 'a' => 2, 'b' => 1], 'base.sg' => ['a' => 1.10, 'b' => 0.90],
                'target' => ['mass_g' => 100, 'waste_pct' => 0],
            ],
            ['volume' => 96.7742, 'A' => 70.9677, 'B' => 29.0323],
        ];
    }

    /**
     * @param  array<string, mixed>  $changes
     * @param  array<string, float>  $expected
     */
    #[DataProvider('bases')]
    public function test_masses_and_volumes_of_every_kind_of_base(array $changes, array $expected): void
    {
        $mix = Brow::planned($changes);
        $found = ['mass' => $mix->mass->g, 'volume' => $mix->volume->ml] + array_map(static fn ($grams): float => $grams->g, $mix->parts);

        foreach ($expected as $what => $value) {
            self::assertEqualsWithDelta($value, $found[$what], 0.0002, $what);
        }
    }

    public function test_drops_are_counted_on_a_hundred_grams_of_both_parts(): void
    {
        $mix = Brow::planned([
            'target' => ['mass_g' => 200, 'waste_pct' => 0],
            'additives' => [
                ['name' => 'accelerator', 'amount' => 10, 'basis' => 'drops_per_100g', 'into' => 'a', 'sg' => 0.98, 'drop_g' => 0.03],
            ],
        ]);

        // 10 drops of 0.03 g on 100 g: 0.3 % of A+B.
        self::assertEqualsWithDelta(200.0 / 1.003 * 0.003, $mix->parts['accelerator']->g, 1e-9);
    }

    /** @return iterable<string, array{array<string, mixed>, ?Limit, int}> */
    public static function limits(): iterable
    {
        yield 'a stirred cup may be four fifths full' => [
            ['vessel' => ['capacity_ml' => 900, 'tare_g' => 20, 'degas' => false]], Limit::Vessel, 1,
        ];
        yield 'the scale carries the cup too' => [['scale.capacity_g' => 300, 'vessel.tare_g' => 45], Limit::Scale, 3];
        yield 'a slow pourer is limited by the pot life' => [['pour_g_per_min' => 12], Limit::PotLife, 4];
        yield 'no cup, no end of scale, no hurry' => [['vessel' => null, 'scale.capacity_g' => null, 'pour_g_per_min' => null], null, 1];
    }

    /** @param  array<string, mixed>  $changes */
    #[DataProvider('limits')]
    public function test_what_limits_a_batch(array $changes, ?Limit $limit, int $batches): void
    {
        $mix = Brow::planned($changes);

        self::assertSame($limit, $mix->limit);
        self::assertCount($batches, $mix->batches);
    }

    public function test_a_pour_that_fills_the_limit_exactly_stays_one_batch(): void
    {
        $fits = Brow::planned(['additives' => [], 'target' => ['volume_ml' => 500, 'waste_pct' => 0]]);

        self::assertSame(Limit::Vessel, $fits->limit);
        self::assertCount(1, $fits->batches);
    }

    #[TestDox('the smallest safe batch is where the scale alone moves the ratio by one per cent')]
    public function test_the_smallest_safe_batch(): void
    {
        self::assertEqualsWithDelta(20.0, Brow::planned()->smallestBatch->g, 1e-9);
        $tin = Brow::planned([
            'base.ratio' => ['by' => 'weight', 'a' => 10, 'b' => 1], 'scale.division_g' => 1.0, 'additives' => [],
            'target' => ['mass_g' => 605, 'waste_pct' => 0], 'vessel.capacity_ml' => 5000,
        ]);
        // 0.5/550 + 0.5/55 is one per cent: that is 605 g of A+B.
        self::assertEqualsWithDelta(605.0, $tin->smallestBatch->g, 1e-9);
        self::assertEqualsWithDelta(1.0, $tin->ratioErrorPct, 1e-9);
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> */
    public static function warnings(): iterable
    {
        yield 'a cold room' => [['room_c' => 4], 'cold_room', '4 °C'];
        yield 'a hot room' => [['room_c' => 34, 'degas_min' => 0], 'hot_room', '34 °C'];
        yield 'too little for the scale' => [
            ['target' => ['mass_g' => 12, 'waste_pct' => 0], 'additives' => []], 'batch_below_scale', '12 g of A+B',
        ];
        yield 'a pinch of pigment the scale cannot show' => [[], 'batch_below_scale', 'Red flock'];
        yield 'softener past the limit of the sheet' => [['additives.0.amount' => 130], 'over_max', '130 % of A+B'];
        yield 'a ratio by volume on a sheet that forbids it' => [['base.ratio.by' => 'volume'], 'by_volume_unsafe', 'Weigh'];
        yield 'equal marks on a cup, unequal densities' => [
            ['base.measured_by_volume_ok' => true, 'base.sg' => ['a' => 1.5, 'b' => 1.0]], 'by_volume_unsafe', '50 %',
        ];
        yield 'no room to rise under vacuum' => [['vessel.rise_factor' => 1.5], 'vessel_headroom', '1.5 times'];
        yield 'pot life that makes many batches' => [['pour_g_per_min' => 12], 'pot_life_short', '4 cups'];
        yield 'a minute or two to pour' => [
            ['room_c' => 27, 'degas_min' => 7.5, 'vessel.capacity_ml' => 300], 'pot_life_short', 'remain to pour',
        ];
    }

    /** @param  array<string, mixed>  $changes */
    #[DataProvider('warnings')]
    public function test_warnings_carry_the_number(array $changes, string $code, string $says): void
    {
        $said = array_values(
            array_filter(
                Brow::planned($changes)->warnings,
                static fn ($warning): bool => $warning->code === $code && str_contains(Words::of($warning->message), $says),
            ),
        );

        self::assertNotEmpty($said, "Nobody said “{$says}” under {$code}.");
    }

    public function test_a_plain_pour_on_a_mild_day_warns_of_nothing(): void
    {
        self::assertSame([], Brow::planned(['additives' => [], 'room_c' => 21])->warnings);
    }

    public function test_volumes_are_given_only_where_the_sheet_allows_measuring_them(): void
    {
        self::assertNull(Brow::planned()->byVolume);
        $byVolume = Brow::planned(['base.measured_by_volume_ok' => true, 'base.ratio.by' => 'volume'])->byVolume;
        self::assertNotNull($byVolume);
        self::assertEqualsWithDelta($byVolume['a_ml'], $byVolume['b_ml'], 1e-9);
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> */
    public static function nonsense(): iterable
    {
        yield 'nothing wanted' => [['target' => ['volume_ml' => 0, 'waste_pct' => 0]], 'target.volume_ml', 'more than 0'];
        yield 'volume and mass at once' => [['target.mass_g' => 100], 'target.volume_ml', 'one of the two'];
        yield 'less than the scale can show' => [
            ['target' => ['mass_g' => 0.05, 'waste_pct' => 0]], 'target', 'less than one step of the scale, 0.1 g',
        ];
        yield 'a negative waste' => [['target.waste_pct' => -1], 'target.waste_pct', '0 or more'];
        yield 'a decimal comma' => [['target.volume_ml' => '640,5'], 'target.volume_ml', '640.5'];
        yield 'a word for a number' => [['room_c' => 'warm'], 'room_c', '“warm”'];
        yield 'more than a workshop can hold' => [['target.volume_ml' => 9e9], 'target.volume_ml', 'Check the unit'];
        yield 'a by-volume ratio without densities' => [
            ['base.ratio.by' => 'volume', 'base.sg' => ['a' => null, 'b' => null]], 'base.sg', 'density',
        ];
        yield 'no density at all' => [['base.sg' => null], 'base.sg', 'density'];
        yield 'no part A' => [['base.ratio.a' => 0], 'base.ratio.a', 'more than 0'];
        yield 'an unknown basis' => [['additives.0.basis' => 'pct_of_everything'], 'additives.0.basis', 'pct_of_ab'];
        yield 'drops without the weight of a drop' => [['additives.0.basis' => 'drops_per_100g'], 'additives.0.drop_g', 'one drop'];
        yield 'two of one name' => [['additives.1.name' => 'Softener'], 'additives.1.name', 'name of its own'];
        yield 'a percentage of everything that leaves no rubber' => [
            ['additives.0.basis' => 'pct_of_total', 'additives.0.amount' => 99], 'additives', 'no rubber',
        ];
        yield 'a field nobody knows' => [['colour' => 'pink'], 'colour', 'no field'];
        yield 'a cup too heavy for the scale' => [['vessel.tare_g' => 2500], 'vessel.tare_g', 'lighter cup'];
        yield 'an egg-cup for a bathtub' => [['target.volume_ml' => 90000, 'vessel.capacity_ml' => 60], 'vessel.capacity_ml', 'cups'];
        yield 'a room that is no room' => [['room_c' => 75], 'room_c', '60 at most'];
        yield 'the missing room' => [['room_c' => null], 'room_c', 'missing'];
    }

    /** @param  array<string, mixed>  $changes */
    #[DataProvider('nonsense')]
    public function test_nonsense_is_refused_at_its_field_with_a_sentence(array $changes, string $field, string $says): void
    {
        try {
            Brow::planned($changes);
            self::fail('This should have been refused.');
        } catch (BadInput $wrong) {
            self::assertSame($field, $wrong->field);
            self::assertStringContainsString($says, Words::of($wrong));
        }
    }

    #[TestDox('at 38 °C nothing is left to pour, and the sentence says from which temperature on it works')]
    public function test_no_usable_minutes(): void
    {
        try {
            Brow::planned(['room_c' => 38]);
            self::fail('There is no time to pour at 38 °C.');
        } catch (BadInput $wrong) {
            self::assertSame('room_c', $wrong->field);
            // 0.8 · 22 · 2^((23 − T)/10) = 8 at T = 34.4.
            self::assertStringContainsString('below 34.4 °C', Words::of($wrong));
            self::assertStringContainsString('leaving out the vacuum', Words::of($wrong));
        }
        self::assertInstanceOf(MixResult::class, Brow::planned(['room_c' => 34.3, 'target.volume_ml' => 5]));
    }
}
