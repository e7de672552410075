<?php

declare(strict_types=1);

use App\Log\GoodPieces;
use App\Upgrades\LiftFirstWords;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** What is changed says on which edition; what a thing was to begin with is told as any later word is. */
return new class extends Migration
{
    private const EDITED = ['pours', 'jobs', 'impressions', 'formulas', 'colour_targets', 'workshops'];

    public function up(): void
    {
        foreach (self::EDITED as $table) {
            Schema::table($table, static fn (Blueprint $of) => $of->unsignedInteger('edition')->default(1));
        }
        Schema::table('kits', static fn (Blueprint $kits) => $kits->dateTime('priced_at', 3)->nullable());
        Schema::table('imports', static fn (Blueprint $imports) => $imports->json('made')->nullable());
        Schema::table('lot_draws', static function (Blueprint $draws): void {
            $draws->index(['workshop_id', 'id']);
            $draws->index(['workshop_id', 'lot_id', 'part', 'at']);
        });
        Schema::table('pours', static function (Blueprint $pours): void {
            $pours->unsignedInteger('good')->default(0);
            $pours->dropIndex(['workshop_id', 'impression_id', 'state', 'grade', 'pieces']);
            $pours->index(['workshop_id', 'impression_id', 'state', 'grade', 'good']);
        });
        // Only what met in the last fortnight can still be curing.
        DB::statement('create index pours_met on pours (workshop_id, met_at) where met_at is not null');
        GoodPieces::countAgain();
        Schema::table('studies', static fn (Blueprint $studies) => $studies->dateTime('taken_at', 3)->nullable());
        LiftFirstWords::lift();
    }

    public function down(): void
    {
        foreach (self::EDITED as $table) {
            Schema::table($table, static fn (Blueprint $of) => $of->dropColumn('edition'));
        }
        Schema::table('kits', static fn (Blueprint $kits) => $kits->dropColumn('priced_at'));
        Schema::table('imports', static fn (Blueprint $imports) => $imports->dropColumn('made'));
        Schema::table('studies', static fn (Blueprint $studies) => $studies->dropColumn('taken_at'));
        Schema::table('lot_draws', static function (Blueprint $draws): void {
            $draws->dropIndex(['workshop_id', 'id']);
            $draws->dropIndex(['workshop_id', 'lot_id', 'part', 'at']);
        });
        DB::statement('drop index pours_met');
        Schema::table('pours', static function (Blueprint $pours): void {
            $pours->dropIndex(['workshop_id', 'impression_id', 'state', 'grade', 'good']);
            $pours->index(['workshop_id', 'impression_id', 'state', 'grade', 'pieces']);
            $pours->dropColumn('good');
        });
    }
};
