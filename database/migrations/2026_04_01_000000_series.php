<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('series', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            // What was asked for, and the scale and the room it was planned for: its plan follows from these and stays.
            $table->json('question');
            $table->decimal('division_g', 8, 3);
            $table->decimal('capacity_g', 10, 1);
            $table->decimal('room_c', 4, 1);
            $table->decimal('thickness_mm', 6, 2)->nullable();
            $table->dateTime('begun_at', 3);
            $table->dateTime('labelled_at', 3)->nullable();
            $table->softDeletes();
        });

        Schema::create('series_facts', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('series_id')->constrained('series')->cascadeOnDelete();
            // Made by the browser, so that sending the same fact twice records it once.
            $table->string('key', 64);
            $table->string('kind');
            $table->dateTime('at', 3);
            $table->json('payload');
            $table->unique(['series_id', 'key']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('series_facts');
        Schema::dropIfExists('series');
    }
};
