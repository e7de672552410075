<?php

declare(strict_types=1);

namespace App\Labels;

use App\Types\View;

/** What waits for the label printer, what stands in its way, and what came out last. */
final readonly class PrintQueueView implements View
{
    private const SHOWN = 30;

    private const LAST = 5;

    public function __construct(private PrintQueue $queue, private Roll $roll) {}

    /**
     * @return array{
     *     roll: array{w_mm: float, h_mm: float, dots_mm: float}, at_a_press: int, waits: int,
     *     labels: list<array{id: int, what: string, state: string, why: string|null, asked_ms: int}>,
     *     last: list<array{id: int, what: string, printed_ms: int}>,
     * }
     */
    public function toArray(): array
    {
        return [
            'roll' => $this->roll->toArray(), 'at_a_press' => $this->roll->atAPress(), 'waits' => $this->queue->unprinted()->count(),
            'labels' => array_values($this->queue->unprinted()->orderBy('id')->limit(self::SHOWN)->get([
                'id', 'what', 'state', 'why', 'asked_at',
            ])->map(static fn (Printing $label): array => [
                'id' => $label->id, 'what' => $label->what, 'state' => $label->state, 'why' => $label->why,
                'asked_ms' => (int) $label->asked_at->getTimestampMs(),
            ])->all()),
            'last' => array_values(Printing::query()->where('state', Printing::PRINTED)->orderByDesc('id')->limit(self::LAST)->get([
                'id', 'what', 'sent_at', 'asked_at',
            ])->map(static fn (Printing $label): array => [
                'id' => $label->id, 'what' => $label->what, 'printed_ms' => (int) ($label->sent_at ?? $label->asked_at)->getTimestampMs(),
            ])->all()),
        ];
    }
}
