<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** No two facts in one place of their stream, whoever writes; and after how long unused a tablet asks again whose hands it is in. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('facts', static fn (Blueprint $table) => $table->unique(['workshop_id', 'stream', 'stream_id', 'nth'], 'facts_in_place'));
        Schema::table('workshops', static fn (Blueprint $table) => $table->unsignedSmallInteger('unused_min')->default(10));
        // An archive is taken in as a whole: what rests on another may come before it.
        foreach (DB::getDriverName() === 'pgsql' ? DB::select("select conrelid::regclass::text as \"table\", conname as name from pg_constraint where contype = 'f' and connamespace = current_schema()::regnamespace") : [] as $one) {
            DB::statement("alter table {$one->table} alter constraint {$one->name} deferrable initially immediate");
        }
    }

    public function down(): void
    {
        Schema::table('facts', static fn (Blueprint $table) => $table->dropUnique('facts_in_place'));
        Schema::table('workshops', static fn (Blueprint $table) => $table->dropColumn('unused_min'));
    }
};
