<?php

declare(strict_types=1);

use App\Database\ChangeCount;
use App\Library\Library;
use App\Upgrades\LiftPlans;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * What a swatch tells, in short, is a digest: a card is what a drawdown lies on. How often anything changed is a count of changes: a
 * turn is which mix of an operation it is. And what a check asks, and of which kind a mould is, stands in its plan and is not read out of
 * its name.
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
        DB::statement('alter table impressions add column mould_kind varchar(40) null');
        LiftPlans::lift(app(Library::class));
    }

    public function down(): void
    {
        foreach (self::COLUMNS as $was => $is) {
            DB::statement("alter table workshops rename column {$is} to {$was}");
        }
        ChangeCount::count();
        Schema::rename('swatch_digests', 'drawer_cards');
        DB::statement('alter table impressions drop column mould_kind');
    }
};
