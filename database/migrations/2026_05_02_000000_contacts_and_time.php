<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * Contacts keep moments instead of durations, an overruling knows what it was for, a job knows whether it is worn; a workshop has a time
 * zone.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('workshops', static fn (Blueprint $table) => $table->string('time_zone', 64)->nullable());
        // What is worn on skin is asked of every contact of its casts.
        Schema::table('jobs', static fn (Blueprint $table) => $table->boolean('skin')->default(false));
        foreach (DB::table('impressions')->whereNotNull('contacts')->get(['id', 'contacts', 'updated_at']) as $row) {
            $contacts = json_decode($row->contacts, true);
            $said = Carbon::parse($row->updated_at ?? 'now');
            foreach (is_array($contacts) ? $contacts : [] as $key => $chosen) {
                foreach ([
                    'hours_since_cure' => ['cured_at', 60], 'solvent_min_ago' => ['solvent_at', 1],
                ] as $duration => [$moment, $minutes]) {
                    if (is_numeric($chosen[$duration] ?? null)) {
                        $chosen[$moment] = $said
                            ->copy()
                            ->subMinutes((int) round($chosen[$duration] * $minutes))
                            ->toIso8601ZuluString('millisecond');
                    }
                    unset($chosen[$duration]);
                }
                if (is_string($chosen['overruled'] ?? null) && $chosen['overruled'] !== '') {
                    // Nobody knows any more what it was given for: it has lapsed, its reason stays.
                    $chosen['overruled'] = ['reason' => $chosen['overruled'], 'for' => []];
                }
                $contacts[$key] = $chosen;
            }
            DB::table('impressions')->where('id', $row->id)->update(['contacts' => json_encode($contacts)]);
        }
    }

    public function down(): void
    {
        Schema::table('jobs', static fn (Blueprint $table) => $table->dropColumn('skin'));
        Schema::table('workshops', static fn (Blueprint $table) => $table->dropColumn('time_zone'));
    }
};
