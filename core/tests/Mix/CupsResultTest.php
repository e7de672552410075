<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Mix;

use Apalos\Core\Input\Fields;
use Apalos\Core\Mix\MixPlanner;
use Apalos\Core\Mix\MixRequest;
use Apalos\Core\Mix\MixResult;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class CupsResultTest extends TestCase
{
    /** @param  array<string, mixed>  $more */
    private function mix(float $massG, float $cupMl, array $more = [], float $potMin = 38.0): MixResult
    {
        return (new MixPlanner)->plan(MixRequest::from(Fields::of([
            'base' => [
                'ratio' => ['by' => 'weight', 'a' => 1, 'b' => 1], 'sg' => ['a' => 1.0, 'b' => 1.0], 'sg_mixed' => null,
                'pot_life_min' => $potMin, 'demould_min' => 240, 'recoat_open_min' => 40, 'recoat_close_min' => 90, 'ref_c' => 23,
                'q10' => 2, 'pour_first' => 'b', 'measured_by_volume_ok' => false,
            ],
            'target' => ['mass_g' => $massG, 'waste_pct' => 0],
            'additives' => [['name' => 'fawn', 'amount' => 1, 'basis' => 'pct_of_total', 'into' => 'b', 'sg' => 1.0]],
            'scale' => ['division_g' => 0.1, 'capacity_g' => 20000],
            'vessel' => ['capacity_ml' => $cupMl, 'tare_g' => 40, 'degas' => false, 'rise_factor' => 1],
            'room_c' => 23, 'mix_min' => 3, 'degas_min' => 0, 'pour_g_per_min' => 150, ...$more,
        ])));
    }

    /** @return list<string> */
    private function codes(MixResult $mix): array
    {
        return array_map(static fn ($warning): string => $warning->code, $mix->warnings);
    }

    public function test_one_cup_has_nothing_to_say_of_cups(): void
    {
        self::assertNull($this->mix(400, 1000)->cups);
    }

    public function test_nine_cups_within_a_pot_life_of_38_minutes_are_not_planned_without_a_word(): void
    {
        // 400 g a cup: 3 min to mix, 2 min 40 to pour, one after the other 51 minutes.
        $mix = $this->mix(3600, 500);
        $cups = $mix->cups;

        self::assertNotNull($cups);
        self::assertSame([9, 2, 'wet', ['B', 'fawn']], [$cups->count, $cups->hands, $cups->joins->value, $cups->ahead]);
        self::assertEqualsWithDelta(3.0 + 400 / 150 + 8 * 3.0, $cups->total->min, 1e-9);
        self::assertEqualsWithDelta(4500.0, $cups->allIn->ml, 1e-6);
        self::assertEqualsWithDelta((3.0 + 24.0) / 0.8, $cups->slower->min, 1e-9);
        self::assertContains('cups_in_time', $this->codes($mix));
    }

    public function test_two_cups_that_are_in_before_the_first_thickens_need_no_word(): void
    {
        $mix = $this->mix(700, 500);

        self::assertSame([1, 'wet'], [$mix->cups?->hands, $mix->cups?->joins->value]);
        self::assertNotContains('cups_in_time', $this->codes($mix));
    }

    public function test_a_fast_base_sets_between_its_cups(): void
    {
        $mix = $this->mix(1600, 250, [
            'base' => [
                'ratio' => ['by' => 'weight', 'a' => 1, 'b' => 1], 'sg' => ['a' => 1.0, 'b' => 1.0], 'sg_mixed' => null,
                'pot_life_min' => 5, 'demould_min' => 15, 'ref_c' => 23, 'q10' => 2, 'pour_first' => 'a', 'measured_by_volume_ok' => true,
            ],
        ]);

        self::assertSame([null, 'set', []], [$mix->cups?->hands, $mix->cups?->joins->value, array_diff($mix->cups->ahead ?? [], ['A'])]);
        $warning = array_values(array_filter($mix->warnings, static fn ($one): bool => $one->code === 'cups_in_time'))[0];
        self::assertSame('mix.cups_set_between', $warning->message->code);
    }

    public function test_between_gel_and_the_end_of_the_window_a_cup_bonds_as_a_coat_does(): void
    {
        $mix = $this->mix(1600, 1000, ['mix_min' => 15, 'pour_g_per_min' => 40], potMin: 26.0);

        self::assertSame('tacky', $mix->cups?->joins->value);
        self::assertContains('cups_in_time', $this->codes($mix));
    }

    /** @return iterable<string, array{int, float, float}> */
    public static function benches(): iterable
    {
        foreach ([2, 5, 9] as $count) {
            foreach ([1.0, 3.0] as $mixing) {
                foreach ([0.0, 2.0, 5.0] as $air) {
                    yield "{$count} cups, {$mixing} to mix, {$air} in the chamber" => [$count, $mixing, $air];
                }
            }
        }
    }

    /** By another route: a bench walked through half minute by half minute. */
    #[DataProvider('benches')]
    public function test_the_minutes_are_those_of_a_bench_that_is_walked_through(int $count, float $mixing, float $air): void
    {
        foreach ([1, 2] as $hands) {
            $walked = $this->walked($count, $mixing, $air, 2.0, $hands);
            $result = $this->mix(300.0 * $count, $air > 0.0 ? 300.0 : 375.0, [
                'mix_min' => $mixing, 'degas_min' => $air, 'pour_g_per_min' => 150,
                'vessel' => ['capacity_ml' => $air > 0.0 ? 300.0 : 375.0, 'tare_g' => 40, 'degas' => $air > 0.0, 'rise_factor' => 1],
            ], ($walked + 0.001) / 0.8);

            self::assertCount($count, $result->batches);
            self::assertLessThanOrEqual($hands, $result->cups?->hands ?? INF);
            self::assertEqualsWithDelta(
                $this->walked($count, $mixing, $air, 2.0, $result->cups->hands ?? 0), $result->cups?->total->min, 1e-6,
            );
        }
    }

    private function walked(int $count, float $mixing, float $air, float $pouring, int $hands): float
    {
        [$unmixed, $mixed, $aired, $busy, $chamber, $done, $poured] = [$count, 0, 0, [], null, 0.0, false];
        for ($t = 0.0; $t < 1000.0; $t += 0.5) {
            foreach ($busy as $i => [$until, $what]) {
                if ($until <= $t) {
                    unset($busy[$i]);
                    $what === 'mixing' && ($air > 0.0 ? $mixed++ : $aired++);
                    $done = $what === 'pouring' ? $t : $done;
                }
            }
            if ($chamber !== null && $chamber <= $t) {
                [$chamber, $aired] = [null, $aired + 1];
            }
            if ($mixed > 0 && $chamber === null) {
                [$chamber, $mixed] = [$t + $air, $mixed - 1];
            }
            $does = static fn (string $what): bool => in_array($what, array_column($busy, 1), true);
            // One pair of hands that has poured mixes the next before it pours again, where the chamber is free for it.
            $mixFirst = $hands === 1 && $air >= $mixing && $poured && $unmixed > 0 && $mixed === 0 && $chamber === null;
            if ($aired > 0 && count($busy) < $hands && ! $does('pouring') && ! $mixFirst) {
                [$aired, $busy[], $poured] = [$aired - 1, [$t + $pouring, 'pouring'], true];
            }
            $nothingElse = $mixed === 0 && $busy === [] && ($mixFirst || ($aired === 0 && ($chamber === null || $chamber - $t >= $mixing)));
            if ($unmixed > 0 && count($busy) < $hands && ($hands > 1 ? $mixed === 0 && ! $does('mixing') : $nothingElse)) {
                [$unmixed, $busy[], $poured] = [$unmixed - 1, [$t + $mixing, 'mixing'], false];
            }
        }

        return $done;
    }
}
