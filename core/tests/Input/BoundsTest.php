<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Input;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A list may be as long as a workshop needs it, and no longer. */
final class BoundsTest extends TestCase
{
    /** @return iterable<string, array{\Closure(int): mixed}> */
    public static function lists(): iterable
    {
        yield 'entries' => [static fn (int $n): array => Fields::of(['of' => array_fill(0, $n, ['a' => 1])])->objects('of')];
        yield 'numbers' => [static fn (int $n): array => Fields::of(['of' => array_fill(0, $n, 1.5)])->numbers('of')];
        yield 'numbers yet to come' => [static fn (int $n): array => Fields::of(['of' => array_fill(0, $n, null)])->numbersOrNull('of')];
        yield 'words' => [static fn (int $n): array => Fields::of(['of' => array_fill(0, $n, 'x')])->strings('of')];
    }

    /** @param  \Closure(int): mixed  $list */
    #[DataProvider('lists')]
    public function test_the_last_that_fits_is_taken_and_the_next_is_refused_with_both_figures(\Closure $list): void
    {
        self::assertCount(Fields::MOST, (array) $list(Fields::MOST));
        try {
            $list(Fields::MOST + 1);
            self::fail('One too many was taken.');
        } catch (BadInput $wrong) {
            self::assertSame('of', $wrong->field);
            self::assertSame(['most' => 100, 'there' => 101], $wrong->says->values);
        }
    }

    public function test_where_more_is_needed_more_is_taken(): void
    {
        self::assertCount(400, Fields::of(['of' => array_fill(0, 400, ['a' => 1])])->objects('of', 400));
    }
}
