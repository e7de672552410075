<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** A colour that is kept may say how much shows through it, and at which thickness. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('colour_targets', static function (Blueprint $table): void {
            $table->float('shows_pct')->nullable();
            $table->float('at_mm')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('colour_targets', static fn (Blueprint $table) => $table->dropColumn(['shows_pct', 'at_mm']));
    }
};
