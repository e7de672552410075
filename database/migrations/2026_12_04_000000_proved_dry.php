<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Since when the scale has proved a plaster dry; what a piece asks for beyond being made; what a shop holds where schools differ. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('impressions', static fn (Blueprint $impressions) => $impressions->dateTime('proved_dry_at', 3)->nullable());
        Schema::table('moulds', static fn (Blueprint $moulds) => $moulds->dateTime('proved_dry_at', 3)->nullable());
        Schema::table('jobs', static fn (Blueprint $jobs) => $jobs->json('uses')->nullable());
        Schema::table('workshops', static fn (Blueprint $workshops) => $workshops->json('schools')->nullable());
    }

    public function down(): void
    {
        Schema::table('impressions', static fn (Blueprint $impressions) => $impressions->dropColumn('proved_dry_at'));
        Schema::table('moulds', static fn (Blueprint $moulds) => $moulds->dropColumn('proved_dry_at'));
        Schema::table('jobs', static fn (Blueprint $jobs) => $jobs->dropColumn('uses'));
        Schema::table('workshops', static fn (Blueprint $workshops) => $workshops->dropColumn('schools'));
    }
};
