<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Fault;

use Apalos\Core\Chance\Hypergeometric;
use Apalos\Core\Fault\InCommon;
use PHPUnit\Framework\TestCase;

final class InCommonTest extends TestCase
{
    /** The lady and her tea (Fisher 1935): all four right of eight cups, one in seventy. */
    public function test_the_exact_test_against_tables_worked_out_by_hand(): void
    {
        self::assertEqualsWithDelta(1.0 / 70.0, Hypergeometric::atLeast(4, 4, 4, 8), 1e-12);
        self::assertEqualsWithDelta(17.0 / 70.0, Hypergeometric::atLeast(3, 4, 4, 8), 1e-12);
        self::assertEqualsWithDelta(1.0, Hypergeometric::atLeast(0, 4, 4, 8), 1e-12);
        // 5 of 6 bad in a pile of 20 with 7 bad: (C(7,5)·13 + C(7,6)) / C(20,6) = (273 + 7) / 38760.
        self::assertEqualsWithDelta(280.0 / 38_760.0, Hypergeometric::atLeast(5, 6, 7, 20), 1e-12);
    }

    public function test_a_lot_that_spoils_is_found_and_what_only_looks_like_it_is_not(): void
    {
        $result = (new InCommon)->of([
            ['what' => 'lot', 'value' => 'L-7', 'bad' => 9, 'all' => 12], ['what' => 'base', 'value' => 'pr-25', 'bad' => 7, 'all' => 60],
            ['what' => 'hour', 'value' => 'morning', 'bad' => 6, 'all' => 50],
            ['what' => 'mould', 'value' => 'M-3', 'bad' => 3, 'all' => 20],
        ], 12, 120);
        self::assertSame(['L-7'], array_column($result->found, 'value'));
        self::assertTrue($result->found[0]['sure']);
        self::assertSame(3, $result->found[0]['elsewhere_bad']);
        self::assertSame('fault.common_sure', $result->says()->code);
    }

    public function test_it_says_when_it_cannot_know(): void
    {
        $few = (new InCommon)->of([['what' => 'lot', 'value' => 'L-7', 'bad' => 2, 'all' => 2]], 2, 40);
        self::assertSame('fault.common_too_few', $few->says()->code);
        self::assertSame([], $few->found);
        // Three bad of six: even all three in one group of three has one chance in twenty, and four groups are looked at.
        $small = (new InCommon)->of(
            array_map(static fn (int $i): array => ['what' => 'mould', 'value' => "M-{$i}", 'bad' => 1, 'all' => 3], range(1, 4)), 3, 6,
        );
        self::assertSame('fault.common_too_few', $small->says()->code);
        $nothing = (new InCommon)->of(
            [['what' => 'base', 'value' => 'a', 'bad' => 10, 'all' => 50], ['what' => 'base', 'value' => 'b', 'bad' => 10, 'all' => 50]],
            20, 100,
        );
        self::assertSame('fault.common_nothing', $nothing->says()->code);
    }

    /** In shops where nothing is wrong it cries wolf in no more than one of twenty. */
    public function test_it_seldom_cries_wolf_where_everything_is_chance(): void
    {
        $random = new \Random\Randomizer(new \Random\Engine\Mt19937(29));
        $cried = 0;
        for ($shop = 0; $shop < 300; $shop++) {
            $groups = [];
            $bad = 0;
            for ($pour = 0; $pour < 150; $pour++) {
                $isBad = $random->getInt(1, 100) <= 15;
                $bad += (int) $isBad;
                foreach (['lot' => 8, 'base' => 4, 'mould' => 10, 'hour' => 4] as $what => $values) {
                    $value = $random->getInt(1, $values);
                    $groups["{$what}{$value}"] ??= ['what' => $what, 'value' => (string) $value, 'bad' => 0, 'all' => 0];
                    $groups["{$what}{$value}"]['all']++;
                    $groups["{$what}{$value}"]['bad'] += (int) $isBad;
                }
            }
            $found = (new InCommon)->of(array_values($groups), $bad, 150)->found;
            $cried += (int) ($found !== [] && $found[0]['sure']);
        }
        self::assertLessThanOrEqual(20, $cried);
    }
}
