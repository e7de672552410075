<?php

declare(strict_types=1);

namespace App\Stock;

use App\Lists\Like;
use App\Lists\Rows;
use App\Log\RecordedRun;
use App\Models\Lot;
use App\Models\LotPart;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\LazyCollection;

/** From which lots a run takes its grams, and what is left of them. */
final readonly class LotBook
{
    /** What of each part of a kit goes out in a file, in this order. */
    public const COLUMNS = [
        'kit', 'sheet', 'part', 'maker_number', 'got_on', 'opened_on', 'best_before', 'got_g', 'left_g', 'price', 'trouble', 'ended_at',
    ];

    /** Found by a word, so many at most. */
    private const FOUND = 5;

    /** An open lot is used up before the next is opened; of several the oldest first. */
    private const MOST = 40;

    /**
     * @param  list<string>  $codes
     * @return Collection<int, Lot> with grams left, in the order in which they are drawn from
     */
    public function atHand(array $codes): Collection
    {
        return $codes === []
            ? new Collection
            : Lot::query()
                ->with('parts')
                ->whereIn('code', $codes)
                ->whereNull('ended_at')
                ->whereNull('recalled_at')
                ->orderByRaw('case when opened_on is null then 1 else 0 end')
                ->orderBy('opened_on')
                ->orderBy('got_on')
                ->orderBy('id')
                ->limit(self::MOST * count($codes))
                ->get();
    }

    /** @return Collection<int, Lot> by what stands on its label, or by the number its maker gave one of its parts */
    public static function called(string $q): Collection
    {
        $labelled = Lot::ofLabel($q);

        return $labelled !== null
            ? Lot::query()->whereKey($labelled)->get()
            : Lot::query()
                ->whereIn('id', LotPart::query()->where(Like::of('maker_number', $q))->select('lot_id'))
                ->orderByDesc('id')
                ->limit(self::FOUND)
                ->get();
    }

    /** @return LazyCollection<int, covariant list<mixed>> every part of every kit there ever was, by the columns, in grams */
    public static function rows(): LazyCollection
    {
        return LotPart::query()->with('lot')->orderBy('id')->lazyById(200)->map(static fn (LotPart $part): array => [
            $part->lot->label(), $part->lot->code, $part->part, $part->maker_number, $part->lot->got_on, $part->lot->opened_on,
            $part->lot->best_before, $part->got_g, $part->left_g, $part->lot->price, $part->lot->trouble?->value, $part->lot->ended_at,
        ]);
    }

    /**
     * The lots a pour that begins now is to take from, by house code: chosen once, and kept.
     *
     * @param  list<string>  $codes
     * @return array<string, list<int>>
     */
    public function chosen(array $codes): array
    {
        $chosen = [];
        foreach ($this->atHand($codes) as $lot) {
            $chosen[$lot->code][] = $lot->id;
        }

        return $chosen;
    }

    /**
     * Writes down what a run has taken by now, each weighing at its own moment; where it is given up with everything back in its tubs,
     * nothing.
     */
    public function draw(RecordedRun $run): void
    {
        $pour = $run->pour;
        /** @var array<string, list<int>> $planned */
        $planned = is_array($pour->plan['lots'] ?? null) ? $pour->plan['lots'] : [];
        if ($planned === [] && $run->beside->lots === []) {
            return;
        }
        $order = self::order($planned, $run->beside->lots);
        $lots = array_values(array_unique(array_merge(...array_values($order))));
        // What it took before, and what others took from the same tubs, in one question.
        $draws = self::draws($pour->id, $lots);
        $had = $draws->where('pour_id', $pour->id)->values();
        $elsewhere = array_values(
            array_diff(array_map(intval(...), $had->whereNotNull('lot_id')->pluck('lot_id')->unique()->all()), $lots),
        );
        if ($elsewhere !== []) {
            $lots = [...$lots, ...$elsewhere];
            $draws = self::draws($pour->id, $lots);
        }
        // Two runs may take from one tub: they take turns.
        $held = Lot::query()->with('parts')->whereKey($lots)->orderBy('id')->lockForUpdate()->get();
        $weighed = ($run->state->givenUp['fate'] ?? null) === 'back' ? [] : $this->weighed($run, $held);
        $book = LotsAtOnce::with($held, $draws->where('pour_id', '!=', $pour->id)->values());
        $rows = [];
        foreach ($weighed as [$code, $part, $grams, $at]) {
            $drawn = $book->stock->draw($part, $grams, $at->getTimestampMs() / 60_000.0, $order[$code] ?? []);
            $row = static fn (?int $lot, float $g): array => [
                'workshop_id' => $pour->workshop_id, 'lot_id' => $lot, 'pour_id' => $pour->id, 'code' => $code, 'part' => $part,
                'grams' => round($g, 3), 'at' => $at->format('Y-m-d H:i:s.v'),
            ];
            foreach ($drawn->taken as $lot => $taken) {
                $rows[] = $row($lot, $taken->g);
            }
            if ($drawn->short->g > 0.0005) {
                $rows[] = $row(null, $drawn->short->g);
            }
        }
        if (self::asBefore($had, $rows)) {
            return;
        }
        $new = self::added($had, $rows);
        if ($new === null) {
            Rows::of('lot_draws')->where('pour_id', $pour->id)->delete();
        }
        DB::table('lot_draws')->insert($new ?? $rows);
        $book->drawnAnew($rows);
        $book->write(array_values(array_unique(array_filter([
            ...$had->pluck('lot_id')->map(intval(...))->all(), ...array_column($rows, 'lot_id'),
        ]))));
    }

    /**
     * What was weighed so far of what is kept in lots, in the order of its moments: a part no kit has, such as the water of a plaster, is
     * not missed.
     *
     * @param  Collection<int, Lot>  $lots
     * @return list<array{string, string, float, CarbonImmutable}> code, part, grams, when
     */
    private function weighed(RecordedRun $run, Collection $lots): array
    {
        $kept = [];
        foreach ($lots as $lot) {
            foreach ($lot->parts as $part) {
                $kept["{$lot->code}/{$part->part}"] = true;
            }
        }
        $weighed = [];
        foreach ($run->state->cups as $cup) {
            foreach ($cup->weighings as $one) {
                $isBase = $one['add'] === 'A' || $one['add'] === 'B';
                [$code, $part] = [$isBase ? $run->frozen->code : $one['add'], $isBase ? $one['add'] : 'A'];
                if ($one['grams'] > 0.0005 && isset($kept["{$code}/{$part}"])) {
                    $weighed[] = [$code, $part, $one['grams'], $run->at($one['at']) ?? CarbonImmutable::now()];
                }
            }
        }
        usort($weighed, static fn (array $one, array $other): int => $one[3] <=> $other[3]);

        return $weighed;
    }

    /**
     * @param  array<string, list<int>>  $planned
     * @param  array<string, int>  $chosen
     * @return array<string, list<int>>
     */
    private static function order(array $planned, array $chosen): array
    {
        foreach ($chosen as $code => $lot) {
            $planned[$code] = [$lot, ...array_values(array_diff($planned[$code] ?? [], [$lot]))];
        }

        return $planned;
    }

    /**
     * @param  list<int>  $lots
     * @return \Illuminate\Support\Collection<int, \stdClass> in the order in which they were written down
     */
    private static function draws(int $pour, array $lots): \Illuminate\Support\Collection
    {
        return Rows::of('lot_draws')
            ->where(static fn ($either) => $either->where('pour_id', $pour)->orWhereIn('lot_id', $lots))
            ->orderBy('id')
            ->get(['pour_id', 'lot_id', 'code', 'part', 'grams', 'at']);
    }

    /**
     * What comes on top of what is written down; null where something of that is no longer so.
     *
     * @param  \Illuminate\Support\Collection<int, \stdClass>  $had
     * @param  list<array{workshop_id: int, lot_id: int|null, pour_id: int, code: string, part: string, grams: float, at: string}>  $rows
     * @return list<array{workshop_id: int, lot_id: int|null, pour_id: int, code: string, part: string, grams: float, at: string}>|null
     */
    private static function added(\Illuminate\Support\Collection $had, array $rows): ?array
    {
        return count($rows) > $had->count() && self::asBefore($had, array_slice($rows, 0, $had->count()))
            ? array_slice($rows, $had->count())
            : null;
    }

    /**
     * Whether what is written down already says just that.
     *
     * @param  \Illuminate\Support\Collection<int, \stdClass>  $had
     * @param  list<array{workshop_id: int, lot_id: int|null, pour_id: int, code: string, part: string, grams: float, at: string}>  $rows
     */
    private static function asBefore(\Illuminate\Support\Collection $had, array $rows): bool
    {
        $told = static fn (mixed $lot, string $code, string $part, mixed $grams, string $at): string => sprintf(
            '%d/%s/%s/%.3f/%s', is_numeric($lot) ? $lot : 0, $code, $part, is_numeric($grams) ? $grams : 0.0, $at,
        );
        $was = $had->map(
            static fn (\stdClass $row): string => $told(
                $row->lot_id, (string) $row->code, (string) $row->part, $row->grams, (string) $row->at,
            ),
        )->all();

        return array_values($was) === array_map(
            static fn (array $row): string => $told($row['lot_id'], $row['code'], $row['part'], $row['grams'], $row['at']), $rows,
        );
    }
}
