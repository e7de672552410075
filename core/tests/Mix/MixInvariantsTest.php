<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Mix;

use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\TestCase;

/** What holds for every mix, whatever the numbers. */
final class MixInvariantsTest extends TestCase
{
    use TestTrait;

    private const BASES = ['pct_of_ab', 'pct_of_a', 'pct_of_b', 'pct_of_total'];

    /**
     * @param  array{int, int, int, int, int, int}  $n
     * @return array<string, mixed>
     */
    private static function changes(array $n): array
    {
        [$a, $b, $softener, $pigment, $basis, $wanted] = $n;

        return [
            'base.ratio' => ['by' => $wanted % 2 === 0 ? 'weight' : 'volume', 'a' => $a, 'b' => $b],
            'target' => ['mass_g' => $wanted, 'waste_pct' => $softener % 15],
            'additives' => [
                ['name' => 'softener', 'amount' => $softener, 'basis' => self::BASES[$basis], 'into' => 'after', 'sg' => 0.97],
                ['name' => 'pigment', 'amount' => $pigment / 10, 'basis' => self::BASES[($basis + 1) % 4], 'into' => 'b', 'sg' => 1.35],
            ],
            'room_c' => 21,
        ];
    }

    private function everyMix(callable $holds): void
    {
        $this->forAll(Generators::tuple(
            Generators::choose(1, 100), Generators::choose(1, 100), Generators::choose(0, 80), Generators::choose(0, 40),
            Generators::choose(0, 3), Generators::choose(20, 5000),
        ))->then(fn (array $n) => $holds(self::changes($n)));
    }

    public function test_the_parts_add_up_to_the_mass_and_the_lines_to_the_parts_as_the_scale_shows_them(): void
    {
        $this->everyMix(function (array $changes): void {
            $mix = Brow::planned($changes);
            $parts = array_sum(array_map(static fn ($grams): float => $grams->g, $mix->parts));
            $lines = array_sum(array_map(static fn ($batch): float => $batch->mass->g, $mix->batches));

            self::assertEqualsWithDelta($mix->mass->g, $parts, 1e-6);
            // Each line is rounded to 0.1 g, so a cup of four lines is out by 0.2 g at the most.
            self::assertEqualsWithDelta($mix->mass->g, $lines, 0.2 * count($mix->batches) + 1e-6);
        });
    }

    public function test_ratio_and_percentages_hold_on_their_own_basis(): void
    {
        $this->everyMix(function (array $changes): void {
            $mix = Brow::planned($changes);
            [$a, $b] = [$mix->parts['A']->g, $mix->parts['B']->g];
            $byWeight = $changes['base.ratio']['by'] === 'weight';

            self::assertEqualsWithDelta(
                $changes['base.ratio']['a'] / $changes['base.ratio']['b'], $byWeight ? $a / $b : ($a / 1.06) / ($b / 1.08), 1e-9 * 100,
            );
            foreach ($changes['additives'] as $additive) {
                $on = ['pct_of_ab' => $a + $b, 'pct_of_a' => $a, 'pct_of_b' => $b, 'pct_of_total' => $mix->mass->g][$additive['basis']];
                self::assertEqualsWithDelta($additive['amount'], $mix->parts[$additive['name']]->g / $on * 100.0, 1e-7);
            }
        });
    }

    public function test_asking_by_mass_and_asking_by_the_volume_of_that_mass_is_the_same_question(): void
    {
        $this->everyMix(function (array $changes): void {
            $changes['target']['waste_pct'] = 0;
            $byMass = Brow::planned($changes);
            $byVolume = Brow::planned([...$changes, 'target' => ['volume_ml' => $byMass->volume->ml, 'waste_pct' => 0]]);

            self::assertEqualsWithDelta($byMass->mass->g, $byVolume->mass->g, 1e-6);
            self::assertEqualsWithDelta($byMass->mass->g / $byMass->volume->ml, $byMass->density->gPerMl, 1e-9);
        });
    }

    public function test_twice_the_target_is_twice_of_everything(): void
    {
        $this->everyMix(function (array $changes): void {
            $once = Brow::planned($changes);
            $changes['target']['mass_g'] *= 2;
            $twice = Brow::planned($changes);

            foreach ($once->parts as $name => $grams) {
                self::assertEqualsWithDelta(2 * $grams->g, $twice->parts[$name]->g, 1e-6);
            }
        });
    }

    public function test_no_batch_is_larger_than_what_limits_it(): void
    {
        $this->everyMix(function (array $changes): void {
            $mix = Brow::planned($changes);

            self::assertLessThanOrEqual(1500.0 / 3 * $mix->density->gPerMl + 1e-6, $mix->mass->g / count($mix->batches));
            self::assertLessThanOrEqual(2000.0 - 45.0 + 1e-6, $mix->mass->g / count($mix->batches));
        });
    }
}
