<?php

declare(strict_types=1);

use App\Upgrades\LiftStudies;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What a list shows of a study stands beside its answer. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('studies', static function (Blueprint $table): void {
            $table->json('in_short')->nullable();
        });
        LiftStudies::lift();
    }

    public function down(): void
    {
        Schema::table('studies', static fn (Blueprint $table) => $table->dropColumn('in_short'));
    }
};
