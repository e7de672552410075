<?php

declare(strict_types=1);

namespace Apalos\Core\Ways;

/**
 * One whole way, reckoned through: its steps in the hours of the shop, its hands, its money, its chance.
 *
 * @phpstan-import-type CostAsked from Bill
 */
final readonly class Draft
{
    /**
     * @param  array<string, mixed>|null  $spout  the question to `sprue`, where it runs in through one
     * @param  list<WayStep>  $steps
     * @param  float  $end  minutes from midnight of the first day; likewise $late past the due time
     * @param  float  $hands  minutes
     * @param  array{asked: CostAsked, codes: list<string>, guessed: list<string>}  $bill
     * @param  array{asked: array<string, mixed>|null, low: int, likely: int, high: int}  $life  casts of one mould
     */
    public function __construct(
        public Combination $way, public int $moulds, public ?Making $mould, public ?array $spout, public array $steps, public float $end,
        public float $late, public float $hands,
        public Odds $odds, public array $bill, public array $life, public float $perPiece,
    ) {}

    public function id(): string
    {
        return $this->way->id($this->moulds);
    }

    /**
     * @return array{float, float, float, float} what a piece costs, when it is done, hands, and the chance that it fails: less is better
     */
    public function measures(): array
    {
        return [$this->perPiece, $this->end, $this->hands, $this->odds->likely()];
    }
}
