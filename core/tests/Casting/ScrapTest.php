<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Casting;

use Apalos\Core\Casting\Scrap;
use Apalos\Core\Input\Fields;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** What is left of a hot pour melts again, and each melt costs. */
final class ScrapTest extends TestCase
{
    private static function scrap(): Scrap
    {
        return Scrap::from(Fields::of(['code' => 'hv-re', 'most' => 5, 'harder' => 1.5]));
    }

    /** Fresh vinyl was melted once when it is left over; back on the heat once more. */
    #[TestWith([0, 0, 1])]
    #[TestWith([0, 2, 3])]
    #[TestWith([3, 0, 4])]
    #[TestWith([3, 1, 5])]
    public function test_how_often_it_was_melted(int $went, int $reheats, int $melted): void
    {
        self::assertSame($melted, Scrap::remelts($went, $reheats));
    }

    /** By hand: of 30 % twice melted at 1.5 points a melt come 0.9 points; of nothing none; it only grows. */
    public function test_how_much_harder_the_cast_comes_out(): void
    {
        self::assertEqualsWithDelta(0.9, self::scrap()->hardens(0.3, 2), 1e-12);
        self::assertSame(0.0, self::scrap()->hardens(0.0, 4));
        for ($i = 0; $i < 50; $i++) {
            self::assertGreaterThan(self::scrap()->hardens($i / 100.0, 2), self::scrap()->hardens(($i + 1) / 100.0, 2));
            self::assertGreaterThanOrEqual(self::scrap()->hardens(0.4, $i), self::scrap()->hardens(0.4, $i + 1));
        }
    }

    public function test_melted_as_often_as_it_bears_it_is_to_be_thrown_away(): void
    {
        self::assertSame('run.scrap_expects', self::scrap()->says('L-4', 0.3, 4)->code);
        self::assertSame('run.scrap_too_often', self::scrap()->says('L-4', 0.3, 5)->code);
    }
}
