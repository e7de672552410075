<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What is changed says on which edition. */
return new class extends Migration
{
    private const EDITED = ['pours', 'jobs', 'impressions', 'formulas', 'colour_targets', 'workshops'];

    public function up(): void
    {
        foreach (self::EDITED as $table) {
            Schema::table($table, static fn (Blueprint $of) => $of->unsignedInteger('edition')->default(1));
        }
    }

    public function down(): void
    {
        foreach (self::EDITED as $table) {
            Schema::table($table, static fn (Blueprint $of) => $of->dropColumn('edition'));
        }
    }
};
