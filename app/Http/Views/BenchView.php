<?php

declare(strict_types=1);

namespace App\Http\Views;

/** The bench: what needs hands now, next and later, each with the one number that matters. */
final readonly class BenchView implements View
{
    /** @param  list<array{pour_id: int, group: string, title: string, base: string, what: string, number: float|null, unit: string|null, label: string, from_ms: int|null, to_ms: int|null, href: string, colour: string, action: string}>  $items */
    public function __construct(private array $items) {}

    /**
     * @return array{items: list<array{
     *     pour_id: int, group: string, title: string, base: string, what: string, number: float|null, unit: string|null, label: string,
     *     from_ms: int|null, to_ms: int|null, href: string, colour: string, action: string
     * }>}
     */
    public function toArray(): array
    {
        return ['items' => $this->items];
    }
}
