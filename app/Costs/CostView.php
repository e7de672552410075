<?php

declare(strict_types=1);

namespace App\Costs;

use Apalos\Core\Phrase\Phrase;
use App\Types\View;

/**
 * What a price is counted from, and what it comes to.
 *
 * @phpstan-import-type Asked from \App\Costs\CostBook
 *
 * @phpstan-type Counted array{
 *     lines: list<array{name: string, cost: string, kits: int, cash: string}>, mould: string, labour: string, other: string,
 *     total: string, per_piece: string, cash: string, shares: array{materials: float, mould: float, labour: float, other: float},
 *     break_even: array{pieces: int|null, cheaper_below: string, cheaper_above: string, fixed: string, each: string}|null,
 *     currency: string, warnings: list<array{code: string, message: Phrase}>,
 *     numbers?: list<array{
 *         casts: int, per_piece: string, total: string, cash: string, used_g: float, min: float, moulds: int, kits: int, fixed: string,
 *         running: string,
 *     }>,
 * }
 */
final readonly class CostView implements View
{
    /**
     * @param  Asked  $asked
     * @param  Counted|null  $answer
     * @param  array<array-key, string>  $others  jobs to set it beside
     */
    public function __construct(
        private string $of,
        private int $id,
        private string $name,
        private string $href,
        private array $asked,
        private ?array $answer,
        private array $others,
    ) {}

    /**
     * @return array{
     *     of: string, id: int, name: string, href: string,
     *     asked: array{
     *         currency: string, casts: int, reject_pct: float,
     *         materials: list<array{
     *             code: string, name: string, used_g: float, waste_pct: float, on_hand_g: float,
     *             kit: array{price: string, mass_g: float|null}, from: string|null,
     *         }>,
     *         moulds: list<array{id: int|null, name: string, cost: string, life_casts: int}>,
     *         labour: list<array{what: string, min: float, hour_rate: string}>, other: list<array{name: string, price: string}>
     *     },
     *     answer: array{
     *         lines: list<array{name: string, cost: string, kits: int, cash: string}>, mould: string, labour: string, other: string,
     *         total: string, per_piece: string, cash: string, shares: array{materials: float, mould: float, labour: float, other: float},
     *         break_even: array{pieces: int|null, cheaper_below: string, cheaper_above: string, fixed: string, each: string}|null,
     *         currency: string, warnings: list<array{code: string, message: Phrase}>,
     *         numbers?: list<array{
     *             casts: int, per_piece: string, total: string, cash: string, used_g: float, min: float, moulds: int, kits: int,
     *             fixed: string, running: string,
     *         }>,
     *     }|null,
     *     others: list<array{id: int, name: string}>
     * }
     */
    public function toArray(): array
    {
        return [
            'of' => $this->of, 'id' => $this->id, 'name' => $this->name, 'href' => $this->href, 'asked' => $this->asked,
            'answer' => $this->answer,
            'others' => array_map(
                static fn (int|string $id, string $name): array => ['id' => (int) $id, 'name' => $name], array_keys($this->others),
                array_values($this->others),
            ),
        ];
    }
}
