<?php

declare(strict_types=1);

namespace App\Day;

use App\Types\View;

/**
 * The day strip as it is at a moment.
 *
 * @phpstan-import-type DrawnStrip from DrawStrip
 */
final readonly class StripView implements View
{
    /** @param  DrawnStrip  $drawn */
    public function __construct(private array $drawn, private int $nowMs) {}

    /**
     * @return array{
     *     now_ms: int,
     *     lozenges: list<array{
     *         id: string, href: string, job: string, title: string, state: string,
     *         hands: list<array{from_ms: int, to_ms: int}>,
     *         waits: list<array{from_ms: int, to_ms: int}>,
     *         windows: list<array{kind: string, from_ms: int, to_ms: int}>
     *     }>,
     *     calls: list<array{id: string, at_ms: int, what: string, event: string|null, event_ms: int|null, title: string, href: string}>,
     *     startable: list<array{pour_id: int, title: string, open_ms: int}>,
     *     plans: list<array{
     *         id: string, href: string, job: string, title: string, name: string, from_ms: int, to_ms: int, moves: bool, live: bool,
     *         opens_ms: int|null, shuts_ms: int|null,
     *     }>
     * }
     */
    public function toArray(): array
    {
        $isShown = fn (array $of): bool => $of['until_ms'] >= $this->nowMs;
        $untilNow = fn (array $span): array => ['from_ms' => $span['from_ms'], 'to_ms' => $span['to_ms'] ?? $this->nowMs];

        return [
            'now_ms' => $this->nowMs,
            'lozenges' => array_map(
                static fn (array $of): array => [...$of['shown'], 'hands' => array_map($untilNow, $of['shown']['hands'])],
                array_values(array_filter($this->drawn['lozenges'], $isShown)),
            ),
            'calls' => array_column(array_values(array_filter($this->drawn['calls'], $isShown)), 'shown'),
            'startable' => array_map(
                fn (array $of): array => [
                    'pour_id' => $of['pour_id'], 'title' => $of['title'],
                    'open_ms' => $this->nowMs + 60_000 * (int) ceil($of['demould_min']),
                ],
                $this->drawn['startable'],
            ),
            'plans' => $this->drawn['plans'],
        ];
    }
}
