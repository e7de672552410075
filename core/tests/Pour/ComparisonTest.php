<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Pour;

use Apalos\Core\Input\Fields;
use Apalos\Core\Material\Shelf;
use Apalos\Core\Pour\ComparisonResult;
use Apalos\Core\Pour\Recipe;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Yaml\Yaml;

final class ComparisonTest extends TestCase
{
    /** @param  list<array{string, float, string, string}>  $lines */
    private static function recipe(string $base, array $lines): Recipe
    {
        return Recipe::from(
            Fields::of([
                'base' => $base,
                'additives' => array_map(
                    static fn (array $l): array => ['code' => $l[0], 'amount' => $l[1], 'basis' => $l[2], 'into' => $l[3]], $lines,
                ),
            ]),
            Shelf::of(array_map(Yaml::parseFile(...), glob(__DIR__.'/../../../library/materials/*.yaml') ?: [])),
        );
    }

    public function test_another_basis_is_not_another_formula(): void
    {
        $same = ComparisonResult::of(
            self::recipe('pr-10', [['sf-1', 60, 'pct_of_ab', 'after']]), self::recipe('pr-10', [['sf-1', 120, 'pct_of_a', 'after']]),
        );

        self::assertSame('same', $same->rows[0]['change']);
        self::assertEqualsWithDelta(['pct_of_ab' => 60.0, 'pct_of_one_part' => 120.0], $same->rows[0]['right'], 1e-9);
        self::assertSame($same->leftSg, $same->rightSg);
    }

    public function test_what_came_went_rose_and_fell(): void
    {
        $compared = ComparisonResult::of(
            self::recipe('pr-10', [
                ['pi-fawn', 0.8, 'pct_of_ab', 'b'], ['fl-red', 0.3, 'pct_of_ab', 'b'], ['sf-1', 60, 'pct_of_ab', 'after'],
            ]),
            self::recipe('pr-10', [
                ['pi-fawn', 0.5, 'pct_of_ab', 'b'], ['sf-1', 75, 'pct_of_ab', 'after'], ['tk-1', 1, 'pct_of_ab', 'after'],
            ]),
        );

        self::assertSame(
            ['Fawn pigment' => 'less', 'Red flock' => 'gone', 'Softener' => 'more', 'Thickener' => 'new'],
            array_column($compared->rows, 'change', 'name'),
        );
        self::assertNull($compared->rows[3]['left']);
        self::assertLessThan($compared->leftSg, $compared->rightSg, 'More oil is lighter.');
        self::assertTrue($compared->sameBase && $compared->sameOrder);
    }

    public function test_another_base_and_another_order_are_said(): void
    {
        $compared = ComparisonResult::of(
            self::recipe('pr-10', [['pi-fawn', 0.8, 'pct_of_ab', 'b'], ['sf-1', 60, 'pct_of_ab', 'after']]),
            self::recipe('pr-25', [['sf-1', 60, 'pct_of_ab', 'after'], ['pi-fawn', 0.8, 'pct_of_ab', 'b']]),
        );

        self::assertFalse($compared->sameBase);
        self::assertFalse($compared->sameOrder);
        self::assertSame(['same', 'same'], array_column($compared->rows, 'change'));
    }

    public function test_of_one_part_follows_the_ratio(): void
    {
        $shares = ComparisonResult::of(
            self::recipe('tr-25', [['tn-1', 10, 'pct_of_ab', 'after']]), self::recipe('tr-25', []),
        )->rows[0]['left'];

        // tr-25 is 10:1, so A is 10/11 of A+B.
        self::assertEqualsWithDelta(['pct_of_ab' => 10.0, 'pct_of_one_part' => 11.0], $shares, 1e-9);
    }
}
