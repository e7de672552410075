<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('formulas', function (Blueprint $table): void {
            // mix: goes into a mould; paint: is brushed on; trial: of pucks and drawdowns only.
            $table->string('kind')->default('mix');
            $table->dateTime('retired_at')->nullable();
        });

        Schema::table('formula_versions', function (Blueprint $table): void {
            // The version it was derived from, of this formula or of another.
            $table->unsignedBigInteger('parent_id')->nullable()->index();
            $table->text('note')->nullable();
            $table->string('photo')->nullable();
        });

        Schema::create('swatches', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $table->foreignId('formula_version_id')->constrained();
            $table->string('name');
            $table->decimal('thickness_mm', 6, 2)->nullable();
            $table->dateTime('poured_at', 3);
            $table->dateTime('demoulded_at', 3)->nullable();
            $table->text('note')->nullable();
            $table->string('photo')->nullable();
            $table->softDeletes();
            $table->timestamps();
        });

        // What was read is a fact: it is never changed, only left out of the reckoning.
        Schema::create('swatch_readings', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('swatch_id')->constrained()->cascadeOnDelete();
            $table->string('kind');
            $table->dateTime('at', 3);
            $table->string('scale')->nullable();
            $table->json('readings')->nullable();
            // Colour: over which card, and the colour of that card where it is not the usual one.
            $table->string('backing')->nullable();
            $table->json('lab')->nullable();
            $table->json('card_lab')->nullable();
            $table->string('source')->nullable();
            $table->decimal('within_delta_e', 5, 2)->nullable();
            $table->boolean('left_out')->default(false);
            $table->timestamps();
        });

        Schema::create('colour_targets', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $table->string('name');
            $table->json('lab');
            $table->timestamps();
            $table->unique(['workshop_id', 'name']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('colour_targets');
        Schema::dropIfExists('swatch_readings');
        Schema::dropIfExists('swatches');
        Schema::table('formula_versions', function (Blueprint $table): void {
            $table->dropIndex(['parent_id']);
            $table->dropColumn(['parent_id', 'note', 'photo']);
        });
        Schema::table('formulas', function (Blueprint $table): void {
            $table->dropColumn(['kind', 'retired_at']);
        });
    }
};
