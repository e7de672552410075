<?php

declare(strict_types=1);

namespace App\Day;

use Apalos\Core\Phrase\Phrase;
use App\Types\View;

/**
 * The bench: what needs hands now, next and later, each with the one number that matters; and what waits to be read.
 *
 * @phpstan-type BenchItemShape array{
 *     id: string, group: string, title: string, base: string, what: string, number: float|null, unit: string|null, label: string,
 *     from_ms: int|null, to_ms: int|null, href: string, colour: string, action: string
 * }
 * @phpstan-type BenchReadyShape array{
 *     title: string, href: string, colour: string, ready_ms: int, full: bool, wanted_on: string|null, late_days: int,
 * }
 */
final readonly class BenchView implements View
{
    /**
     * @param  list<BenchItemShape>  $items
     * @param  list<array{what: Phrase, href: string, count: int}>  $small
     * @param  list<BenchReadyShape>  $ready
     */
    public function __construct(private array $items, private array $small, private array $ready) {}

    /**
     * @return array{items: list<BenchItemShape>, small: list<array{what: Phrase, href: string, count: int}>, ready: list<BenchReadyShape>}
     */
    public function toArray(): array
    {
        return ['items' => $this->items, 'small' => $this->small, 'ready' => $this->ready];
    }
}
