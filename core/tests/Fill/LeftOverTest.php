<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Fill;

use Apalos\Core\Fill\CameShort;
use Apalos\Core\Fill\LeftOver;
use Apalos\Core\Units\Density;
use Apalos\Core\Units\Millilitres;
use Apalos\Core\Units\Minutes;
use PHPUnit\Framework\TestCase;

final class LeftOverTest extends TestCase
{
    private const WAITING = [
        ['name' => 'Key tray', 'ml' => 12.0], ['name' => 'Puck', 'ml' => 18.0], ['name' => 'Frog', 'ml' => 27.5],
        ['name' => 'Wedge', 'ml' => 9.0],
    ];

    public function test_what_fills_most_of_what_is_left(): void
    {
        // 39 ml: 27.5 + 9 leaves less over than 12 + 18 + 9, which is all of it.
        self::assertSame([0, 1, 3], (new LeftOver)->fill(Millilitres::of(39.0), Minutes::of(10.0), 100.0, self::WAITING));
        self::assertSame([2, 3], (new LeftOver)->fill(Millilitres::of(38.0), Minutes::of(10.0), 100.0, self::WAITING));
        self::assertSame([], (new LeftOver)->fill(Millilitres::of(8.9), Minutes::of(10.0), 100.0, self::WAITING));
    }

    public function test_in_the_minutes_that_remain(): void
    {
        // At 30 ml a minute the puck alone takes 0.25 + 0.6; two things no longer fit into a minute.
        self::assertSame([1], (new LeftOver)->fill(Millilitres::of(39.0), Minutes::of(1.0), 30.0, self::WAITING));
        self::assertSame([], (new LeftOver)->fill(Millilitres::of(39.0), Minutes::of(0.3), 30.0, self::WAITING));
    }

    public function test_no_set_that_fits_fills_more(): void
    {
        $random = new \Random\Randomizer(new \Random\Engine\Mt19937(17));
        for ($i = 0; $i < 40; $i++) {
            $waiting = array_map(static fn (int $n): array => ['name' => "t{$n}", 'ml' => $random->getInt(20, 400) / 10.0], range(1, 7));
            [$left, $minutes] = [$random->getInt(100, 1000) / 10.0, $random->getInt(5, 40) / 10.0];
            $sum = static fn (array $which): float => array_sum(array_map(static fn (int $n): float => $waiting[$n]['ml'], $which));
            $fits = static fn (array $which): bool => $sum($which) <= $left + 1e-6
                && 0.25 * count($which) + $sum($which) / 60.0 <= $minutes;
            $found = (new LeftOver)->fill(Millilitres::of($left), Minutes::of($minutes), 60.0, $waiting);
            self::assertTrue($fits($found));
            for ($mask = 0; $mask < 128; $mask++) {
                $which = array_values(array_filter(range(0, 6), static fn (int $n): bool => ($mask >> $n & 1) === 1));
                self::assertTrue(! $fits($which) || $sum($which) <= $sum($found) + 1e-6);
            }
        }
    }

    public function test_came_up_short(): void
    {
        // 9000 mm² three mm too low: 27 ml, 29.7 g at 1.1; 35 % of 227 ml may be scrap, so all of it can be.
        $short = CameShort::of(9_000.0, 3.0, Density::of(1.1), Millilitres::of(200.0));
        self::assertEqualsWithDelta(27.0, $short->missing->ml, 1e-9);
        self::assertEqualsWithDelta(29.7, $short->fresh->g, 1e-9);
        self::assertEqualsWithDelta(29.7, $short->scrap->g, 1e-9);
        self::assertSame(0.0, $short->freshBeside->g);
        // A shallow tray: of 18 + 27 ml no more than 15.75 may be scrap, the rest is mixed.
        $tray = CameShort::of(9_000.0, 3.0, Density::of(1.1), Millilitres::of(18.0));
        self::assertEqualsWithDelta(17.325, $tray->scrap->g, 1e-9);
        self::assertEqualsWithDelta(12.375, $tray->freshBeside->g, 1e-9);
    }
}
