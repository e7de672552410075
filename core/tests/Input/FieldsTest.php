<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Input;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Mix\Basis;
use Apalos\Core\Tests\Words;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class FieldsTest extends TestCase
{
    /**
     * @return iterable<string, array{callable(Fields): mixed, mixed, string, string}> how it is read, what was there, where and what is
     *   said
     */
    public static function wrong(): iterable
    {
        $number = static fn (Fields $in): float => $in->number('x', 0.0, 100.0);
        yield 'missing' => [$number, null, 'cup.x', 'missing'];
        yield 'a word' => [$number, 'many', 'cup.x', '“many”'];
        yield 'a number in quotes' => [$number, '12', 'cup.x', 'needs a number'];
        yield 'a decimal comma' => [$number, '12,5', 'cup.x', '12.5'];
        yield 'a list' => [$number, [1], 'cup.x', 'a list'];
        yield 'true' => [$number, true, 'cup.x', 'true'];
        yield 'not finite' => [$number, INF, 'cup.x', 'too large to mean anything'];
        yield 'nearer to nothing than anything can be measured' => [$number, 1.0e-320, 'cup.x', 'too near to zero to mean anything'];
        yield 'not a number' => [$number, NAN, 'cup.x', 'too large to mean anything'];
        yield 'too small' => [$number, -0.5, 'cup.x', '0 or more; it was -0.5'];
        yield 'too large' => [$number, 101, 'cup.x', '100 at most; it was 101'];
        yield 'zero where more is needed' => [static fn (Fields $in): float => $in->positive('x'), 0, 'cup.x', 'more than 0'];
        yield 'an empty name' => [static fn (Fields $in): string => $in->text('x'), '  ', 'cup.x', 'a word or a name'];
        yield 'a yes in words' => [static fn (Fields $in): bool => $in->bool('x'), 'yes', 'cup.x', 'true or false'];
        yield 'a choice nobody offers' => [
            static fn (Fields $in): mixed => $in->choice('x', Basis::class), 'pct', 'cup.x', 'pct_of_ab, pct_of_a',
        ];
        yield 'no object' => [static fn (Fields $in): Fields => $in->object('x'), [1, 2], 'cup.x', 'named fields'];
        yield 'no list' => [static fn (Fields $in): array => $in->objects('x'), ['a' => 1], 'cup.x', 'must be a list'];
        yield 'a list of something else' => [
            static fn (Fields $in): array => $in->objects('x'), [['a' => 1], 5], 'cup.x.1', 'must be an object',
        ];
        yield 'words that are no words' => [static fn (Fields $in): array => $in->strings('x'), ['a', 2], 'cup.x.1', 'must be a word'];
        yield 'numbers that are no numbers' => [static fn (Fields $in): array => $in->numbers('x'), [1, 'two'], 'cup.x.1', '“two”'];
        yield 'a field too many' => [static fn (Fields $in): Fields => $in->only('y', 'z'), 1, 'cup.x', 'Known are: y, z.'];
    }

    #[DataProvider('wrong')]
    public function test_what_is_wrong_is_said_with_its_path(callable $read, mixed $value, string $field, string $says): void
    {
        try {
            $read(Fields::of(['x' => $value], 'cup'));
            self::fail('This should have been refused.');
        } catch (BadInput $wrong) {
            self::assertSame($field, $wrong->field);
            self::assertStringContainsString($says, Words::of($wrong));
            self::assertSame(['error' => ['field' => $field, 'message' => Words::of($wrong)]], $wrong->told(Words::book()));
        }
    }

    public function test_what_is_right_is_read_as_it_is(): void
    {
        $in = Fields::of([
            'n' => 3, 'f' => 2.5, 't' => ' fawn ', 'no' => null, 'yes' => true, 'o' => ['k' => 1], 'l' => [['k' => 1], ['k' => 2]],
            'w' => ['a', 'b'], 'd' => [1, 2.5], 'e' => '', 'b' => 'pct_of_ab',
        ]);

        self::assertSame([3.0, 2.5, 'fawn', true], [$in->number('n'), $in->positive('f'), $in->text('t'), $in->bool('yes')]);
        self::assertSame(
            [null, null, null, null], [$in->numberOrNull('no'), $in->textOrNull('e'), $in->objectOrNull('no'), $in->positiveOrNull('gone')],
        );
        self::assertSame([1.0, 2.0], array_map(static fn (Fields $f): float => $f->number('k'), $in->objects('l')));
        self::assertSame(
            [['a', 'b'], [1.0, 2.5], [], []], [$in->strings('w'), $in->numbers('d'), $in->strings('gone'), $in->objects('gone')],
        );
        self::assertSame([Basis::OfAB, 'o.k'], [$in->choice('b', Basis::class), $in->object('o')->at('k')]);
        self::assertFalse($in->has('no'));
    }

    /** Where nought lies inside the range, a crumb beside it is nought; where it must be more, a crumb means nothing. */
    public function test_a_crumb_beside_nought_is_nought_where_nought_is_inside(): void
    {
        $in = Fields::of(['at' => [6.7e-17, -1e-300, 3.0], 'mm' => 6.7e-17]);
        self::assertSame([0.0, 0.0, 3.0], $in->numbers('at', -20_000.0, 20_000.0));
        self::assertSame(0.0, $in->number('mm', -1.0, 1.0));
        $this->expectException(BadInput::class);
        $in->number('mm');
    }

    public function test_only_what_is_missing_counts_as_missing(): void
    {
        foreach ([[[], true], [['x' => null], true], [['x' => 'much'], false], [['x' => -1], false]] as [$values, $missing]) {
            try {
                Fields::of($values)->number('x');
                self::fail('This should have been refused.');
            } catch (BadInput $wrong) {
                self::assertSame($missing, $wrong->isMissing);
            }
        }
    }
}
