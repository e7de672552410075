<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Harden;

use Apalos\Core\Harden\PuckReading;
use Apalos\Core\Harden\SofteningEffectsResult;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Material\BaseSheet;
use Apalos\Core\Material\Softening;
use Apalos\Core\Units\ShoreScale;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Yaml\Yaml;

final class PuckReadingTest extends TestCase
{
    /** @return iterable<string, array{list<float>, float, float}> readings, median, spread */
    public static function pucks(): iterable
    {
        yield 'one' => [[27.0], 27.0, 0.0];
        yield 'three, one of them near the rim' => [[27.0, 26.5, 33.0], 27.0, 6.5];
        yield 'four' => [[14.0, 12.0, 13.0, 15.0], 13.5, 3.0];
    }

    /** @param  list<float>  $readings */
    #[DataProvider('pucks')]
    public function test_the_median_counts_and_the_spread_tells_how_well_it_was_read(array $readings, float $median, float $spread): void
    {
        $puck = PuckReading::of(ShoreScale::DoubleO, $readings);

        self::assertSame([$median, $spread], [$puck->median()->reading, $puck->spread()]);
    }

    /** @return iterable<string, array{ShoreScale, list<float>, float|null, float|null, list<string>}> */
    public static function questions(): iterable
    {
        yield 'nothing to mind' => [ShoreScale::DoubleO, [27.0, 28.0, 26.0], 8.0, 3000.0, []];
        yield 'far apart' => [ShoreScale::DoubleO, [20.0, 27.0, 28.0], 8.0, 3000.0, ['spread']];
        yield 'one only' => [ShoreScale::DoubleO, [27.0], 8.0, 3000.0, ['few']];
        yield 'through to the table' => [ShoreScale::DoubleO, [27.0, 28.0, 26.0], 3.0, 3000.0, ['thin_puck']];
        yield 'fresh from the mould' => [ShoreScale::DoubleO, [27.0, 28.0, 26.0], 8.0, 40.0, ['early']];
        yield 'too soft for A' => [ShoreScale::A, [4.0, 4.0, 5.0], null, null, ['wrong_scale']];
        yield 'too hard for 00' => [ShoreScale::DoubleO, [81.0, 82.0, 81.0], null, null, ['wrong_scale']];
        yield 'all at once' => [ShoreScale::A, [2.0, 9.0], 2.0, 5.0, ['wrong_scale', 'spread', 'few', 'thin_puck', 'early']];
    }

    /**
     * @param  list<float>  $readings
     * @param  list<string>  $codes
     */
    #[DataProvider('questions')]
    public function test_a_doubtful_reading_is_questioned(
        ShoreScale $scale,
        array $readings,
        ?float $mm,
        ?float $afterMin,
        array $codes,
    ): void {
        self::assertSame(
            $codes, array_map(static fn ($w): string => $w->code, PuckReading::of($scale, $readings)->questions($mm, $afterMin)),
        );
    }

    public function test_what_is_no_reading_is_refused_at_its_place(): void
    {
        foreach ([[[], 'readings'], [[20.0, 104.0], 'readings.1'], [[-1.0], 'readings.0'], [[NAN], 'readings.0']] as [$readings, $field]) {
            try {
                PuckReading::of(ShoreScale::A, $readings);
                self::fail("{$field} passed.");
            } catch (BadInput $wrong) {
                self::assertSame($field, $wrong->field);
            }
        }
    }

    private static function cost(float $pct, ?float $thinnest = null): SofteningEffectsResult
    {
        $base = BaseSheet::of(Yaml::parseFile(__DIR__.'/../../../library/materials/pr-10.yaml'));

        return SofteningEffectsResult::of(
            $base, new Softening(2.7, 1.9, 0.35, 0.22, 70.0), 100.0, $pct, $thinnest, $base->times['pot_life_min'] ?? null,
        );
    }

    public function test_without_softener_the_sheet_stands(): void
    {
        $plain = self::cost(0.0, 0.5);

        self::assertSame(
            [16.0, 1000.0, 22.0, 'none', 8.0],
            [$plain->tearNPerMm, $plain->elongationPct, $plain->potLifeMin, $plain->bleed, $plain->edgeN],
        );
        self::assertSame([], $plain->warnings);
    }

    public function test_every_gram_costs_strength_and_stretch_and_gives_a_little_time(): void
    {
        $at60 = self::cost(60.0);

        // 16·e^−1.14, 1000·e^−0.21, 22·e^0.132
        self::assertEqualsWithDelta([5.117, 810.6, 25.10], [$at60->tearNPerMm, $at60->elongationPct, $at60->potLifeMin], 0.05);
        for ($pct = 10.0; $pct <= 120.0; $pct += 10.0) {
            self::assertLessThan(self::cost($pct - 10.0)->tearNPerMm, self::cost($pct)->tearNPerMm);
            self::assertGreaterThan(self::cost($pct - 10.0)->potLifeMin, self::cost($pct)->potLifeMin);
        }
    }

    /** @return iterable<string, array{float, float|null, list<string>}> */
    public static function loads(): iterable
    {
        yield 'a fair load, edges unknown' => [60.0, null, []];
        yield 'the same with a paper edge' => [60.0, 0.4, ['thin_and_soft']];
        yield 'the same with a stout edge' => [60.0, 2.0, []];
        yield 'a thin edge of hardly softened rubber' => [20.0, 0.3, []];
        yield 'it begins to sweat' => [75.0, 3.0, ['bleed']];
        yield 'past the sheet, and thin' => [130.0, 0.5, ['bleed', 'thin_and_soft']];
    }

    /** @param  list<string>  $codes */
    #[DataProvider('loads')]
    public function test_high_load_and_thin_edge_are_warned_of_together(float $pct, ?float $mm, array $codes): void
    {
        self::assertSame($codes, array_map(static fn ($w): string => $w->code, self::cost($pct, $mm)->warnings));
    }
}
