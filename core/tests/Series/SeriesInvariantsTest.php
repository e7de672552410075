<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Series;

use Apalos\Core\Input\Fields;
use Apalos\Core\Mix\Line;
use Apalos\Core\Series\SeriesPlanner;
use Apalos\Core\Series\SeriesPuck;
use Apalos\Core\Series\SeriesRequest;
use Apalos\Core\Series\SeriesResult;
use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\TestCase;

/** What holds for every series, whatever its steps, its pucks and the scale. */
final class SeriesInvariantsTest extends TestCase
{
    use TestTrait;

    private const DIVISIONS = [0.01, 0.1, 0.5];

    /** @param  list<float>  $steps */
    private static function softened(array $steps, float $ml, float $division, int $a, int $b): SeriesResult
    {
        return (new SeriesPlanner)->plan(SeriesRequest::from(Fields::of([
            'base' => [
                'ratio' => ['by' => 'weight', 'a' => $a, 'b' => $b], 'sg' => ['a' => 1.06, 'b' => 1.08], 'pot_life_min' => 60,
                'demould_min' => 400, 'ref_c' => 23, 'q10' => 2.0,
            ],
            'softener' => ['name' => 'softener', 'sg' => 0.97], 'pct_of_ab' => $steps, 'puck_ml' => $ml, 'spare_pct' => 10,
            'scale' => ['division_g' => $division], 'room_c' => 22, 'mix_min' => 3,
        ])));
    }

    private function everySeries(callable $holds): void
    {
        $this->forAll(
            Generators::tuple(
                Generators::choose(5, 60), Generators::choose(0, 2), Generators::choose(1, 20), Generators::choose(1, 20),
                Generators::choose(1, 40),
            ),
        )
            ->then(
                fn (array $n) => $holds(
                    self::softened([0.0, (float) $n[4], $n[4] + 30.0, $n[4] + 60.0], (float) $n[0], self::DIVISIONS[$n[1]], $n[2], $n[3]),
                    (float) $n[0], self::DIVISIONS[$n[1]],
                ),
            );
    }

    /** @param  list<Line>  $lines */
    private static function sum(array $lines, ?string $of = null): float
    {
        return array_sum(array_map(static fn (Line $line): float => $of === null || $line->code === $of ? $line->grams->g : 0.0, $lines));
    }

    public function test_the_lines_of_a_puck_add_up_to_its_mass_and_end_on_its_display(): void
    {
        $this->everySeries(function (SeriesResult $plan): void {
            foreach ($plan->pucks as $puck) {
                self::assertEqualsWithDelta($puck->massG, self::sum($puck->lines), 1e-9);
                self::assertEqualsWithDelta($puck->massG, $puck->lines[count($puck->lines) - 1]->running->g, 1e-6);
            }
        });
    }

    public function test_the_cup_holds_what_all_pucks_take_and_its_spare(): void
    {
        $this->everySeries(function (SeriesResult $plan, float $ml, float $division): void {
            $taken = array_sum(array_map(static fn (SeriesPuck $puck): float => self::sum($puck->lines, 'plain-cup'), $plan->pucks));

            self::assertEqualsWithDelta(1.1 * $taken, $plan->cups['plain-cup']->mass->g, 1.1 * $division * count($plan->pucks));
        });
    }

    public function test_a_puck_fills_its_form(): void
    {
        $this->everySeries(function (SeriesResult $plan, float $ml, float $division): void {
            foreach ($plan->pucks as $puck) {
                // Between the density of softener and that of B.
                self::assertTrue($puck->massG > 0.97 * $ml - 2.0 * $division && $puck->massG < 1.08 * $ml + 2.0 * $division);
            }
        });
    }

    public function test_rounding_never_turns_the_steps_round(): void
    {
        $this->everySeries(function (SeriesResult $plan, float $ml, float $division): void {
            $true = array_map(static fn (SeriesPuck $puck): float => $puck->truePct, $plan->pucks);
            self::assertSame(0.0, $true[0]);
            for ($i = 2; $i < count($true); $i++) {
                self::assertGreaterThan($true[$i - 1], $true[$i]);
            }
        });
    }

    public function test_pucks_twice_as_large_take_twice_as_much(): void
    {
        $this->forAll(Generators::tuple(Generators::choose(10, 60), Generators::choose(1, 20)))->then(function (array $n): void {
            [$small, $large] = [
                self::softened([0.0, 45.0], (float) $n[0], 0.0001, $n[1], 1), self::softened([0.0, 45.0], 2.0 * $n[0], 0.0001, $n[1], 1),
            ];

            self::assertEqualsWithDelta(2.0 * $small->cups['plain-cup']->mass->g, $large->cups['plain-cup']->mass->g, 0.01);
            self::assertEqualsWithDelta(2.0 * $small->pucks[1]->massG, $large->pucks[1]->massG, 0.01);
        });
    }
}
