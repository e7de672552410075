<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Mix;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Mix\Line;
use Apalos\Core\Mix\Topup;
use Apalos\Core\Mix\TopupRequest;
use Apalos\Core\Mix\TopupResult;
use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\TestCase;

final class TopupTest extends TestCase
{
    use TestTrait;

    /**
     * @param  array<string, float|int>  $planned
     * @param  array<string, float|int>  $poured
     */
    private static function rescue(
        array $planned,
        array $poured,
        float $capacity = 500,
        float $division = 0.01,
        float $tolerance = 1,
    ): TopupResult {
        return (new Topup)->rescue(TopupRequest::from(Fields::of([
            'planned' => $planned, 'poured' => $poured, 'vessel' => ['capacity_ml' => $capacity, 'sg' => 1.1],
            'scale' => ['division_g' => $division], 'tolerance_pct' => $tolerance,
        ])));
    }

    public function test_six_grams_too_much_a_is_answered_by_more_of_all_else(): void
    {
        $rescue = self::rescue(['A' => 100, 'B' => 10, 'tone' => 2], ['A' => 106]);

        self::assertTrue($rescue->needed);
        self::assertEqualsWithDelta(1.06, $rescue->k, 1e-12);
        self::assertSame(
            [['B', 10.6, 116.6], ['tone', 2.12, 118.72]],
            array_map(static fn (Line $l): array => [$l->add, $l->grams->g, $l->running->g], $rescue->lines),
        );
        self::assertEqualsWithDelta(6.72, $rescue->extra->g, 1e-9);
        self::assertEqualsWithDelta(6.0, $rescue->ratioErrorIfIgnoredPct, 1e-9);
        self::assertTrue($rescue->fits);
    }

    public function test_what_went_in_before_the_over_pour_is_topped_up_too(): void
    {
        $rescue = self::rescue(['B' => 100, 'A' => 100, 'softener' => 60], ['B' => 100, 'A' => 110]);

        self::assertSame(['B', 'softener'], array_map(static fn (Line $l): string => $l->add, $rescue->lines));
        self::assertEqualsWithDelta(10.0, $rescue->lines[0]->grams->g, 1e-9);
        self::assertEqualsWithDelta(66.0, $rescue->lines[1]->grams->g, 1e-9);
    }

    public function test_within_tolerance_the_plan_stands_and_the_rest_is_poured_as_planned(): void
    {
        $rescue = self::rescue(['A' => 100, 'B' => 10], ['A' => 100.9]);

        self::assertFalse($rescue->needed);
        self::assertSame(1.0, $rescue->k);
        self::assertEqualsWithDelta(10.0, $rescue->lines[0]->grams->g, 1e-9);
    }

    public function test_a_rescue_that_would_run_over_the_rim_says_so(): void
    {
        $rescue = self::rescue(['A' => 100, 'B' => 100], ['A' => 150], capacity: 200);

        self::assertFalse($rescue->fits);
        self::assertSame(['overflow', 'large_rescue'], array_map(static fn ($w): string => $w->code, $rescue->warnings));
    }

    public function test_what_was_never_planned_cannot_be_rescued(): void
    {
        $this->expectException(BadInput::class);
        $this->expectExceptionMessage('mix.not_in_the_plan');
        self::rescue(['A' => 100, 'B' => 10], ['soap' => 1]);
    }

    public function test_an_empty_plan_is_refused(): void
    {
        $this->expectExceptionMessage('mix.no_plan');
        self::rescue([], ['A' => 1]);
    }

    public function test_every_rescue_restores_the_proportions_and_a_second_one_changes_nothing(): void
    {
        $this->forAll(
            Generators::tuple(
                Generators::choose(10, 900), Generators::choose(10, 900), Generators::choose(1, 90), Generators::choose(0, 60),
                Generators::choose(0, 100),
            ),
        )
            ->then(function (array $n): void {
                [$a, $b, $tone, $overPct, $bPct] = $n;
                $planned = ['A' => $a, 'B' => $b, 'tone' => $tone];
                $poured = ['A' => $a * (1 + $overPct / 100), 'B' => $b * $bPct / 100];
                $rescue = self::rescue($planned, $poured, capacity: 1e5, division: 0.0001);

                $after = $poured + ['tone' => 0.0];
                foreach ($rescue->lines as $line) {
                    $after[$line->add] += $line->grams->g;
                }
                foreach ($planned as $name => $grams) {
                    self::assertEqualsWithDelta($rescue->k, $after[$name] / $grams, 0.011);
                }
                $again = self::rescue(array_map(static fn ($g): float => $g->g, $rescue->planned), $after, capacity: 1e5, division: 0.0001);
                self::assertFalse($again->needed);
                self::assertSame([], $again->lines);
            });
    }
}
