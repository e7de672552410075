<?php

declare(strict_types=1);

namespace App\Upgrades;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Pour\Recipe;
use Apalos\Core\Units\Grams;
use App\Library\Library;
use App\Log\Freezer;
use App\Models\Pour;
use App\Models\Workshop;
use App\Room\CureClock;
use App\Room\FrozenClock;
use App\Room\RoomTemperature;
use App\Swatches\SeriesBook;
use Illuminate\Support\Facades\DB;

/**
 * Lifts the facts of runs and series out of their old tables into the one stream, and gives what was begun before that the frozen
 * copy it should have had, as far as the shelf can still tell.
 */
final readonly class LiftFacts
{
    private const VESSELS = ['plain cup' => 'plain-cup', 'full cup' => 'full-cup'];

    public function __invoke(): void
    {
        if (DB::table('workshops')->doesntExist()) {
            return;
        }
        app()->instance(Workshop::class, Workshop::query()->withoutGlobalScope('real')->orderBy('id')->firstOrFail());
        app()->instance(CureClock::class, new CureClock(app(RoomTemperature::class), feels: false));
        $this->runs();
        $this->series();
    }

    private function runs(): void
    {
        foreach (DB::table('run_events')->join(
            'pours', 'pours.id', '=', 'run_events.pour_id',
        )->orderBy('run_events.id')->select(['run_events.*', 'pours.workshop_id'])->lazyById(500, 'run_events.id', 'id') as $event) {
            $payload = self::json($event->payload);
            if ($event->kind === 'undone') {
                $payload = ['of' => $payload['event'] ?? 0];
            }
            DB::table('facts')->insert([
                'id' => $event->id, 'workshop_id' => $event->workshop_id, 'stream' => 'run', 'stream_id' => $event->pour_id,
                'key' => $event->key, 'kind' => $event->kind, 'at' => $event->at, 'payload' => json_encode($payload),
            ]);
        }
        foreach (DB::table('pours')->whereNotNull('plan')->select(['id', 'sheet', 'plan'])->lazyById(200) as $row) {
            $plan = self::json($row->plan);
            $formula = self::json($row->sheet)['formula'] ?? [];
            $code = is_array($formula) && is_string($formula['base'] ?? null) ? $formula['base'] : (string) ($plan['base']['code'] ?? '');
            $recipe = self::recipe(is_array($formula) ? $formula : []);
            $codes = array_flip($recipe?->names() ?? []);
            $parts = is_array($plan['base']['part_names'] ?? null) ? $plan['base']['part_names'] : [];
            $coded = static fn (string $name): string => in_array($name, ['A', 'B'], true) ? $name : (string) ($codes[$name] ?? $name);
            $names = array_filter(['A' => $parts['a'] ?? 'A', 'B' => $parts['b'] ?? null]);
            foreach ($plan['run']['batches'] ?? [] as $i => $batch) {
                $plan['run']['batches'][$i] = array_combine(
                    array_map($coded, array_map(strval(...), array_keys($batch))), array_values($batch),
                );
                foreach (array_keys($batch) as $name) {
                    $names[$coded((string) $name)] ??= (string) $name;
                }
            }
            $colours = [];
            foreach (is_array($plan['colours'] ?? null) ? $plan['colours'] : [] as $name => $colour) {
                $colours[$coded((string) $name)] = $colour;
            }
            $batch = array_sum(array_map(floatval(...), $plan['run']['batches'][0] ?? []));
            $freezer = app(Freezer::class);
            $clock = $recipe === null
                ? new FrozenClock(
                    \Apalos\Core\Cure\CureModel::learnt(new \Apalos\Core\Cure\CureSheet([], \Apalos\Core\Units\Celsius::of(23)), []), null,
                    1.0,
                )
                : $freezer->clock($recipe, Grams::of($batch));
            $frozen = [
                'run' => $plan['run'] ?? [], 'names' => $names, 'colours' => $colours, 'clock' => $clock->toArray(),
                'base' => [
                    'code' => $code, 'name' => (string) ($plan['base']['name'] ?? $code),
                    'colour' => $recipe->base->colour ?? ($colours['A'] ?? '#cfc4ae'), 'brushed' => $recipe->base->brushed ?? false,
                ],
                'formula_name' => (string) ($plan['formula_name'] ?? ''), 'room_c' => (float) ($plan['room_c'] ?? 21.0),
                'likely_ml' => $plan['likely_ml'] ?? null,
            ];
            DB::table('pours')->where('id', $row->id)->update([
                'plan' => json_encode($frozen, JSON_PRESERVE_ZERO_FRACTION), 'base_code' => $code,
                'snapshot_id' => $recipe === null ? null : $freezer->snapshot($recipe)->id,
            ]);
        }
        foreach (Pour::query()->whereNotNull('met_at')->whereIn(
            'id', DB::table('facts')->where('kind', 'gelled')->select('stream_id'),
        )->get() as $pour) {
            $gel = DB::table('facts')
                ->where('stream', 'run')
                ->where('stream_id', $pour->id)
                ->where('kind', 'gelled')
                ->orderByDesc('id')
                ->first();
            $taken = $gel !== null
                && DB::table('facts')
                    ->where('stream', 'run')
                    ->where('stream_id', $pour->id)
                    ->where('kind', 'undone')
                    ->where('payload->of', $gel->id)
                    ->exists();
            $minutes = $gel === null || $taken || $pour->met_at === null ? 0.0 : $pour->met_at->diffInMilliseconds($gel->at) / 60_000.0;
            if ($minutes > 0.0) {
                $clock = FrozenClock::from(Fields::of($pour->plan ?? [])->object('clock'));
                $pour->update([
                    'gel_min' => $clock->asBare(\Apalos\Core\Units\Minutes::of($minutes))->min,
                    'gel_room_c' => $pour->plan['room_c'] ?? 21.0,
                ]);
            }
        }
    }

    private function series(): void
    {
        $ids = [];
        foreach (DB::table('series_facts')->join(
            'series', 'series.id', '=', 'series_facts.series_id',
        )->orderBy('series_facts.id')->select(['series_facts.*', 'series.workshop_id'])->get() as $fact) {
            $payload = self::json($fact->payload);
            if (isset($payload['vessel'])) {
                $payload['vessel'] = self::VESSELS[$payload['vessel']] ?? str_replace('puck ', 'puck-', (string) $payload['vessel']);
            }
            if (isset($payload['of'])) {
                $payload['of'] = $ids[$payload['of']] ?? $payload['of'];
            }
            $ids[$fact->id] = DB::table('facts')->insertGetId([
                'workshop_id' => $fact->workshop_id, 'stream' => 'series', 'stream_id' => $fact->series_id, 'key' => $fact->key,
                'kind' => $fact->kind === 'nought' ? 'tared' : $fact->kind, 'at' => $fact->at, 'payload' => json_encode($payload),
            ]);
        }
        foreach (DB::table('series')->get() as $row) {
            try {
                $plan = app(SeriesBook::class)->frozen(Fields::of(self::json($row->question)));
            } catch (BadInput) {
                // Its materials have left the shelf: nobody can weigh it up any more. What was put in stays written down.
                DB::table('series')->where('id', $row->id)->whereNull('labelled_at')->update(['labelled_at' => $row->begun_at]);

                continue;
            }
            $plan['request']['scale'] = ['division_g' => (float) $row->division_g, 'capacity_g' => (float) $row->capacity_g];
            $plan['request']['room_c'] = (float) $row->room_c;
            DB::table('series')->where('id', $row->id)->update(['plan' => json_encode($plan, JSON_PRESERVE_ZERO_FRACTION)]);
        }
    }

    /** @param  array<array-key, mixed>  $formula */
    private static function recipe(array $formula): ?Recipe
    {
        try {
            return Recipe::from(Fields::of($formula), app(Library::class)->shelf());
        } catch (BadInput) {
            return null;
        }
    }

    /** @return array<string, mixed> */
    private static function json(?string $text): array
    {
        $read = json_decode($text ?? '[]', true);

        return is_array($read) ? $read : [];
    }
}
