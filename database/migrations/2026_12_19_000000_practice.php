<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** What was practised, and what to practise. Each practice stands in a shop of its own, which goes when it is over. */
return new class extends Migration
{
    public function up(): void
    {
        // Added by hand: SQLite would make the table anew, and lose its triggers.
        DB::statement('alter table workshops add column practice_of bigint null');
        DB::statement('alter table workshops add column practising integer not null default 0');
        Schema::create('practice_tries', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $table->char('person_id', 26)->nullable();
            $table->string('scenario_id', 60);
            $table->string('name', 80);
            $table->json('scenario');
            $table->unsignedBigInteger('seed');
            $table->unsignedSmallInteger('rate')->default(1);
            $table->dateTime('began_at', 3);
            $table->dateTime('sim_at', 3);
            $table->dateTime('real_at', 3);
            $table->json('bench');
            $table->unsignedBigInteger('shop_id')->nullable();
            $table->string('place', 60);
            $table->json('record')->nullable();
            $table->json('came_to')->nullable();
            // What lists of many need to know of it.
            $table->string('would', 12)->nullable();
            $table->boolean('well')->default(false);
            $table->json('skills')->nullable();
            $table->decimal('lost_g', 12, 1)->default(0);
            $table->string('lost', 24)->default('0.00');
            $table->dateTime('ended_at', 3)->nullable();
            $table->index(['workshop_id', 'person_id', 'ended_at']);
            $table->index('shop_id');
        });
        Schema::create('practice_scenarios', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $table->string('name', 80);
            $table->json('scenario');
            $table->dateTime('created_at', 3);
        });
    }

    public function down(): void
    {
        Schema::drop('practice_scenarios');
        Schema::drop('practice_tries');
        Schema::table('workshops', static function (Blueprint $table): void {
            $table->dropColumn(['practice_of', 'practising']);
        });
    }
};
