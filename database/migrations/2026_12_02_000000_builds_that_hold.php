<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** One tap is one witness: what was asked about is marked, and what was a slip can be left out and taken back in. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('pours', static function (Blueprint $pours): void {
            $pours->boolean('gel_sure')->default(false);
            $pours->boolean('gel_left_out')->default(false);
            $pours->json('planned')->nullable();
        });
        Schema::table('builds', static fn (Blueprint $builds) => $builds->json('left_out_touches')->nullable());
        Schema::table('finger_tests', static function (Blueprint $touches): void {
            $touches->unsignedBigInteger('pour_id')->nullable();
            $touches->string('fact_key', 64)->nullable();
            $touches->dateTime('at', 3)->nullable();
            $touches->boolean('sure')->default(false);
            $touches->boolean('left_out')->default(false);
        });
        Schema::table('test_patches', static function (Blueprint $patches): void {
            $patches->string('sealed_with', 60)->nullable();
            $patches->string('released_with', 60)->nullable();
            $patches->unsignedBigInteger('impression_id')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('pours', static fn (Blueprint $pours) => $pours->dropColumn(['gel_sure', 'gel_left_out', 'planned']));
        Schema::table('builds', static fn (Blueprint $builds) => $builds->dropColumn('left_out_touches'));
        Schema::table(
            'finger_tests', static fn (Blueprint $touches) => $touches->dropColumn(['pour_id', 'fact_key', 'at', 'sure', 'left_out']),
        );
        Schema::table(
            'test_patches', static fn (Blueprint $patches) => $patches->dropColumn(['sealed_with', 'released_with', 'impression_id']),
        );
    }
};
