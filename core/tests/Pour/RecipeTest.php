<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Pour;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Pour\Recipe;
use Apalos\Core\Result\Warning;
use Apalos\Core\Tests\Material\SheetsTest;
use Apalos\Core\Tests\Words;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A recipe held against the sheets of what goes into it. */
final class RecipeTest extends TestCase
{
    /** @param  list<array{string, float|int, string, string}>  $lines  code, amount, basis, side */
    private static function recipe(array $lines, string $base = 'pr-10'): Recipe
    {
        return Recipe::from(
            Fields::of([
                'base' => $base,
                'additives' => array_map(
                    static fn (array $l): array => ['code' => $l[0], 'amount' => $l[1], 'basis' => $l[2], 'into' => $l[3]], $lines,
                ),
            ]),
            SheetsTest::shelf(),
        );
    }

    /**
     * @return iterable<string, array{array{string, float|int, string, string}, string|null}> what goes in, and how much of what that is
     *   where it is too much; all by hand, for a 1:1 base
     */
    public static function counted(): iterable
    {
        yield 'twice one part is all of A+B, and allowed' => [['sf-1', 200, 'pct_of_a', 'after'], null];
        yield 'a little more than twice is not' => [
            ['sf-1', 201, 'pct_of_a', 'after'], 'Softener is 100.5 % of A+B, past the sheet’s limit of 100.',
        ];
        yield 'counted on B it is the same' => [
            ['sf-1', 250, 'pct_of_b', 'after'], 'Softener is 125 % of A+B, past the sheet’s limit of 100.',
        ];
        yield 'half of everything is as much as A+B' => [['sf-1', 50, 'pct_of_total', 'after'], null];
        yield 'a hundredth more of everything: 0.51 / 0.49' => [
            ['sf-1', 51, 'pct_of_total', 'after'], 'Softener is 104.08 % of A+B, past the sheet’s limit of 100.',
        ];
        yield 'three of a hundred and three is less than three of a hundred' => [['pi-fawn', 3, 'pct_of_ab', 'b'], null];
        yield 'five of a hundred and five' => [
            ['pi-fawn', 5, 'pct_of_ab', 'b'], 'Fawn pigment is 4.76 % of everything, past the sheet’s limit of 3.',
        ];
        yield '0.35 g to 100 g are eleven drops and two thirds' => [['ac-1', 0.7, 'pct_of_a', 'a'], null];
        yield '0.5 g to 100 g are sixteen drops and two thirds' => [
            ['ac-1', 1, 'pct_of_a', 'a'], 'Accelerator is 16.67 drops to 100 g of A+B, past the sheet’s limit of 12.',
        ];
    }

    /** @param  array{string, float|int, string, string}  $line */
    #[DataProvider('counted')]
    public function test_a_limit_holds_whatever_the_percentage_is_counted_on(array $line, ?string $says): void
    {
        $warnings = array_values(array_filter(self::recipe([$line])->warnings(), static fn (Warning $w): bool => $w->code === 'over_max'));

        $says === null
            ? self::assertSame([], $warnings)
            : self::assertStringStartsWith($says, isset($warnings[0]) ? Words::of($warnings[0]->message) : 'Nothing was said.');
    }

    public function test_what_is_for_paint_has_no_business_in_a_cast(): void
    {
        $recipe = self::recipe([['nv-1', 20, 'pct_of_ab', 'after']]);
        $codes = static fn (bool $asPaint): array => array_map(static fn (Warning $w): string => $w->code, $recipe->warnings($asPaint));

        self::assertContains('paint_only', $codes(false));
        self::assertNotContains('paint_only', $codes(true));
    }

    public function test_what_goes_in_with_nothing_of_it_is_not_in_it(): void
    {
        $recipe = self::recipe([['sf-1', 0, 'pct_of_ab', 'after'], ['pi-fawn', 1, 'pct_of_total', 'b']]);

        self::assertSame(['pi-fawn'], array_map(static fn ($sheet): string => $sheet->code, $recipe->sheets()));
        self::assertEqualsWithDelta(['sf-1' => 0.0, 'pi-fawn' => 0.01 / 0.99], $recipe->loads(), 1e-12);
        self::assertSame(['A', 'B', 'sf-1', 'pi-fawn'], array_keys($recipe->colours()));
    }

    public function test_shares_that_leave_no_rubber_are_no_warning_of_the_recipe(): void
    {
        $recipe = self::recipe([['sf-1', 97, 'pct_of_total', 'after']]);

        self::assertSame([], $recipe->warnings());
        $this->expectException(BadInput::class);
        $recipe->composition();
    }
}
