<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Series;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Mix\Line;
use Apalos\Core\Series\SeriesPlanner;
use Apalos\Core\Series\SeriesPuck;
use Apalos\Core\Series\SeriesRequest;
use Apalos\Core\Series\SeriesResult;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class SeriesPlannerTest extends TestCase
{
    private const BASE = [
        'ratio' => ['by' => 'weight', 'a' => 1, 'b' => 1], 'sg' => ['a' => 1.06, 'b' => 1.08], 'pot_life_min' => 22, 'demould_min' => 240,
        'ref_c' => 23, 'q10' => 2.0,
    ];

    /** @param  array<string, mixed>  $more */
    private static function softener(array $more = []): SeriesResult
    {
        return self::plan([
            ...['softener' => ['name' => 'softener', 'sg' => 0.97], 'pct_of_ab' => [0, 30, 60, 90], 'puck_ml' => 25], ...$more,
        ]);
    }

    /** @param  array<string, mixed>  $in */
    private static function plan(array $in): SeriesResult
    {
        return (new SeriesPlanner)->plan(SeriesRequest::from(Fields::of([
            ...['base' => self::BASE, 'spare_pct' => 10, 'scale' => ['division_g' => 0.1], 'room_c' => 23, 'mix_min' => 3], ...$in,
        ])));
    }

    /** @param  list<Line>  $lines */
    private static function grams(array $lines, string $name): float
    {
        foreach ($lines as $line) {
            if ($line->code === $name) {
                return $line->grams->g;
            }
        }

        return 0.0;
    }

    public function test_one_cup_of_a_and_b_serves_all_pucks(): void
    {
        $plan = self::softener();

        self::assertSame(['plain-cup'], array_keys($plan->cups));
        self::assertSame(['B', 'A'], array_map(static fn (Line $l): string => $l->code, $plan->cups['plain-cup']->batches[0]->lines));
        $taken = array_sum(array_map(static fn (SeriesPuck $p): float => self::grams($p->lines, 'plain-cup'), $plan->pucks));
        self::assertEqualsWithDelta(1.1 * $taken, $plan->cups['plain-cup']->mass->g, 0.3);
    }

    /** 25 ml at 60 %: 1 g of A+B takes 0.9347 ml (0.5/1.06 + 0.5/1.08), its 0.6 g of softener 0.6186; so 16.096 g and 9.658 g. */
    public function test_a_puck_worked_by_hand(): void
    {
        $puck = self::softener()->pucks[2];

        self::assertSame([16.1, 9.7], [self::grams($puck->lines, 'plain-cup'), self::grams($puck->lines, 'softener')]);
        self::assertEqualsWithDelta(100 * 9.7 / 16.1, $puck->truePct, 1e-9);
        self::assertSame(25.8, round($puck->lines[1]->running->g, 3));
    }

    public function test_what_the_scale_shows_is_what_the_puck_is_said_to_be(): void
    {
        foreach ([0.01, 0.1, 0.5] as $division) {
            foreach (self::softener(['scale' => ['division_g' => $division]])->pucks as $puck) {
                $plain = self::grams($puck->lines, 'plain-cup');
                self::assertEqualsWithDelta($puck->truePct, 100.0 * self::grams($puck->lines, 'softener') / $plain, 1e-9);
                self::assertEqualsWithDelta($puck->wantedPct, $puck->truePct, 100.0 * 2.0 * $division / $plain);
            }
        }
    }

    public function test_a_ladder_of_tint_takes_from_a_full_and_a_plain_cup(): void
    {
        $plan = self::plan([
            'additives' => [
                ['name' => 'fawn', 'amount' => 0.8, 'basis' => 'pct_of_total', 'into' => 'b', 'sg' => 1.55],
                ['name' => 'softener', 'amount' => 40, 'basis' => 'pct_of_ab', 'into' => 'after', 'sg' => 0.97],
            ],
            'tint' => ['fawn'], 'pct_of_full' => [100, 50, 25, 12.5], 'puck_ml' => 20,
        ]);

        self::assertSame([12.5, 25.0, 50.0, 100.0], array_map(static fn (SeriesPuck $p): float => $p->wantedPct, $plan->pucks));
        self::assertSame(['plain-cup', 'full-cup'], array_keys($plan->cups));
        self::assertNotContains('fawn', array_map(static fn (Line $l): string => $l->code, $plan->cups['plain-cup']->batches[0]->lines));
        self::assertContains('softener', array_map(static fn (Line $l): string => $l->code, $plan->cups['plain-cup']->batches[0]->lines));
        // What the scale shows of fawn is not quite 0.8 %: every puck is paler or deeper by as much.
        $lines = $plan->cups['full-cup']->batches[0]->lines;
        $strength = 100.0 * self::grams($lines, 'fawn') / $plan->cups['full-cup']->batches[0]->mass->g / 0.8;
        foreach ($plan->pucks as $puck) {
            self::assertEqualsWithDelta($strength * self::grams($puck->lines, 'full-cup') / $puck->massG * 100.0, $puck->truePct, 1e-9);
            self::assertEqualsWithDelta($puck->wantedPct, $puck->truePct / $strength, 0.5);
            self::assertEqualsWithDelta(20.0, $puck->massG / 1.03, 0.8);
        }
    }

    /**
     * @return iterable<string, array{float, float, float, float, bool}> load in per cent, step of the scale, full cup and pinch in g, and
     *   whether the cup is larger than the pucks need
     */
    public static function pinches(): iterable
    {
        // Three drawdowns of 12 ml at 0, 30 and 100 %: 1.3 × 12 ml × 1.07 g/ml, and a tenth lost, is 18.4 g.
        yield 'one per cent on a scale of 0.1 g: a gram of pigment wants 100 g' => [1.0, 0.1, 100.0, 1.0, true];
        yield 'on a scale of 0.01 g a tenth of a gram will do' => [1.0, 0.01, 18.4, 0.18, false];
        yield 'six per cent can be weighed in what the pucks take' => [6.0, 0.1, 18.65, 1.1, false];
        yield 'a third of a per cent would want 333 g: no more than 120' => [0.3, 0.1, 120.0, 0.4, true];
    }

    #[DataProvider('pinches')]
    public function test_the_full_cup_is_large_enough_for_its_pinch(
        float $load,
        float $division,
        float $fullG,
        float $pinchG,
        bool $isLarger,
    ): void {
        $plan = self::plan([
            'additives' => [['name' => 'fawn', 'amount' => $load, 'basis' => 'pct_of_total', 'into' => 'b', 'sg' => 1.55]],
            'tint' => ['fawn'], 'pct_of_full' => [0, 30, 100], 'puck_ml' => 12, 'scale' => ['division_g' => $division],
        ]);

        self::assertEqualsWithDelta($fullG, $plan->cups['full-cup']->mass->g, 0.3);
        self::assertSame($isLarger, in_array('larger_cup', array_map(static fn ($w): string => $w->code, $plan->warnings), true));
        self::assertEqualsWithDelta($pinchG, self::grams($plan->cups['full-cup']->batches[0]->lines, 'fawn'), 1e-9);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function doubts(): iterable
    {
        yield 'too little to weigh' => [['pct_of_ab' => [2, 60], 'puck_ml' => 20], 'batch_below_scale'];
        yield 'more pucks than the pot life has minutes' => [
            ['pct_of_ab' => [0, 10, 20, 30, 40, 50, 60, 70, 80, 90], 'base' => [...self::BASE, 'pot_life_min' => 12]], 'pot_life_short',
        ];
        yield 'steps too close' => [['pct_of_ab' => [40, 45]], 'narrow'];
        yield 'past the sheet' => [['softener' => ['name' => 'softener', 'sg' => 0.97, 'max' => 50]], 'over_max'];
        yield 'a cold room' => [['room_c' => 15], 'cold_room'];
    }

    /** @param  array<string, mixed>  $more */
    #[DataProvider('doubts')]
    public function test_a_doubtful_series_is_questioned(array $more, string $code): void
    {
        self::assertContains($code, array_map(static fn ($w): string => $w->code, self::softener($more)->warnings));
    }

    public function test_nonsense_is_refused_at_its_field(): void
    {
        foreach ([
            [['pct_of_ab' => []], 'pct_of_ab'], [['pct_of_ab' => [30, 30]], 'pct_of_ab'], [['puck_ml' => 0], 'puck_ml'],
            [['puck_ml' => 0.02], 'puck_ml'], [['tint' => ['fawn']], 'softener'],
            [['pct_of_ab' => range(0, 60, 5)], 'pct_of_ab'],
            [['softener' => null, 'pct_of_ab' => null, 'tint' => ['glitter'], 'pct_of_full' => [50]], 'tint'],
        ] as [$more, $field]) {
            try {
                self::softener($more);
                self::fail("{$field} passed.");
            } catch (BadInput $wrong) {
                self::assertSame($field, $wrong->field);
            }
        }
    }
}
