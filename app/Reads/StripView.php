<?php

declare(strict_types=1);

namespace App\Reads;

/** The day strip: every live pour with where hands are needed, what it waits for, and the windows that close. */
final readonly class StripView implements View
{
    /**
     * @param  list<array{id: string, href: string, job: string, title: string, state: string, hands: list<array{from_ms: int, to_ms: int}>, waits: list<array{from_ms: int, to_ms: int}>, windows: list<array{kind: string, from_ms: int, to_ms: int}>}>  $lozenges
     * @param  list<array{id: string, at_ms: int, what: string, title: string, href: string}>  $calls
     * @param  list<array{pour_id: int, title: string, open_ms: int}>  $startable
     */
    public function __construct(private array $lozenges, private array $calls, private array $startable, private int $nowMs) {}

    /**
     * @return array{
     *     now_ms: int,
     *     lozenges: list<array{
     *         id: string, href: string, job: string, title: string, state: string,
     *         hands: list<array{from_ms: int, to_ms: int}>,
     *         waits: list<array{from_ms: int, to_ms: int}>,
     *         windows: list<array{kind: string, from_ms: int, to_ms: int}>
     *     }>,
     *     calls: list<array{id: string, at_ms: int, what: string, title: string, href: string}>,
     *     startable: list<array{pour_id: int, title: string, open_ms: int}>
     * }
     */
    public function toArray(): array
    {
        return ['now_ms' => $this->nowMs, 'lozenges' => $this->lozenges, 'calls' => $this->calls, 'startable' => $this->startable];
    }
}
