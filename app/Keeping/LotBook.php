<?php

declare(strict_types=1);

namespace App\Keeping;

use Apalos\Core\Store\Drawing;
use Apalos\Core\Store\Held;
use Apalos\Core\Units\Grams;
use App\Models\Lot;
use App\Models\LotPart;
use App\Workshop\RecordedRun;
use App\Workshop\Rows;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/** From which lots a run takes its grams, and what is left of them. */
final readonly class LotBook
{
    /** An open lot is used up before the next is opened; of several the oldest first. */
    private const MOST = 40;

    /**
     * @param  list<string>  $codes
     * @return Collection<int, Lot> with grams left, in the order in which they are drawn from
     */
    public function atHand(array $codes): Collection
    {
        return $codes === [] ? new Collection : Lot::query()->with('parts')->whereIn('code', $codes)->whereNull('ended_at')->orderByRaw('case when opened_on is null then 1 else 0 end')->orderBy('opened_on')->orderBy('got_on')->orderBy('id')->limit(self::MOST * count($codes))->get();
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

    /** Writes down what a run has taken by now; where it is given up with everything back in its tubs, nothing. */
    public function draw(RecordedRun $run): void
    {
        $pour = $run->pour;
        /** @var array<string, list<int>> $planned */
        $planned = is_array($pour->plan['lots'] ?? null) ? $pour->plan['lots'] : [];
        if ($planned === [] && $run->beside->lots === []) {
            return;
        }
        $had = Rows::of('lot_draws')->where('pour_id', $pour->id)->get(['lot_id', 'code', 'part', 'grams', 'at']);
        $order = self::order($planned, $run->beside->lots);
        $lots = array_values(array_unique(array_merge(...array_values($order), ...[array_map(intval(...), $had->whereNotNull('lot_id')->pluck('lot_id')->all())])));
        $needed = ($run->state->givenUp['fate'] ?? null) === 'back' ? [] : $this->needed($run, $lots);
        if (self::asBefore($had, $needed, $order)) {
            return;
        }
        // Two runs may take from one tub: they take turns.
        $held = Lot::query()->with('parts')->whereKey($lots)->orderBy('id')->lockForUpdate()->get()->keyBy('id');
        Rows::of('lot_draws')->where('pour_id', $pour->id)->delete();
        $held->each(fn (Lot $lot) => RecordedLot::of($lot)->write());
        $at = $run->facts === [] ? CarbonImmutable::now() : $run->facts[count($run->facts) - 1]->at();
        $rows = [];
        foreach ($needed as [$code, $part, $grams]) {
            $from = array_values(array_filter(array_map(static fn (int $id): ?Held => self::held($held->get($id), $part), $order[$code] ?? [])));
            $drawn = Drawing::of(Grams::of($grams), $from);
            $since = $had->first(static fn (object $row): bool => $row->code === $code && $row->part === $part)->at ?? null;
            $moment = is_string($since) ? $since : $at->format('Y-m-d H:i:s.v');
            $row = static fn (?int $lot, float $g): array => ['workshop_id' => $pour->workshop_id, 'lot_id' => $lot, 'pour_id' => $pour->id, 'code' => $code, 'part' => $part, 'grams' => $g, 'at' => $moment];
            foreach ($drawn->taken as $lot => $taken) {
                $rows[] = $row($lot, $taken->g);
            }
            if ($drawn->short->g > 0.0005) {
                $rows[] = $row(null, $drawn->short->g);
            }
        }
        DB::table('lot_draws')->insert($rows);
        $held->each(fn (Lot $lot) => RecordedLot::of($lot)->write());
    }

    /**
     * Grams weighed so far of what is kept in lots: a part no kit has, such as the water of a plaster, is not missed.
     *
     * @param  list<int>  $lots
     * @return list<array{string, string, float}> code, part, grams
     */
    private function needed(RecordedRun $run, array $lots): array
    {
        $kept = array_flip(Rows::of('lot_parts')->join('lots', 'lots.id', '=', 'lot_parts.lot_id')->whereIn('lots.id', $lots)->get(['lots.code', 'lot_parts.part'])->map(static fn (\stdClass $row): string => "{$row->code}/{$row->part}")->all());
        $sums = [];
        foreach ($run->state->cups as $cup) {
            foreach ($cup->poured as $name => $grams) {
                $isBase = $name === 'A' || $name === 'B';
                $code = $isBase ? $run->frozen->code : (string) $name;
                $key = $code.'/'.($isBase ? $name : 'A');
                $sums[$key] = ($sums[$key] ?? 0.0) + $grams;
            }
        }
        $needed = [];
        foreach ($sums as $key => $grams) {
            [$code, $part] = explode('/', $key);
            if ($grams > 0.0 && isset($kept[$key])) {
                $needed[] = [$code, $part, $grams];
            }
        }

        return $needed;
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
     * Whether what is written down already says just that.
     *
     * @param  \Illuminate\Support\Collection<int, \stdClass>  $had
     * @param  list<array{string, string, float}>  $needed
     * @param  array<string, list<int>>  $order
     */
    private static function asBefore(\Illuminate\Support\Collection $had, array $needed, array $order): bool
    {
        $sum = static fn (string $code, string $part): float => (float) $had->where('code', $code)->where('part', $part)->sum('grams');
        foreach ($needed as [$code, $part, $grams]) {
            $first = $had->where('code', $code)->where('part', $part)->whereNotNull('lot_id')->first();
            if (abs($sum($code, $part) - $grams) > 0.0005 || ($first !== null && (int) $first->lot_id !== ($order[$code][0] ?? 0))) {
                return false;
            }
        }

        return abs((float) $had->sum('grams') - array_sum(array_column($needed, 2))) < 0.0005;
    }

    private static function held(?Lot $lot, string $part): ?Held
    {
        $of = $lot?->parts->first(static fn (LotPart $one): bool => $one->part === $part);

        return $lot === null || $of === null ? null : new Held($lot->id, Grams::of($of->left_g));
    }
}
