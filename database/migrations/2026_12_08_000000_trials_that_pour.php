<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Cups are labelled in an order of chance; what is counted in them; which of them was left alone. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('trials', static function (Blueprint $trials): void {
            $trials->string('counted', 40)->nullable();
            $trials->unsignedSmallInteger('control')->nullable();
            $trials->json('labels')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('trials', static fn (Blueprint $trials) => $trials->dropColumn(['counted', 'control', 'labels']));
    }
};
