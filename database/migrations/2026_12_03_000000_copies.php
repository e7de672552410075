<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** One way of building the same thing several times over, each wanted on its own day. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('builds', static function (Blueprint $builds): void {
            // The first of them; null where there is one alone.
            $builds->unsignedBigInteger('copies_of')->nullable()->index();
            $builds->unsignedInteger('copy')->default(1);
            $builds->date('wanted_on')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('builds', static fn (Blueprint $builds) => $builds->dropIndex(['copies_of']));
        Schema::table('builds', static fn (Blueprint $builds) => $builds->dropColumn(['copies_of', 'copy', 'wanted_on']));
    }
};
