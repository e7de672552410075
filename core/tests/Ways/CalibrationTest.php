<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Ways;

use Apalos\Core\Input\Fields;
use Apalos\Core\Ways\Past;
use PHPUnit\Framework\TestCase;

/** Of chances that are given as 80 %, between 70 and 90 in a hundred come true: held in made-up shops. */
final class CalibrationTest extends TestCase
{
    public function test_in_made_up_shops_what_is_given_as_eighty_comes_true_about_as_often(): void
    {
        mt_srand(80);
        $uniform = static fn (): float => (mt_rand() + 0.5) / (mt_getrandmax() + 1.0);
        $book = Thirty::ground()->ways;
        [$given, $true, $sum] = [0, 0, 0.0];
        foreach (range(1, 6000) as $shop) {
            // A shop has a hand of its own: about what is usual, some better, some worse.
            $usual = 0.55 + 0.4 * $uniform();
            $hand = self::beta(4.0 * $usual, 4.0 * (1.0 - $usual), $uniform);
            $all = mt_rand(0, 30);
            $good = count(array_filter(range(1, max(1, $all)), static fn (): bool => $uniform() < $hand));
            $past = $all === 0
                ? []
                : [['kind' => 'open-block', 'base' => 'pr-25', 'cast' => 'hv-08', 'good' => min($good, $all), 'all' => $all]];
            $share = Past::from(Fields::of(['past' => $past]))->of(
                'open-block', ['pr-25'], ['hv-08'], $usual, $book->usualCounts, $book->alikeCounts,
            )['share'];
            if (abs($share->mean() - 0.8) <= 0.025) {
                $given++;
                $sum += $share->mean();
                $true += $uniform() < $hand ? 1 : 0;
            }
        }
        self::assertGreaterThan(400, $given);
        self::assertGreaterThan(0.70, $true / $given);
        self::assertLessThan(0.90, $true / $given);
        self::assertEqualsWithDelta($sum / $given, $true / $given, 0.05);
    }

    public function test_its_band_holds_eighty_of_a_hundred_hands(): void
    {
        mt_srand(8);
        $uniform = static fn (): float => (mt_rand() + 0.5) / (mt_getrandmax() + 1.0);
        $within = 0;
        for ($shop = 0; $shop < 2500; $shop++) {
            $hand = self::beta(4.0 * 0.85, 4.0 * 0.15, $uniform);
            $all = mt_rand(3, 40);
            $good = count(array_filter(range(1, $all), static fn (): bool => $uniform() < $hand));
            $share = Past::from(Fields::of([
                'past' => [['kind' => 'k', 'base' => 'b', 'cast' => 'c', 'good' => $good, 'all' => $all]],
            ]))->of('k', ['b'], ['c'], 0.85, 4.0, 0.25)['share'];
            $within += $hand >= $share->quantile(0.1) && $hand <= $share->quantile(0.9) ? 1 : 0;
        }
        self::assertEqualsWithDelta(0.8, $within / 2500, 0.03);
    }

    /**
     * A share drawn from Beta(a, b): the quotient of two gamma variables, each by Marsaglia and Tsang (2000).
     *
     * @param  callable(): float  $uniform
     */
    private static function beta(float $a, float $b, callable $uniform): float
    {
        $gamma = static function (float $shape) use (&$gamma, $uniform): float {
            if ($shape < 1.0) {
                return $gamma($shape + 1.0) * $uniform() ** (1.0 / $shape);
            }
            [$d, $c] = [$shape - 1.0 / 3.0, 1.0 / sqrt(9.0 * ($shape - 1.0 / 3.0))];
            while (true) {
                $normal = sqrt(-2.0 * log($uniform())) * cos(2.0 * M_PI * $uniform());
                $v = (1.0 + $c * $normal) ** 3;
                if ($v > 0.0 && log($uniform()) < 0.5 * $normal * $normal + $d - $d * $v + $d * log($v)) {
                    return $d * $v;
                }
            }
        };
        $one = $gamma($a);

        return $one / ($one + $gamma($b));
    }
}
