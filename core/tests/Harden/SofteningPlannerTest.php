<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Harden;

use Apalos\Core\Harden\HardenRequest;
use Apalos\Core\Harden\HardenResult;
use Apalos\Core\Harden\SofteningPlanner;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Units\Shore;
use Apalos\Core\Units\ShoreScale;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class SofteningPlannerTest extends TestCase
{
    private const PUCKS = [[0, 12, 'A'], [30, 43, '00'], [60, 27, '00'], [90, 14, '00']];

    /**
     * @param  list<array{int|float, int|float, string}>  $pucks
     * @param  array<string, mixed>  $more
     */
    private static function ask(array $pucks = self::PUCKS, array $more = []): HardenResult
    {
        return (new SofteningPlanner)->answer(HardenRequest::from(Fields::of([...[
            'base' => ['shore' => 10, 'scale' => 'A', 'k' => 2.7, 'max_pct' => 100],
            'swatches' => array_map(static fn (array $p): array => ['pct_of_ab' => $p[0], 'reading' => $p[1], 'scale' => $p[2]], $pucks),
            'target' => null, 'at_pct_of_ab' => [45],
        ], ...$more])));
    }

    public function test_the_worked_example_to_its_printed_digits(): void
    {
        $answer = self::ask(more: ['target' => ['reading' => 20, 'scale' => '00']]);

        self::assertSame([-0.8683, 2.3831], [round($answer->c, 4), round($answer->k, 4)]);
        $point = $answer->curve[0];
        self::assertSame(
            ['00', 37.5, 34.0, 41.0],
            [$point->shore->scale->value, round($point->shore->reading, 1), round($point->low, 1), round($point->high, 1)],
        );
        self::assertSame([75.1, 150.2], [round($answer->forTarget->pctOfAB ?? 0.0, 1), round($answer->forTarget->pctOfOnePart ?? 0.0, 1)]);
        self::assertSame(4, $answer->restsOn);
    }

    /** @return iterable<string, array{string, float, float}> modulus in MPa, worked out by hand from the two formulas */
    public static function readings(): iterable
    {
        yield 'A 10' => ['A', 10.0, 0.0981 * 132.2336 / (0.137505 * 228.6)];
        yield 'A 50' => ['A', 50.0, 0.0981 * 437.168 / (0.137505 * 127.0)];
        yield '00-30' => ['00', 30.0, 0.5625 * 0.4754 / (1.0908712114635714 * 1.75 ** 1.5)];
        yield '00-0' => ['00', 0.0, 0.5625 * 0.203 / (1.0908712114635714 * 2.5 ** 1.5)];
    }

    #[DataProvider('readings')]
    public function test_a_reading_stands_for_a_modulus(string $scale, float $reading, float $mpa): void
    {
        self::assertEqualsWithDelta($mpa, Shore::of(ShoreScale::from($scale), $reading)->modulus(), 1e-12);
    }

    public function test_reading_and_modulus_go_both_ways_on_either_scale(): void
    {
        foreach (ShoreScale::cases() as $scale) {
            for ($reading = 1.0; $reading < 95.0; $reading += 3.7) {
                self::assertEqualsWithDelta($reading, Shore::ofModulusOn($scale, Shore::of($scale, $reading)->modulus())->reading, 1e-6);
            }
        }
    }

    public function test_an_a_base_runs_down_into_the_00_scale_without_a_seam(): void
    {
        $curve = self::ask(more: ['at_pct_of_ab' => range(0, 60, 0.5)])->curve;
        foreach ($curve as $i => $point) {
            $before = $curve[$i - 1] ?? $point;
            self::assertLessThanOrEqual($before->shore->modulus() + 1e-9, $point->shore->modulus());
            self::assertTrue($point->shore->scale === ShoreScale::DoubleO || $point->shore->reading >= 10.0);
            self::assertGreaterThanOrEqual($point->low, $point->shore->reading);
            self::assertLessThanOrEqual($point->high, $point->shore->reading);
        }
    }

    public function test_without_pucks_the_sheet_speaks_and_the_band_is_wide(): void
    {
        $sheet = self::ask([]);
        $known = self::ask();

        self::assertEqualsWithDelta(log(Shore::of(ShoreScale::A, 10.0)->modulus()), $sheet->c, 1e-12);
        self::assertSame([2.7, 0], [$sheet->k, $sheet->restsOn]);
        self::assertGreaterThan($known->curve[0]->high - $known->curve[0]->low, $sheet->curve[0]->high - $sheet->curve[0]->low);
    }

    public function test_the_softener_for_a_target_gives_that_target_back(): void
    {
        $answer = self::ask(more: ['target' => ['reading' => 33, 'scale' => '00']]);
        $pct = $answer->forTarget->pctOfAB ?? 0.0;

        self::assertEqualsWithDelta(33.0, self::ask(more: ['at_pct_of_ab' => [$pct]])->curve[0]->shore->reading, 1e-6);
        self::assertTrue($answer->forTarget->low < $pct && $pct < $answer->forTarget->high);
    }

    public function test_of_one_part_depends_on_the_ratio(): void
    {
        $base = ['shore' => 25, 'scale' => 'A', 'max_pct' => 50, 'ratio' => ['by' => 'weight', 'a' => 10, 'b' => 1]];
        $answer = self::ask([], ['base' => $base, 'target' => ['reading' => 15, 'scale' => 'A']])->forTarget;

        self::assertNotNull($answer);
        self::assertEqualsWithDelta($answer->pctOfAB * 1.1, $answer->pctOfOnePart, 1e-9);
    }

    /** @return iterable<string, array{list<array{int, int, string}>, array<string, mixed>, string}> */
    public static function warnings(): iterable
    {
        yield 'a puck that lies far off' => [[[0, 12, 'A'], [30, 43, '00'], [60, 60, '00'], [90, 14, '00']], [], 'outlier'];
        yield 'all pucks at one percentage' => [[[30, 43, '00'], [31, 42, '00']], [], 'one_percentage'];
        yield 'past the softest puck' => [[[0, 12, 'A'], [30, 43, '00']], [], 'beyond_swatches'];
        yield 'past the sheet' => [self::PUCKS, ['target' => ['reading' => 5, 'scale' => '00']], 'over_max'];
        yield 'weak from here' => [self::PUCKS, ['target' => ['reading' => 20, 'scale' => '00']], 'weak'];
        yield 'harder than the base' => [self::PUCKS, ['target' => ['reading' => 40, 'scale' => 'A']], 'harder_than_base'];
        yield 'too soft for A' => [[[60, 4, 'A']], [], 'wrong_scale'];
        yield 'too hard for 00' => [[[0, 82, '00']], [], 'wrong_scale'];
    }

    /**
     * @param  list<array{int, int, string}>  $pucks
     * @param  array<string, mixed>  $more
     */
    #[DataProvider('warnings')]
    public function test_what_a_maker_is_told(array $pucks, array $more, string $code): void
    {
        self::assertContains($code, array_map(static fn ($w): string => $w->code, self::ask($pucks, $more)->warnings));
    }

    public function test_a_puck_typed_on_the_wrong_scale_is_named_and_the_good_ones_are_not(): void
    {
        foreach ([1, 2, 3] as $wrong) {
            $pucks = self::PUCKS;
            $pucks[$wrong][2] = 'A';
            $answer = self::ask($pucks);

            self::assertSame([$wrong], array_keys(array_filter($answer->pucks, static fn ($p): bool => $p->isOutlier)));
            self::assertGreaterThan(3.0, $answer->pucks[$wrong]->offSd);
        }
    }

    public function test_honest_scatter_is_nobodys_fault(): void
    {
        foreach ([self::PUCKS, [[0, 10, 'A'], [30, 40, '00'], [60, 30, '00'], [90, 13, '00']], []] as $pucks) {
            self::assertSame([], array_filter(self::ask($pucks)->pucks, static fn ($p): bool => $p->isOutlier));
        }
    }

    public function test_two_bad_pucks_among_six_are_both_found(): void
    {
        $answer = self::ask([...self::PUCKS, [45, 10, '00'], [75, 55, '00']]);

        self::assertSame([false, false, false, false, true, true], array_map(static fn ($p): bool => $p->isOutlier, $answer->pucks));
        self::assertTrue($answer->pucks[4]->offSd < 0.0 && $answer->pucks[5]->offSd > 0.0);
    }

    public function test_nonsense_is_refused_at_its_field(): void
    {
        foreach ([
            [[[0, 100, 'A']], [], 'swatches.0.reading'], [[[0, -1, 'A']], [], 'swatches.0.reading'],
            [[[0, 12, 'D']], [], 'swatches.0.scale'], [[[-5, 12, 'A']], [], 'swatches.0.pct_of_ab'],
            [[], ['at_pct_of_ab' => ['much']], 'at_pct_of_ab.0'], [[], ['target' => ['reading' => 20]], 'target.scale'],
            [[], ['base' => ['shore' => 10, 'scale' => 'A', 'max_pct' => 0]], 'base.max_pct'],
        ] as [$pucks, $more, $field]) {
            try {
                self::ask($pucks, $more);
                self::fail("{$field} passed.");
            } catch (BadInput $wrong) {
                self::assertSame($field, $wrong->field);
            }
        }
    }
}
