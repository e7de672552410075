<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Series;

use Apalos\Core\Mix\Line;
use Apalos\Core\Series\SeriesPlanner;
use Apalos\Core\Series\SeriesPuck;
use Apalos\Core\Units\Grams;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What a puck really has in it follows from what the display showed, not from what was wanted. */
final class TrueShareTest extends TestCase
{
    private static function line(string $code, float $grams): Line
    {
        return new Line($code, $code, Grams::of($grams), Grams::of($grams));
    }

    /**
     * @return iterable<string, array{float, float, float, float, bool, float}> plain and softener planned, the same as shown, in a ladder
     *   or not, per cent
     */
    public static function pucks(): iterable
    {
        // 20 g of A+B with 12 g of softener are 60 %; half a gram more of it is 12.5 / 20.
        yield 'as planned' => [20.0, 12.0, 20.0, 12.0, false, 60.0];
        yield 'more softener' => [20.0, 12.0, 20.0, 12.5, false, 62.5];
        yield 'more of the plain rubber' => [20.0, 12.0, 24.0, 12.0, false, 50.0];
        yield 'twice of everything is the same rubber' => [20.0, 12.0, 40.0, 24.0, false, 60.0];
        yield 'nothing plain in it says nothing' => [20.0, 12.0, 0.0, 12.0, false, 60.0];
        // In a ladder the share is of everything: 5 of 20 g are a quarter, 6 of 21 g are 28.57 %.
        yield 'a rung as planned' => [15.0, 5.0, 15.0, 5.0, true, 60.0];
        yield 'a rung with more' => [15.0, 5.0, 15.0, 6.0, true, 60.0 * (6.0 / 21.0) / 0.25];
        yield 'a rung with none' => [15.0, 5.0, 15.0, 0.0, true, 0.0];
    }

    #[DataProvider('pucks')]
    public function test_the_share_of_a_puck(
        float $plain,
        float $rising,
        float $plainShown,
        float $risingShown,
        bool $ladder,
        float $pct,
    ): void {
        $code = $ladder ? SeriesPlanner::FULL : 'sf-1';
        $puck = new SeriesPuck(60.0, 60.0, $plain + $rising, [self::line(SeriesPlanner::PLAIN, $plain), self::line($code, $rising)]);

        self::assertEqualsWithDelta(
            $pct, $puck->shareOf([self::line(SeriesPlanner::PLAIN, $plainShown), self::line($code, $risingShown)], $ladder), 1e-9,
        );
    }

    public function test_the_plain_puck_stays_plain(): void
    {
        $puck = new SeriesPuck(0.0, 0.0, 20.0, [self::line(SeriesPlanner::PLAIN, 20.0)]);

        self::assertSame(0.0, $puck->shareOf([self::line(SeriesPlanner::PLAIN, 25.0)], false));
        self::assertSame(0.0, $puck->shareOf([self::line(SeriesPlanner::PLAIN, 25.0)], true));
    }
}
