<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Chance;

use Apalos\Core\Chance\Beta;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class BetaTest extends TestCase
{
    /** @return iterable<string, array{float, float, float}> */
    public static function shares(): iterable
    {
        foreach ([[3.68, 0.32], [33.68, 14.32], [1.0, 1.0], [2.0, 5.0], [0.7, 0.9], [412.0, 38.0]] as [$good, $bad]) {
            foreach ([0.03, 0.3, 0.62, 0.9, 0.985] as $x) {
                yield "Beta({$good}, {$bad}) at {$x}" => [$good, $bad, $x];
            }
        }
    }

    /** By adding up the density, after x = sin² t took its poles away. */
    #[DataProvider('shares')]
    public function test_it_is_its_density_added_up(float $good, float $bad, float $x): void
    {
        $sum = static function (float $to) use ($good, $bad): float {
            [$steps, $sum] = [20_000, 0.0];
            for ($i = 0; $i < $steps; $i++) {
                $t = asin(sqrt($to)) * ($i + 0.5) / $steps;
                $sum += 2.0 * exp((2.0 * $good - 1.0) * log(sin($t)) + (2.0 * $bad - 1.0) * log(cos($t)));
            }

            return $sum * asin(sqrt($to)) / $steps;
        };
        // Where a pole is left the adding up is the coarser of the two.
        self::assertEqualsWithDelta($sum($x) / $sum(1.0), (new Beta($good, $bad))->below($x), min($good, $bad) < 0.5 ? 6e-4 : 2e-5);
    }

    public function test_its_quantiles_are_where_it_says_so(): void
    {
        foreach ([[3.68, 0.32], [20.0, 4.0], [0.5, 0.5]] as [$good, $bad]) {
            $share = new Beta($good, $bad);
            foreach ([0.1, 0.5, 0.9] as $chance) {
                self::assertEqualsWithDelta($chance, $share->below($share->quantile($chance)), 1e-6);
            }
        }
        self::assertEqualsWithDelta(0.25, (new Beta(1.0, 1.0))->quantile(0.25), 1e-8);
        self::assertEqualsWithDelta(1.0 - sqrt(0.5), (new Beta(1.0, 2.0))->quantile(0.5), 1e-8);
        self::assertSame([0.0, 1.0, 0.4], [
            (new Beta(2.0, 3.0))->below(0.0), (new Beta(2.0, 3.0))->below(1.0), (new Beta(2.0, 3.0))->mean(),
        ]);
    }
}
