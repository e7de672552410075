<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** A kit that is bad is called back: since when, and why. A job says who has its pieces. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('lots', static function (Blueprint $lots): void {
            $lots->dateTime('recalled_at', 3)->nullable();
            $lots->string('recalled_why', 500)->nullable();
        });
        Schema::table('jobs', static fn (Blueprint $jobs) => $jobs->string('for_whom', 160)->nullable());
    }

    public function down(): void
    {
        Schema::table('lots', static fn (Blueprint $lots) => $lots->dropColumn(['recalled_at', 'recalled_why']));
        Schema::table('jobs', static fn (Blueprint $jobs) => $jobs->dropColumn('for_whom'));
    }
};
