<?php

declare(strict_types=1);

namespace App\Stock;

use App\Lists\Rows;

/** How much of what is kept in lots a pour usually takes: what is missing before the next one is to be ordered. */
final readonly class StockUse
{
    /** The newest draws say what the next pour takes. */
    private const NEWEST = 600;

    private const POURS = 5;

    /** @return array<string, float> grams a pour took of each, on average over its last five */
    public function perPour(): array
    {
        $took = [];
        foreach (Rows::of('lot_draws')->orderByDesc('id')->limit(self::NEWEST)->get(['code', 'pour_id', 'grams']) as $row) {
            $code = (string) $row->code;
            if (isset($took[$code][(int) $row->pour_id]) || count($took[$code] ?? []) < self::POURS) {
                $took[$code][(int) $row->pour_id] = ($took[$code][(int) $row->pour_id] ?? 0.0) + (float) $row->grams;
            }
        }

        return array_map(static fn (array $pours): float => array_sum($pours) / count($pours), $took);
    }
}
