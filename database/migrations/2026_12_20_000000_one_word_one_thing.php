<?php

declare(strict_types=1);

use App\Database\ChangeCount;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * What a swatch tells, in short, is a digest: a card is what a drawdown lies on. How often anything changed is a count of changes: a
 * turn is which mix of an operation it is. And what a check asks is said by its plan, not read out of its name.
 */
return new class extends Migration
{
    private const COLUMNS = ['turn' => 'change_count', 'cards_stamp' => 'digest_stamp', 'cards_turn' => 'digest_changes'];

    public function up(): void
    {
        Schema::rename('drawer_cards', 'swatch_digests');
        // Said by hand: SQLite would make the table anew, and lose its triggers. It changes what they say by itself; PostgreSQL is told.
        foreach (self::COLUMNS as $was => $is) {
            DB::statement("alter table workshops rename column {$was} to {$is}");
        }
        ChangeCount::count();
        self::weighed('builds', 'plan');
        self::weighed('own_builds', 'made');
    }

    /** That a check is one the scale answers stood in its name; from now on its plan says so. */
    private static function weighed(string $table, string $column): void
    {
        foreach (DB::table($table)->whereNotNull($column)->select(['id', $column])->lazyById(500) as $row) {
            $was = json_decode((string) $row->{$column}, true);
            if (! is_array($was) || ! is_array($was['operations'] ?? null)) {
                continue;
            }
            $is = $was;
            foreach ($was['operations'] as $i => $operation) {
                if (
                    is_array($operation)
                    && ($operation['kind'] ?? null) === 'check'
                    && ! in_array('dry', (array) ($operation['care'] ?? []), true)
                    && preg_match('/\bdry\b/i', (string) ($operation['name'] ?? '')) === 1
                ) {
                    $is['operations'][$i]['weighed'] = true;
                }
            }
            $is === $was || DB::table($table)->where('id', $row->id)->update([
                $column => json_encode($is, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION | JSON_UNESCAPED_UNICODE),
            ]);
        }
    }

    public function down(): void
    {
        foreach (self::COLUMNS as $was => $is) {
            DB::statement("alter table workshops rename column {$is} to {$was}");
        }
        ChangeCount::count();
        Schema::rename('swatch_digests', 'drawer_cards');
    }
};
