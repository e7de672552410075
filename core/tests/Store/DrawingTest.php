<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Store;

use Apalos\Core\Store\Drawing;
use Apalos\Core\Store\Held;
use Apalos\Core\Units\Grams;
use PHPUnit\Framework\TestCase;

final class DrawingTest extends TestCase
{
    private static function held(int $lot, float $g): Held
    {
        return new Held($lot, Grams::of($g));
    }

    public function test_the_oldest_first_then_the_next_then_short(): void
    {
        $drawn = Drawing::of(Grams::of(250.0), [self::held(7, 120.0), self::held(9, 0.0), self::held(3, 80.0)]);
        self::assertSame([7 => 120.0, 3 => 80.0], array_map(static fn (Grams $g): float => $g->g, $drawn->taken));
        self::assertSame(50.0, $drawn->short->g);
        self::assertSame(0.0, Drawing::of(Grams::of(120.0), [self::held(7, 120.0)])->short->g);
        self::assertSame(40.0, Drawing::of(Grams::of(40.0), [])->short->g);
    }

    public function test_grams_add_up_whatever_the_lots_hold(): void
    {
        $random = new \Random\Randomizer(new \Random\Engine\Mt19937(5));
        for ($i = 0; $i < 200; $i++) {
            $lots = array_map(
                static fn (int $lot): Held => self::held($lot, $random->getInt(0, 5000) / 10.0), range(1, $random->getInt(1, 6)),
            );
            $needed = $random->getInt(0, 20_000) / 10.0;
            $drawn = Drawing::of(Grams::of($needed), $lots);
            self::assertEqualsWithDelta(
                $needed, $drawn->short->g + array_sum(array_map(static fn (Grams $g): float => $g->g, $drawn->taken)), 1e-6,
            );
            foreach ($lots as $lot) {
                self::assertLessThanOrEqual($lot->left->g + 1e-9, ($drawn->taken[$lot->lot] ?? Grams::of(0.0))->g);
            }
        }
    }
}
