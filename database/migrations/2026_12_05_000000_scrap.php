<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What was left of a hot pour goes back on the shelf: how often it was melted, and of which pour it is. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('lots', static function (Blueprint $lots): void {
            $lots->unsignedSmallInteger('remelts')->nullable();
            $lots->unsignedBigInteger('of_pour_id')->nullable()->index();
        });
    }

    public function down(): void
    {
        Schema::table('lots', static function (Blueprint $lots): void {
            $lots->dropIndex(['of_pour_id']);
            $lots->dropColumn(['remelts', 'of_pour_id']);
        });
    }
};
