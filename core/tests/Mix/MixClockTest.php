<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Mix;

use Apalos\Core\Cure\Clock;
use Apalos\Core\Cure\CureModel;
use Apalos\Core\Cure\CureRequest;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Mix\Limit;
use Apalos\Core\Mix\MixPlanner;
use Apalos\Core\Mix\MixRequest;
use Apalos\Core\Mix\MixResult;
use Apalos\Core\Result\Warning;
use Apalos\Core\Tests\Words;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The plan and the clock know one pot life: learnt, in this room, for what stands in one cup. */
final class MixClockTest extends TestCase
{
    private const TIMES = ['pot_life_min' => 40, 'demould_min' => 240, 'ref_c' => 23, 'q10' => 2.0];

    /**
     * @param  array<string, mixed>  $base
     * @param  array<string, mixed>  $more
     */
    private static function mix(array $base = [], array $more = []): MixResult
    {
        return (new MixPlanner)->plan(MixRequest::from(Fields::of([
            'base' => ['ratio' => ['by' => 'weight', 'a' => 100, 'b' => 30], 'sg' => ['a' => 1.5, 'b' => 1.0], ...self::TIMES, ...$base],
            'target' => ['mass_g' => 2000, 'waste_pct' => 0], 'additives' => [], 'scale' => ['division_g' => 0.1], 'room_c' => 23,
            'mix_min' => 4, 'pour_g_per_min' => 100, ...$more,
        ])));
    }

    /** @return list<array{room_c: float, kind: string, minutes: float}> */
    private static function gels(int $times, float $minutes, float $room = 23.0): array
    {
        return array_fill(0, $times, ['room_c' => $room, 'kind' => 'gel', 'minutes' => $minutes]);
    }

    /** @return iterable<string, array{float, float, list<array{room_c: float, kind: string, minutes: float}>}> */
    public static function benches(): iterable
    {
        yield 'a sheet nobody tried' => [0.0, 23.0, []];
        yield 'a cool room' => [0.0, 17.5, []];
        yield 'ten gels at half the time' => [0.0, 23.0, self::gels(10, 20.0)];
        yield 'gels, and another room' => [0.0, 27.0, self::gels(3, 31.0, 25.0)];
        yield 'a base that heats itself' => [0.3, 23.0, []];
        yield 'all of it at once' => [0.3, 19.0, self::gels(6, 55.0, 20.0)];
    }

    /** @param  list<array{room_c: float, kind: string, minutes: float}>  $logs */
    #[DataProvider('benches')]
    public function test_plan_and_clock_know_the_same_minutes(float $alpha, float $room, array $logs): void
    {
        $mix = self::mix(['alpha' => $alpha], ['logs' => $logs, 'room_c' => $room]);
        $cure = (new Clock)->read(CureRequest::from(Fields::of([
            'base' => [...self::TIMES, 'alpha' => $alpha], 'room_c' => $room, 'logs' => $logs,
            'mass_g' => $mix->mass->g / count($mix->batches),
        ])));

        self::assertEqualsWithDelta($cure->bands['pot_life_min']->likely->min, $mix->potLife?->min, 1e-9);
        self::assertEqualsWithDelta($cure->bands['demould_min']->likely->min, $mix->demould?->min, 1e-9);
        self::assertEqualsWithDelta(0.8 * ($mix->potLife->min ?? 0.0) - 4.0, $mix->usable?->min, 1e-9);
    }

    public function test_ten_gels_at_half_the_time_halve_nearly_what_the_plan_promises(): void
    {
        // Prior sd 0.18, ten observations of sd 0.10 at the reference: offset = ln ½ · 1000/(1000 + 1/0.18²).
        self::assertEqualsWithDelta(
            40.0 * exp(log(0.5) * 1000.0 / (1000.0 + 1.0 / 0.0324)), self::mix(more: ['logs' => self::gels(10, 20.0)])->potLife?->min, 1e-9,
        );
    }

    /** With y = √(m/1 g), 0.8 · 40 · √(100/m) − 4 minutes at 100 g/min: y³ + 400 y = 32 000, so y = 27.576 and m = 760.4 g. */
    public function test_the_largest_batch_is_the_one_that_is_just_poured_in_time(): void
    {
        $mix = self::mix(['alpha' => 0.5]);

        self::assertSame([Limit::PotLife, 3], [$mix->limit, count($mix->batches)]);
        self::assertCount(3, self::mix(['alpha' => 0.5], ['target' => ['mass_g' => 3 * 760.4, 'waste_pct' => 0]])->batches);
        self::assertCount(4, self::mix(['alpha' => 0.5], ['target' => ['mass_g' => 3 * 760.5, 'waste_pct' => 0]])->batches);
        self::assertEqualsWithDelta(40.0 * (2000.0 / 300.0) ** -0.5, $mix->potLife?->min, 1e-9, 'and the pot life is that of one batch.');
    }

    public function test_every_batch_is_poured_before_it_is_too_thick(): void
    {
        foreach ([0.05, 0.15, 0.3, 0.6, 1.0] as $alpha) {
            foreach ([300.0, 1000.0, 4000.0] as $grams) {
                $mix = self::mix(['alpha' => $alpha], ['target' => ['mass_g' => $grams, 'waste_pct' => 0]]);
                self::assertLessThanOrEqual(
                    ($mix->usable->min ?? 0.0) + 1e-6, $grams / count($mix->batches) / 100.0, "alpha {$alpha}, {$grams} g",
                );
            }
        }
    }

    public function test_a_large_mass_that_heats_itself_is_warned_of_in_the_plan(): void
    {
        $codes = static fn (MixResult $mix): array => array_map(static fn (Warning $w): string => $w->code, $mix->warnings);

        self::assertContains('exotherm', $codes(self::mix(['alpha' => 0.2], ['target' => ['mass_g' => 900, 'waste_pct' => 0]])));
        self::assertNotContains('exotherm', $codes(self::mix(['alpha' => 0.2], ['target' => ['mass_g' => 400, 'waste_pct' => 0]])));
        self::assertNotContains('exotherm', $codes(self::mix()), 'Silicone does not.');
        self::assertContains('far_from_sheet', $codes(self::mix(more: ['logs' => self::gels(10, 20.0)])));
    }

    public function test_what_is_too_fast_for_any_cup_says_what_would_help(): void
    {
        try {
            self::mix(['pot_life_min' => 5, 'alpha' => 0.1], ['target' => ['mass_g' => 3000, 'waste_pct' => 0]]);
            self::fail('Nobody pours this.');
        } catch (BadInput $wrong) {
            self::assertSame('room_c', $wrong->field);
            self::assertStringContainsString('smaller pour', Words::of($wrong));
        }
    }

    public function test_a_room_can_be_found_for_a_time(): void
    {
        $model = CureModel::learnt(CureRequest::from(Fields::of(['base' => self::TIMES, 'room_c' => 23]))->sheet, []);
        $room = $model->roomFor(\Apalos\Core\Cure\Milestone::PotLife, \Apalos\Core\Units\Minutes::of(80), null);

        self::assertEqualsWithDelta(13.0, $room, 1e-9, 'Twice as long in a room ten degrees cooler.');
    }
}
