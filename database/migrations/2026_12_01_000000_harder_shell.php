<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** One press makes one thing, and a clock that went back leaves both moments. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('presses', static function (Blueprint $presses): void {
            $presses->id();
            $presses->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $presses->string('key', 64);
            $presses->string('door', 190);
            $presses->string('said', 64);
            $presses->json('answer')->nullable();
            $presses->dateTime('pressed_at', 3)->index();
            $presses->unique(['workshop_id', 'key']);
        });
        Schema::table('facts', static fn (Blueprint $facts) => $facts->dateTime('clock_at', 3)->nullable());
        foreach (['test_patches', 'swatches'] as $table) {
            Schema::table($table, static fn (Blueprint $of) => $of->unsignedInteger('edition')->default(1));
        }
        Schema::table('imports', static fn (Blueprint $imports) => $imports->dateTime('seen_at', 3)->nullable());
    }

    public function down(): void
    {
        Schema::drop('presses');
        Schema::table('facts', static fn (Blueprint $facts) => $facts->dropColumn('clock_at'));
        foreach (['test_patches', 'swatches'] as $table) {
            Schema::table($table, static fn (Blueprint $of) => $of->dropColumn('edition'));
        }
        Schema::table('imports', static fn (Blueprint $imports) => $imports->dropColumn('seen_at'));
    }
};
