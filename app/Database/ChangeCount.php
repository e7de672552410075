<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * Counts in `workshops.turn` every change of what stands around every screen, by the database itself, so that what was drawn of
 * it may be kept until something changes and nobody has to remember to say so. SQLite forgets these triggers when a table is
 * made anew: a migration that changes one of the tables calls this again.
 */
final readonly class ChangeCount
{
    public const COUNTED = [
        'pours', 'builds', 'facts', 'room_readings', 'series', 'test_patches', 'jobs', 'impressions', 'own_rules', 'moulds', 'job_models',
        'people',
    ];

    /** For a change of every row of a table, which nobody has to see one by one. */
    public static function rest(string $table): void
    {
        foreach (['insert', 'update', 'delete'] as $when) {
            DB::unprepared("drop trigger if exists turn_{$table}_{$when}".(DB::getDriverName() === 'pgsql' ? " on {$table}" : ''));
        }
    }

    public static function count(): void
    {
        // A migration of long ago does not know what came later, nor what it is called now.
        $column = Schema::hasColumn('workshops', 'change_count') ? 'change_count' : 'turn';
        $one = "update workshops set {$column} = {$column} + 1 where id =";
        if (DB::getDriverName() === 'pgsql') {
            DB::unprepared(
                "create or replace function take_turn() returns trigger as \$\$ begin {$one} coalesce(new.workshop_id, old.workshop_id); return null; end; \$\$ language plpgsql",
            );
        }
        foreach (array_filter(self::COUNTED, Schema::hasTable(...)) as $table) {
            foreach (['insert' => 'new', 'update' => 'new', 'delete' => 'old'] as $when => $row) {
                DB::unprepared(DB::getDriverName() === 'pgsql'
                    ? "create or replace trigger turn_{$table}_{$when} after {$when} on {$table} for each row execute function take_turn()"
                    : "create trigger if not exists turn_{$table}_{$when} after {$when} on {$table} begin {$one} {$row}.workshop_id; end");
            }
        }
    }
}
