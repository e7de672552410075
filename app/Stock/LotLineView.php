<?php

declare(strict_types=1);

namespace App\Stock;

use App\Models\Lot;
use App\Models\LotPart;
use App\Types\View;

/**
 * A lot as lists show it.
 *
 * @phpstan-type LotLine array{
 *     id: int, label: string, code: string, got_on: string, opened_on: string|null, best_before: string|null, past: bool,
 *     days_open: int|null, share: float, price: string|null, note: string|null,
 *     trouble: string|null, ended: bool, remelts: int|null, bad: string|null,
 *     parts: list<array{part: string, maker_number: string|null, got_g: float, left_g: float}>
 * }
 */
final readonly class LotLineView implements View
{
    public function __construct(private Lot $lot, private string $today) {}

    /**
     * @return array{
     *     id: int, label: string, code: string, got_on: string, opened_on: string|null, best_before: string|null, past: bool,
     *     days_open: int|null, share: float, price: string|null, note: string|null,
     *     trouble: string|null, ended: bool, remelts: int|null, bad: string|null,
     *     parts: list<array{part: string, maker_number: string|null, got_g: float, left_g: float}>
     * }
     */
    public function toArray(): array
    {
        $lot = $this->lot;

        return [
            'id' => $lot->id, 'label' => $lot->label(), 'code' => $lot->code, 'got_on' => substr($lot->got_on, 0, 10),
            'opened_on' => $lot->opened_on === null ? null : substr($lot->opened_on, 0, 10),
            'best_before' => $lot->best_before === null ? null : substr($lot->best_before, 0, 10),
            'past' => $lot->best_before !== null && substr($lot->best_before, 0, 10) < $this->today,
            'days_open' => $lot->opened_on === null
                ? null
                : max(0, (int) ((strtotime($this->today) - strtotime(substr($lot->opened_on, 0, 10))) / 86_400)),
            'share' => RecordedLot::share($lot), 'price' => $lot->price, 'note' => $lot->note, 'trouble' => $lot->trouble?->value,
            'ended' => $lot->ended_at !== null, 'remelts' => $lot->remelts,
            'bad' => $lot->recalled_at === null ? null : ($lot->recalled_why ?? ''),
            'parts' => array_values(
                $lot->parts->map(
                    static fn (LotPart $part): array => [
                        'part' => $part->part, 'maker_number' => $part->maker_number, 'got_g' => $part->got_g, 'left_g' => $part->left_g,
                    ],
                )->all(),
            ),
        ];
    }
}
