<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * No two facts in one place of their stream, whoever writes; after how long unused a tablet asks again whose hands it is in; a scale for
 * each tablet.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table(
            'facts', static fn (Blueprint $table) => $table->unique(['workshop_id', 'stream', 'stream_id', 'nth'], 'facts_in_place'),
        );
        Schema::table('workshops', static fn (Blueprint $table) => $table->unsignedSmallInteger('unused_min')->default(10));
        self::holds(true);
        // An archive is taken in as a whole: what rests on another may come before it.
        foreach (DB::getDriverName() === 'pgsql' ? DB::select(
            "select conrelid::regclass::text as \"table\", conname as name from pg_constraint where contype = 'f' and connamespace = current_schema()::regnamespace",
        ) : [] as $one) {
            DB::statement("alter table {$one->table} alter constraint {$one->name} deferrable initially immediate");
        }
    }

    /** What a scale was seen to do is kept for hours: what is weighed just now begins anew. */
    private static function holds(bool $named): void
    {
        Schema::drop('scale_holds');
        Schema::create('scale_holds', static function (Blueprint $table) use ($named): void {
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $named && $table->string('scale', 32)->default('');
            $table->string('stream', 16);
            $table->unsignedBigInteger('stream_id');
            $table->dateTime('since', 3);
            $table->ulid('watch');
            $table->json('left')->nullable();
            $table->primary($named ? ['workshop_id', 'scale'] : ['workshop_id']);
        });
    }

    public function down(): void
    {
        self::holds(false);
        Schema::table('facts', static fn (Blueprint $table) => $table->dropUnique('facts_in_place'));
        Schema::table('workshops', static fn (Blueprint $table) => $table->dropColumn('unused_min'));
    }
};
