<?php

declare(strict_types=1);

namespace App\Paper;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Phrasebook;
use App\Models\Kit;
use App\Stock\StoresView;
use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;

/** What to buy: what jobs want beyond what is on hand, and what has fallen under its line; in whole kits where a kit is known. */
final readonly class ShoppingList
{
    public function __construct(private Phrasebook $words) {}

    public function of(StoresView $stores): Paper
    {
        $view = $stores->toArray();
        $lines = [];
        foreach ($view['wanted'] as $one) {
            $lines[$one['code']] ??= ['name' => $one['name'], 'grams' => 0.0, 'why' => []];
            $lines[$one['code']]['grams'] += $one['grams'];
            $lines[$one['code']]['why'][] = $one['job'];
        }
        foreach ($view['reorder'] as $low) {
            $lines[$low['code']] ??= ['name' => $low['name'], 'grams' => 0.0, 'why' => []];
            $lines[$low['code']]['grams'] = max($lines[$low['code']]['grams'], max(0.0, $low['reorder_g'] - $low['left_g']));
            $lines[$low['code']]['why'][] = $this->words->say(Phrase::of('bench.under_its_line'));
        }
        $kits = Kit::query()->whereIn('code', array_keys($lines))->get()->keyBy('code');
        $sum = BigDecimal::zero();
        foreach ($lines as $code => $line) {
            $kit = $kits->get($code);
            [$holds, $costs] = $kit === null ? [0.0, null] : [(float) ($kit->mass_g ?? 0.0), $kit->price];
            $many = $holds <= 0.0 || $line['grams'] <= 0.0 ? null : (int) ceil($line['grams'] / $holds - 1e-9);
            $price = $many === null || $costs === null
                ? null
                : BigDecimal::of((string) $costs)->multipliedBy($many)->toScale(2, RoundingMode::HALF_UP);
            $sum = $price === null ? $sum : $sum->plus($price);
            $lines[$code] = [
                ...$line, 'code' => $code, 'why' => implode(', ', array_unique($line['why'])), 'kits' => $many,
                'kit_g' => $holds > 0.0 ? $holds : null, 'price' => $price === null ? null : (string) $price,
            ];
        }
        ksort($lines);

        return new Paper('shopping-list', $this->words->say(Phrase::of('bench.to_buy')), 'to-buy', '/stores', [
            'lines' => array_values($lines), 'sum' => (string) $sum->toScale(2),
            'open' => array_filter($lines, static fn (array $one): bool => $one['price'] === null) !== [],
        ]);
    }
}
