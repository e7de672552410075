<?php

declare(strict_types=1);

namespace App\Practice;

use App\Models\Workshop;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** A shop to practise in: as the one it is made after, with its sheets, scale, cups and ways, and nothing on its bench. */
final readonly class PracticeShop
{
    private const LIKE = [
        'units', 'muted', 'scale_division_g', 'scale_capacity_g', 'day_starts_min', 'day_ends_min', 'hands', 'time_zone', 'shelf_mark',
        'currency', 'schools', 'release_school', 'unused_min',
    ];

    /** What a shop has written that a practice may rest on. */
    private const WRITTEN = ['own_sheets', 'own_rules', 'own_builds'];

    /** Cups that every practice bench has, ml and grams. */
    private const CUPS = [
        ['ml' => 350, 'tare_g' => 9.5], ['ml' => 750, 'tare_g' => 18], ['ml' => 1500, 'tare_g' => 45], ['ml' => 5000, 'tare_g' => 160],
    ];

    public function like(Workshop $shop, CarbonImmutable $now): Workshop
    {
        $new = Workshop::query()->create([
            ...array_intersect_key($shop->getAttributes(), array_flip(array_diff(self::LIKE, ['schools']))), 'schools' => $shop->schools,
            'name' => 'Practice', 'practice_of' => $shop->id, 'room_source' => 'thermometer', 'cables' => true, 'vacuum' => true,
            'cups' => self::CUPS, 'set_up_at' => $now,
        ]);
        foreach (self::WRITTEN as $table) {
            $rows = DB::table($table)
                ->where('workshop_id', $shop->id)
                ->orderBy('id')
                ->get()
                ->map(static fn (\stdClass $row): array => [...array_diff_key((array) $row, ['id' => 0]), 'workshop_id' => $new->id])
                ->all();
            foreach (array_chunk($rows, 200) as $some) {
                DB::table($table)->insert($some);
            }
        }

        $this->count($shop->id);

        return $new;
    }

    /** How many stand beside a shop is written down there: each look at it says so. */
    public function count(int $of): void
    {
        DB::table('workshops')->where('id', $of)->update([
            'practising' => Workshop::query()->withoutGlobalScope('real')->where('practice_of', $of)->count(),
        ]);
    }

    /** It was there for one practice: when that is over it goes, with all that stood in it. */
    public function clear(?int $id): void
    {
        $shop = $id === null ? null : Workshop::query()->withoutGlobalScope('real')->whereNotNull('practice_of')->find($id);
        if ($shop === null) {
            return;
        }
        DB::transaction(function () use ($shop): void {
            // What others lean on goes last.
            foreach (['facts', 'pour_moulds', 'lot_draws', 'finger_tests', 'castings', 'mould_care', 'scale_holds'] as $table) {
                DB::table($table)->where('workshop_id', $shop->id)->delete();
            }
            DB::table('pours')->where('workshop_id', $shop->id)->delete();
            DB::table('builds')->where('workshop_id', $shop->id)->delete();
            DB::table('impressions')->where('workshop_id', $shop->id)->delete();
            $shop->delete();
            $this->count((int) $shop->practice_of);
        });
    }
}
