<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Lists\DateWords;
use Carbon\CarbonImmutable;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Looked for on Wednesday 4 March 2026 at a quarter past ten, in a workshop five and a half hours east of Greenwich. */
final class DateWordsTest extends TestCase
{
    /**
     * @return iterable<string, array{string, string, string|null, string|null}> what is typed, the words left, from and until as days there
     */
    public static function said(): iterable
    {
        yield 'a month that has been this year' => ['february', '', '2026-02-01', '2026-03-01'];
        yield 'one that has not' => ['October', '', '2025-10-01', '2025-11-01'];
        yield 'a month cut short' => ['oct', '', '2025-10-01', '2025-11-01'];
        yield 'a month of a year' => ['Oct 2024', '', '2024-10-01', '2024-11-01'];
        yield 'in the middle of words' => ['brow in October flash', 'brow flash', '2025-10-01', '2025-11-01'];
        yield 'last week' => ['last week', '', '2026-02-23', '2026-03-02'];
        yield 'this week' => ['gasket this week', 'gasket', '2026-03-02', '2026-03-09'];
        yield 'yesterday' => ['yesterday', '', '2026-03-03', '2026-03-04'];
        yield 'last month' => ['last month', '', '2026-02-01', '2026-03-01'];
        yield 'a day' => ['3 nov', '', '2025-11-03', '2025-11-04'];
        yield 'a day with its ending' => ['1st March', '', '2026-03-01', '2026-03-02'];
        yield 'as a file writes it' => ['2026-01-15', '', '2026-01-15', '2026-01-16'];
        yield 'a year' => ['2025', '', '2025-01-01', '2026-01-01'];
        yield 'since' => ['since february', '', '2026-02-01', null];
        yield 'a day there is not' => ['30 feb', '30', '2026-02-01', '2026-03-01'];
        yield 'a name that begins like a month' => ['Marching boot', 'Marching boot', null, null];
        yield 'an octopus' => ['octopus', 'octopus', null, null];
        yield 'no date' => ['owl brow', 'owl brow', null, null];
        yield 'nothing' => ['', '', null, null];
    }

    #[DataProvider('said')]
    public function test_dates_are_found_among_the_words(string $said, string $words, ?string $from, ?string $until): void
    {
        $found = DateWords::in($said, CarbonImmutable::parse('2026-03-04 10:15:00', 'UTC'), 'Asia/Kolkata');

        $day = static fn (?CarbonImmutable $at): ?string => $at?->setTimezone('Asia/Kolkata')->format('Y-m-d');
        self::assertSame([$words, $from, $until], [$found->words, $day($found->from), $day($found->until)]);
    }
}
