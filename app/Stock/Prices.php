<?php

declare(strict_types=1);

namespace App\Stock;

use App\Library\Library;
use App\Lists\Rows;
use App\Models\Kit;
use App\Models\Lot;

/** What things cost in this shop: a kit of each code, as it was bought last, or as somebody said since. */
final readonly class Prices
{
    public function __construct(private Library $library) {}

    /**
     * @param  list<string>  $codes
     * @return array<string, array{price: string, mass_g: float, from: string}> of those whose price is known
     */
    public function of(array $codes): array
    {
        $kits = $said = [];
        if ($codes === []) {
            return $kits;
        }
        foreach (Kit::query()->whereIn('code', $codes)->whereNotNull('price')->whereNotNull('mass_g')->get() as $kit) {
            $kits[$kit->code] = ['price' => (string) $kit->price, 'mass_g' => (float) $kit->mass_g, 'from' => 'kit'];
            $said[$kit->code] = $kit->priced_at?->format('Y-m-d H:i:s.v') ?? '';
        }
        // What somebody said holds until a kit comes that was bought for another price.
        $bought = Rows::of('lots')
            ->join('lot_parts', 'lot_parts.lot_id', '=', 'lots.id')
            ->whereIn('lots.code', $codes)
            ->whereNotNull('lots.price')
            ->groupBy('lots.id', 'lots.code', 'lots.price', 'lots.got_on', 'lots.created_at')
            ->orderBy('lots.got_on')
            ->orderBy('lots.id')
            ->selectRaw('lots.id, lots.code, lots.price, lots.created_at, sum(lot_parts.got_g) as mass_g')
            ->get();
        foreach ($bought as $row) {
            if ((float) $row->mass_g > 0.0 && (string) $row->created_at > ($said[(string) $row->code] ?? '')) {
                $kits[(string) $row->code] = [
                    'price' => (string) $row->price, 'mass_g' => (float) $row->mass_g, 'from' => Lot::numbered((int) $row->id),
                ];
            }
        }

        return $kits;
    }

    /** @return array<string, float> price of a kilogram by chemistry, of the cheapest this shop has of it */
    public function perKilogram(): array
    {
        $bases = $this->library->atHand()->bases;
        $cheapest = [];
        foreach ($this->of(array_keys($bases)) as $code => $kit) {
            $family = $bases[$code]->family;
            $cheapest[$family] = min($cheapest[$family] ?? INF, 1000.0 * (float) $kit['price'] / $kit['mass_g']);
        }

        return $cheapest;
    }

    /**
     * @param  list<string>  $codes
     * @return array<string, float> grams left of each in lots that are not used up
     */
    public function onHand(array $codes): array
    {
        $left = [];
        if ($codes === []) {
            return $left;
        }
        foreach (Rows::of('lots')->join(
            'lot_parts', 'lot_parts.lot_id', '=', 'lots.id',
        )->whereIn('lots.code', $codes)->whereNull('lots.ended_at')->groupBy('lots.code')->selectRaw(
            'lots.code, sum(lot_parts.left_g) as g',
        )->get() as $row) {
            $left[(string) $row->code] = round((float) $row->g, 1);
        }

        return $left;
    }
}
