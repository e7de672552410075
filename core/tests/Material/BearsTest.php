<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Material;

use Apalos\Core\Material\AdditiveRole;
use Apalos\Core\Mix\Basis;
use PHPUnit\Framework\TestCase;

/** How much of an additive a base bears is told on A+B, whatever the sheet counts on. */
final class BearsTest extends TestCase
{
    public function test_every_limit_on_the_shelf_is_the_same_amount_on_either_basis(): void
    {
        $shelf = SheetsTest::shelf();
        $seen = [];
        foreach ($shelf->bases as $base) {
            foreach ($shelf->additives as $additive) {
                if (! $additive->suits($base)) {
                    continue;
                }
                $limit = $base->limitFor($additive->role);
                [$max, $basis] = [$limit->max ?? $additive->max, $limit->basis ?? $additive->basis];
                // By another route: grams in 100 g of A+B, weighed part by part.
                $gramsA = 100.0 * $base->ratio->weightFractionOfA($base->sgA, $base->sgB);
                $grams = match ($basis) {
                    Basis::OfA => $max / 100.0 * $gramsA,
                    Basis::OfB => $max / 100.0 * (100.0 - $gramsA),
                    default => $max,
                };
                self::assertEqualsWithDelta($grams, $base->bears($additive), 1e-9, "{$additive->code} in {$base->code}");
                $seen[$basis->value] = true;
            }
        }
        self::assertArrayHasKey('pct_of_ab', $seen);
    }

    public function test_a_softener_is_allowed_at_least_as_much_as_its_weakest_use(): void
    {
        $shelf = SheetsTest::shelf();
        foreach ($shelf->additives as $additive) {
            foreach ($additive->role === AdditiveRole::Softener ? $shelf->bases : [] as $base) {
                if ($additive->suits($base)) {
                    self::assertGreaterThan(0.0, $base->bears($additive));
                }
            }
        }
    }
}
