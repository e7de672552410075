<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Sheets of the shop's own, and what a shop says of itself in its first hour. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('own_sheets', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $table->string('kind', 16);
            $table->string('code', 24);
            $table->unsignedInteger('version');
            $table->json('sheet');
            $table->dateTime('created_at', 3);
            $table->unique(['workshop_id', 'code', 'version']);
        });
        // What is typed and not handed in yet.
        Schema::create('typed', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $table->string('screen', 120);
            $table->json('what');
            $table->timestamps();
            $table->unique(['workshop_id', 'screen']);
        });
        Schema::table('workshops', static function (Blueprint $table): void {
            // Differs as soon as a sheet of the shop's own does.
            $table->string('shelf_mark', 26)->nullable();
            // What of the library this shop does not have.
            $table->json('off_shelf')->nullable();
            $table->char('currency', 3)->nullable();
            $table->json('cups')->nullable();
            $table->boolean('vacuum')->nullable();
            $table->dateTime('set_up_at', 3)->nullable();
        });
        // A pour given up stands in the log beside those that were graded: both have an end, and that is what the log goes by.
        if (DB::getDriverName() === 'sqlite') {
            DB::statement('drop index if exists pours_words');
            DB::statement(
                'create index pours_words on pours (workshop_id, graded_at, state, impression_id, grade, base_code, faults, note)',
            );
        } else {
            Schema::table('pours', static fn (Blueprint $table) => $table->index(['workshop_id', 'graded_at']));
        }
        // A shop that works already has had its first hour.
        DB::table('workshops')->whereIn('id', DB::table('jobs')->select('workshop_id'))->update(['set_up_at' => DB::raw('created_at')]);
    }

    public function down(): void
    {
        Schema::dropIfExists('typed');
        Schema::dropIfExists('own_sheets');
        Schema::table('workshops', static function (Blueprint $table): void {
            $table->dropColumn(['shelf_mark', 'off_shelf', 'currency', 'cups', 'vacuum', 'set_up_at']);
        });
    }
};
