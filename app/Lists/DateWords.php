<?php

declare(strict_types=1);

namespace App\Lists;

use Carbon\CarbonImmutable;

/** Dates among the words somebody looks for: October, last week, yesterday, 3 Nov, 2026-11-03, 2025. What is no date stays a word. */
final readonly class DateWords
{
    private const MONTHS = [
        'january', 'february', 'march', 'april', 'may', 'june', 'july', 'august', 'september', 'october', 'november', 'december',
    ];

    /** Shorter than this a word could begin too many months, and is a word. */
    private const LEAST_LETTERS = 3;

    private function __construct(public string $words, public ?CarbonImmutable $from, public ?CarbonImmutable $until) {}

    /**
     * @param  string  $zone  of the workshop, whose days these are
     */
    public static function in(string $said, CarbonImmutable $now, string $zone): self
    {
        $today = $now->setTimezone($zone)->startOfDay();
        $text = ' '.mb_strtolower(trim((string) preg_replace('/[\s,]+/u', ' ', $said))).' ';
        foreach (self::spans($today) as $pattern => $span) {
            if (preg_match("/ (?:in |on |since )?(?:{$pattern}) /u", $text, $found) !== 1) {
                continue;
            }
            $days = $span($found);
            if ($days !== null) {
                $rest = trim(str_replace($found[0], ' ', $text));

                return new self($rest, $days[0]->utc(), str_contains($found[0], 'since ') ? null : $days[1]->utc());
            }
        }

        return new self(trim($said), null, null);
    }

    /**
     * @return array<string, callable(array<int|string, string>): (array{CarbonImmutable, CarbonImmutable}|null)> the first moment and the
     *   first after it, by pattern
     */
    private static function spans(CarbonImmutable $today): array
    {
        $week = $today->startOfWeek(CarbonImmutable::MONDAY);
        $month = implode(
            '|',
            array_map(
                static fn (string $name): string => substr($name, 0, self::LEAST_LETTERS).'(?:'.implode(
                    '|',
                    array_map(
                        static fn (int $letters): string => substr($name, self::LEAST_LETTERS, $letters),
                        range(max(0, strlen($name) - self::LEAST_LETTERS), 0),
                    ),
                ).')',
                self::MONTHS,
            ),
        );

        return [
            'today' => static fn (): array => [$today, $today->addDay()],
            'yesterday' => static fn (): array => [$today->subDay(), $today],
            'this week' => static fn (): array => [$week, $week->addWeek()],
            'last week' => static fn (): array => [$week->subWeek(), $week],
            'this month' => static fn (): array => [$today->startOfMonth(), $today->startOfMonth()->addMonth()],
            'last month' => static fn (): array => [$today->startOfMonth()->subMonth(), $today->startOfMonth()],
            'this year' => static fn (): array => [$today->startOfYear(), $today->startOfYear()->addYear()],
            'last year' => static fn (): array => [$today->startOfYear()->subYear(), $today->startOfYear()],
            '(?<y>\d{4})-(?<m>\d{1,2})-(?<d>\d{1,2})' => static fn (array $f): ?array => self::day(
                $today, (int) $f['y'], (int) $f['m'], (int) $f['d'],
            ),
            "(?<d>\\d{1,2})(?:st|nd|rd|th)? (?<name>{$month})(?: (?<y>\\d{4}))?" => static fn (array $f): ?array => self::day(
                $today, (int) ($f['y'] ?? 0), self::month($f['name']), (int) $f['d'],
            ),
            "(?<name>{$month})(?: (?<y>\\d{4}))?" => static fn (array $f): array => self::whole(
                $today, (int) ($f['y'] ?? 0), self::month($f['name']),
            ),
            '(?<y>20\d{2})' => static fn (array $f): array => [
                $today->setDate((int) $f['y'], 1, 1), $today->setDate((int) $f['y'] + 1, 1, 1),
            ],
        ];
    }

    private static function month(string $name): int
    {
        foreach (self::MONTHS as $i => $month) {
            if (str_starts_with($month, $name)) {
                return $i + 1;
            }
        }

        return 1;
    }

    /** @return array{CarbonImmutable, CarbonImmutable}|null null where there is no such day */
    private static function day(CarbonImmutable $today, int $year, int $month, int $day): ?array
    {
        $year = $year > 0 ? $year : self::last($today, $month, $day);
        if (! checkdate($month, $day, $year)) {
            return null;
        }
        $at = $today->setDate($year, $month, $day);

        return [$at, $at->addDay()];
    }

    /** @return array{CarbonImmutable, CarbonImmutable} */
    private static function whole(CarbonImmutable $today, int $year, int $month): array
    {
        $at = $today->setDate($year > 0 ? $year : self::last($today, $month, 1), $month, 1);

        return [$at, $at->addMonth()];
    }

    /** The year in which it was last: what is looked for has been. */
    private static function last(CarbonImmutable $today, int $month, int $day): int
    {
        return [$month, $day] > [$today->month, $today->day] ? $today->year - 1 : $today->year;
    }
}
