<?php

declare(strict_types=1);

namespace App\Stock;

use Apalos\Core\Store\Stock;
use App\Lists\Rows;
use App\Models\Lot;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection;

/** Some lots with all that was told of them and drawn from them, read at once however many they are. */
final class LotsAtOnce
{
    /**
     * @param  array<int, RecordedLot>  $lots  by number
     * @param  array<int, list<array{part: string, g: float, at: float}>>  $drawn  by lot, but for the pour at hand
     * @param  Stock  $stock  of what they hold beside the pour at hand
     */
    private function __construct(private readonly array $lots, private array $drawn, public readonly Stock $stock) {}

    /** @param  Collection<int, Lot>  $lots  with their parts */
    public static function of(Collection $lots): self
    {
        return self::with(
            $lots, Rows::of('lot_draws')->whereIn('lot_id', $lots->modelKeys())->orderBy('id')->get(['lot_id', 'part', 'grams', 'at']),
        );
    }

    /**
     * @param  Collection<int, Lot>  $lots  with their parts
     * @param  \Illuminate\Support\Collection<int, \stdClass>  $draws  from them, but for those of the pour at hand
     */
    public static function with(Collection $lots, \Illuminate\Support\Collection $draws): self
    {
        $recorded = RecordedLot::all($lots);
        $facts = array_map(static fn (RecordedLot $lot): array => $lot->told, $recorded);
        $got = $lots->mapWithKeys(
            static fn (Lot $lot): array => [$lot->id => $lot->parts->pluck('got_g', 'part')->map(floatval(...))->all()],
        )->all();
        $stock = new Stock($facts, $got);
        $drawn = [];
        foreach ($draws as $row) {
            if ($row->lot_id === null || ! isset($recorded[(int) $row->lot_id])) {
                continue;
            }
            $at = self::minutes((string) $row->at);
            $drawn[(int) $row->lot_id][] = ['part' => (string) $row->part, 'g' => (float) $row->grams, 'at' => $at];
            $stock->drew((int) $row->lot_id, (string) $row->part, (float) $row->grams, $at);
        }

        return new self($recorded, $drawn, $stock);
    }

    /** @param  list<array{lot_id: int|null, part: string, grams: float, at: string}>  $rows  of the pour at hand */
    public function drawnAnew(array $rows): void
    {
        foreach ($rows as $row) {
            if ($row['lot_id'] !== null) {
                $this->drawn[$row['lot_id']][] = ['part' => $row['part'], 'g' => $row['grams'], 'at' => self::minutes($row['at'])];
            }
        }
    }

    /**
     * Writes down what lists need to know of them.
     *
     * @param  list<int>|null  $of  only of these
     */
    public function write(?array $of = null): void
    {
        foreach ($of ?? array_keys($this->lots) as $lot) {
            ($this->lots[$lot] ?? null)?->writeDown($this->drawn[$lot] ?? []);
        }
    }

    private static function minutes(string $at): float
    {
        return CarbonImmutable::parse($at, 'UTC')->getTimestampMs() / 60_000.0;
    }
}
