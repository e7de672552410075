<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Care;

use Apalos\Core\Care\Campaign;
use Apalos\Core\Care\Pairing;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** With two hundred casts wanted it says how many moulds that takes, what one more would bring, and when each is re-made. */
final class CampaignTest extends TestCase
{
    /** @return iterable<string, array{int, int, float}> casts, moulds, median */
    public static function campaigns(): iterable
    {
        yield 'two hundred in three of platinum' => [200, 3, 120.0];
        yield 'thirty in one' => [30, 1, 70.0];
        yield 'forty in two of tin' => [40, 2, 35.0];
        yield 'five hundred in eight' => [500, 8, 60.0];
    }

    /** By another route: twenty thousand shops, each with its own usual life, and so many moulds drawn from it. */
    #[DataProvider('campaigns')]
    public function test_the_chance_is_that_of_many_shops(int $casts, int $moulds, float $median): void
    {
        mt_srand(9);
        $normal = static fn (): float => sqrt(
            -2.0 * log(max(1e-12, mt_rand() / mt_getrandmax())),
        ) * cos(2.0 * M_PI * mt_rand() / mt_getrandmax());
        $enough = 0;
        for ($i = 0; $i < 20_000; $i++) {
            $mean = log($median) + 0.6 * $normal();
            $sum = 0.0;
            for ($k = 0; $k < $moulds; $k++) {
                $sum += exp($mean + 0.45 * $normal());
            }
            $enough += $sum >= $casts ? 1 : 0;
        }
        self::assertEqualsWithDelta($enough / 20_000, Campaign::chance($casts, $moulds, new Pairing($median, 0.45, '')), 0.015);
    }

    public function test_more_moulds_are_likelier_more_casts_less_and_what_is_said_is_enough(): void
    {
        $pairing = new Pairing(60.0, 0.45, '');
        foreach ([1, 20, 60, 200, 1000] as $casts) {
            $plan = Campaign::of($casts, $pairing);
            self::assertGreaterThanOrEqual(0.8, $plan->chance);
            self::assertGreaterThan($plan->chance, $plan->oneMore + 1e-12);
            self::assertTrue($plan->moulds === 1 || Campaign::chance($casts, $plan->moulds - 1, $pairing) < 0.8, 'And one fewer is not.');
            self::assertGreaterThan(Campaign::chance($casts + 50, $plan->moulds, $pairing), $plan->chance);
        }
        // Nine in ten of its kind stand so many: the tenth part of one life, e^(−1.2816·0.75) of sixty.
        self::assertSame(22, Campaign::of(200, $pairing)->remakeAfter);
        self::assertGreaterThan(Campaign::of(200, new Pairing(170.0, 0.45, ''))->moulds, Campaign::of(200, $pairing)->moulds);
    }

    public function test_a_mould_of_one_cast_is_made_for_each(): void
    {
        self::assertSame(
            ['moulds' => 12, 'chance' => 1.0, 'one_more' => 1.0, 'remake_after' => 1],
            Campaign::of(12, new Pairing(1.0, 0.45, ''))->toArray(),
        );
    }
}
