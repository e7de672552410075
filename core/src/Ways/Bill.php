<?php

declare(strict_types=1);

namespace Apalos\Core\Ways;

use Apalos\Core\Material\BaseSheet;
use Apalos\Core\Material\Shelf;

/**
 * What a way takes, as `cost` asks for it: rubbers, hands, releases. The moulds are of this job alone: what outlives it is a gift.
 *
 * @phpstan-type CostAsked array{
 *     currency: string, casts: int, reject_pct: float,
 *     materials: list<array{name: string, used_g: float, waste_pct: float, on_hand_g: float, kit: array{price: string, mass_g: float}}>,
 *     moulds: array{}, labour: list<array{what: string, min: float, hour_rate: string}>, other: list<array{name: string, price: string}>
 * }
 */
final readonly class Bill
{
    public function __construct(private WaysRequest $asked, private WaysBook $book, private Shelf $shelf, private Rubbers $rubbers) {}

    /**
     * @param  float  $making  minutes of hands before the first cast
     * @param  float  $casting  minutes of hands on the casts
     * @param  float  $chance  that a piece is good
     * @return array{asked: CostAsked, codes: list<string>, guessed: list<string>} with the code of each line, and those whose price nobody
     *   wrote down
     */
    public function of(Combination $way, ?Making $mould, int $moulds, float $making, float $casting, float $chance): array
    {
        $lines = [
            [
                $way->cast->code, $way->cast->name,
                $this->asked->count * $this->asked->piece->volumeMl() * $this->rubbers->of($way->cast)->sg, $this->book->cupLossPct,
                $way->cast->family,
            ],
        ];
        if ($mould !== null) {
            $lines[] = $way->base === null
                ? [Worked::PRINT, Worked::PRINT, $moulds * $mould->grams, $mould->lossPct, Worked::PRINT]
                : [$way->base->code, $way->base->name, $moulds * $mould->grams, $mould->lossPct, $way->base->family];
            $plaster = $mould->jacketG > 0.0 ? $this->plaster((string) $way->worked->jacket) : null;
            $plaster === null || $lines[] = [$plaster->code, $plaster->name, $moulds * $mould->jacketG, 0.0, $plaster->family];
        }
        [$materials, $codes, $guessed] = [[], [], []];
        foreach ($lines as [$code, $name, $grams, $loss, $family]) {
            $price = $this->asked->prices[$code] ?? null;
            if ($price === null) {
                $guessed[] = $code;
                $price = [
                    'price' => number_format(max(0.01, ($this->book->pricePerKg($family) ?? 0.0) * $this->book->kitG / 1000.0), 2, '.', ''),
                    'mass_g' => $this->book->kitG,
                ];
            }
            $materials[] = [
                'name' => $name, 'used_g' => $grams, 'waste_pct' => $loss, 'on_hand_g' => $this->asked->onHand[$code] ?? 0.0,
                'kit' => $price,
            ];
            $codes[] = $code;
        }
        $release = (int) ceil($this->asked->count / $way->gang / $way->release->every) * $way->release->cost
            + $moulds * array_sum(array_map(static fn (PutBetween $one): float => $one->cost, $way->others));
        $labour = static fn (string $what, float $min, string $rate): array => ['what' => $what, 'min' => $min, 'hour_rate' => $rate];

        return ['asked' => [
            'currency' => $this->asked->currency, 'casts' => $this->asked->count, 'reject_pct' => self::rejects($chance),
            'materials' => $materials, 'moulds' => [],
            'labour' => [$labour('moulds', $making, $this->asked->hourRate), $labour('casts', $casting, $this->asked->hourRate)],
            'other' => $release <= 0.0 ? [] : [['name' => 'release', 'price' => number_format(max(0.01, $release), 2, '.', '')]],
        ], 'codes' => $codes, 'guessed' => $guessed];
    }

    /** A tenth of a per cent is as fine as anybody knows it. */
    private static function rejects(float $chance): float
    {
        return min(95.0, round(100.0 * (1.0 - $chance), 1));
    }

    private function plaster(string $family): ?BaseSheet
    {
        foreach ([$this->asked->bases, $this->shelf->bases] as $bases) {
            foreach ($bases as $base) {
                if ($base->family === $family) {
                    return $base;
                }
            }
        }

        return null;
    }

    /**
     * What `cost` would say a piece costs, but for its cents.
     *
     * @param  CostAsked  $bill
     */
    public static function aPiece(array $bill): float
    {
        $sum = 0.0;
        foreach ($bill['materials'] as $one) {
            $sum += (float) $one['kit']['price'] / $one['kit']['mass_g'] * $one['used_g'] * (1.0 + $one['waste_pct'] / 100.0);
        }
        foreach ($bill['labour'] as $one) {
            $sum += $one['min'] / 60.0 * (float) $one['hour_rate'];
        }
        foreach ($bill['other'] as $one) {
            $sum += (float) $one['price'];
        }

        return $sum / ($bill['casts'] * (1.0 - $bill['reject_pct'] / 100.0));
    }
}
