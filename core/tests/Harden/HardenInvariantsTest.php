<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Harden;

use Apalos\Core\Harden\Contradictions;
use Apalos\Core\Harden\HardenRequest;
use Apalos\Core\Harden\HardenResult;
use Apalos\Core\Harden\JudgedPuck;
use Apalos\Core\Harden\SoftenedPuck;
use Apalos\Core\Harden\SoftenerModel;
use Apalos\Core\Harden\SofteningPlanner;
use Apalos\Core\Units\Shore;
use Apalos\Core\Units\ShoreScale;
use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\TestCase;

/** What holds for every base and whatever its pucks read. */
final class HardenInvariantsTest extends TestCase
{
    use TestTrait;

    /**
     * Pucks of a base that softens by the model, each read a little off.
     *
     * @param  list<int>  $percentages
     * @return list<SoftenedPuck>
     */
    private static function pucks(Shore $base, float $k, array $percentages, int $seed, float $scatter = 0.1): array
    {
        mt_srand($seed);

        return array_map(static function (int $pct) use ($base, $k, $scatter): SoftenedPuck {
            $ln = log($base->modulus()) - $k * $pct / 100.0 + $scatter * (mt_rand(-100, 100) / 100.0);

            return new SoftenedPuck((float) $pct, Shore::ofModulusOn(Shore::ofModulus(exp($ln))->scale, exp($ln)));
        }, $percentages);
    }

    /** @param  list<SoftenedPuck>  $pucks */
    private static function answer(Shore $base, array $pucks, ?Shore $target = null, array $at = [0.0, 40.0, 80.0]): HardenResult
    {
        return (new SofteningPlanner)->answer(new HardenRequest($base, 2.7, 100.0, 0.5, $pucks, $target, $at));
    }

    private function everyBase(callable $holds): void
    {
        $this->forAll(Generators::tuple(Generators::choose(8, 45), Generators::choose(12, 40), Generators::choose(1, 10_000)))
            ->then(fn (array $n) => $holds(Shore::of(ShoreScale::A, (float) $n[0]), $n[1] / 10.0, $n[2]));
    }

    public function test_the_order_of_the_pucks_does_not_matter(): void
    {
        $this->everyBase(function (Shore $base, float $k, int $seed): void {
            $pucks = self::pucks($base, $k, [0, 20, 45, 70, 95], $seed);
            [$there, $back] = [self::answer($base, $pucks), self::answer($base, array_reverse($pucks))];

            self::assertEqualsWithDelta([$there->c, $there->k], [$back->c, $back->k], 1e-9);
        });
    }

    public function test_every_puck_narrows_the_band_and_none_widens_it(): void
    {
        $this->everyBase(function (Shore $base, float $k, int $seed): void {
            $pucks = self::pucks($base, $k, [0, 30, 60, 90], $seed);
            foreach ([0.1, 0.5, 0.9] as $share) {
                $before = INF;
                for ($n = 0; $n <= 4; $n++) {
                    $sd = SoftenerModel::learnt($base, 2.7, array_slice($pucks, 0, $n))->sd($share);
                    self::assertLessThanOrEqual($before + 1e-12, $sd);
                    $before = $sd;
                }
            }
        });
    }

    public function test_softer_takes_more_softener_and_its_band_holds_the_answer(): void
    {
        $this->everyBase(function (Shore $base, float $k, int $seed): void {
            $pucks = self::pucks($base, $k, [0, 30, 60, 90], $seed);
            $before = INF;
            foreach ([5.0, 15.0, 25.0, 35.0] as $reading) {
                $found = self::answer($base, $pucks, Shore::of(ShoreScale::DoubleO, $reading))->forTarget;
                if ($found === null) {
                    continue;
                }
                self::assertLessThan($before, $found->pctOfAB);
                self::assertTrue($found->low <= $found->pctOfAB && $found->pctOfAB <= $found->high);
                self::assertEqualsWithDelta(2.0 * $found->pctOfAB, $found->pctOfOnePart, 1e-9);
                $before = $found->pctOfAB;
            }
        });
    }

    public function test_a_hardness_asked_on_either_scale_takes_the_same_softener(): void
    {
        $this->everyBase(function (Shore $base, float $k, int $seed): void {
            $pucks = self::pucks($base, $k, [0, 50], $seed);
            $on00 = Shore::of(ShoreScale::DoubleO, 45.0);
            $onA = Shore::ofModulusOn(ShoreScale::A, $on00->modulus());
            [$one, $other] = [self::answer($base, $pucks, $on00)->forTarget, self::answer($base, $pucks, $onA)->forTarget];

            // Below A 0 the A scale ends; there is nothing to compare there.
            if ($onA->reading > 0.0) {
                self::assertEqualsWithDelta($one?->pctOfAB, $other?->pctOfAB, 1e-6);
            }
        });
    }

    public function test_many_honest_pucks_find_how_the_base_really_softens(): void
    {
        $this->everyBase(function (Shore $base, float $k, int $seed): void {
            // What is softer than 00-0 reads as 00-0: such a puck says nothing.
            $pucks = array_values(
                array_filter(
                    self::pucks($base, $k, range(0, 95, 5), $seed, 0.08),
                    static fn (SoftenedPuck $puck): bool => $puck->shore->reading > 0.5,
                ),
            );

            self::assertEqualsWithDelta($k, self::answer($base, $pucks)->k, 0.3);
        });
    }

    public function test_one_wild_puck_among_honest_ones_is_the_one_that_is_named(): void
    {
        $this->everyBase(function (Shore $base, float $k, int $seed): void {
            $pucks = self::pucks($base, $k, [0, 30, 60, 90], $seed, 0.05);
            $wild = $seed % 4;
            $off = exp(log($pucks[$wild]->shore->modulus()) + ($seed % 2 === 0 ? 0.9 : -0.9));
            $pucks[$wild] = new SoftenedPuck($pucks[$wild]->pctOfAB, Shore::ofModulusOn(Shore::ofModulus($off)->scale, $off));
            // A reading that would fall below 00-0 is no reading.
            if (min(array_map(static fn (SoftenedPuck $puck): float => $puck->shore->reading, $pucks)) <= 0.5) {
                return;
            }
            $named = array_keys(
                array_filter(Contradictions::among($base, $k, $pucks), static fn (JudgedPuck $puck): bool => $puck->isOutlier),
            );

            self::assertSame([$wild], $named);
        });
    }

    public function test_how_far_a_puck_is_off_without_itself_is_what_learning_without_it_says(): void
    {
        $this->everyBase(function (Shore $base, float $k, int $seed): void {
            $pucks = self::pucks($base, $k, [0, 15, 15, 40, 60, 95], $seed, 0.6);
            $all = SoftenerModel::learnt($base, 2.7, $pucks);
            foreach ($pucks as $i => $puck) {
                $others = SoftenerModel::learnt($base, 2.7, array_values(array_diff_key($pucks, [$i => 0])));

                self::assertEqualsWithDelta($others->residual($puck), $all->residualLeftOut($puck), 1e-7);
                self::assertEqualsWithDelta(
                    [$others->c, $others->k, $others->sd(0.5)],
                    [$all->without($puck)->c, $all->without($puck)->k, $all->without($puck)->sd(0.5)], 1e-7,
                );
            }
        });
    }

    public function test_contradictions_are_those_that_setting_aside_the_worst_again_and_again_leaves(): void
    {
        $this->everyBase(function (Shore $base, float $k, int $seed): void {
            $pucks = self::pucks($base, $k, [0, 10, 20, 30, 45, 45, 60, 80, 100], $seed, 1.2);
            $kept = $pucks;
            do {
                $off = array_map(
                    static fn (int $i): float => abs(
                        SoftenerModel::learnt($base, 2.7, array_values(array_diff_key($kept, [$i => 0])))->residual($kept[$i]),
                    ),
                    array_keys($kept),
                );
                $off = array_combine(array_keys($kept), $off);
                arsort($off);
                $worst = array_key_first($off);
                $isFar = $worst !== null && $off[$worst] > 3.0;
                if ($isFar) {
                    unset($kept[$worst]);
                }
            } while ($isFar && $kept !== []);

            self::assertSame(
                array_keys(array_diff_key($pucks, $kept)),
                array_keys(array_filter(Contradictions::among($base, 2.7, $pucks), static fn (JudgedPuck $puck): bool => $puck->isOutlier)),
            );
        });
    }

    public function test_a_model_that_was_kept_is_the_one_that_was_learnt(): void
    {
        $this->everyBase(function (Shore $base, float $k, int $seed): void {
            $learnt = SoftenerModel::learnt($base, 2.7, self::pucks($base, $k, [0, 30, 60], $seed));

            self::assertEquals($learnt, SoftenerModel::from($learnt->toArray()));
        });
    }
}
