<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('workshops', function (Blueprint $table): void {
            $table->id();
            $table->string('name');
            $table->string('units')->default('metric');
            $table->string('room_source')->default('hand');
            $table->boolean('muted')->default(false);
            $table->decimal('scale_division_g', 8, 3)->default(0.1);
            $table->decimal('scale_capacity_g', 10, 1)->default(3000);
            $table->unsignedSmallInteger('day_starts_min')->default(7 * 60);
            $table->unsignedSmallInteger('day_ends_min')->default(18 * 60);
            $table->timestamps();
        });

        Schema::create('room_readings', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $table->dateTime('at', 3)->index();
            $table->decimal('celsius', 4, 1);
            $table->string('source');
        });

        Schema::create('jobs', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $table->string('name');
            $table->text('purpose')->nullable();
            $table->unsignedInteger('quantity')->default(1);
            $table->date('due_on')->nullable();
            $table->softDeletes();
            $table->timestamps();
        });

        Schema::create('impressions', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('job_id')->constrained()->cascadeOnDelete();
            $table->unsignedSmallInteger('position');
            $table->string('kind');
            $table->string('name');
            // What it is made of: the house code of a sheet, or in words for an original.
            $table->string('material')->nullable();
            $table->text('note')->nullable();
            $table->softDeletes();
            $table->timestamps();
            $table->index(['job_id', 'position']);
        });

        Schema::create('formulas', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $table->string('name');
            $table->timestamps();
            $table->unique(['workshop_id', 'name']);
        });

        Schema::create('formula_versions', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('formula_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('number');
            $table->json('recipe');
            $table->timestamps();
            $table->unique(['formula_id', 'number']);
        });

        Schema::create('pours', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('impression_id')->constrained()->cascadeOnDelete();
            $table->foreignId('formula_version_id')->nullable()->constrained();
            // What the maker typed, also where it does not add up yet.
            $table->json('sheet');
            // Frozen when the run starts.
            $table->json('plan')->nullable();
            $table->dateTime('started_at', 3)->nullable()->index();
            // Read off the events each time one is recorded, so that lists need not replay every run.
            $table->string('state')->default('draft')->index();
            $table->dateTime('met_at', 3)->nullable();
            $table->dateTime('poured_at', 3)->nullable();
            $table->dateTime('opened_at', 3)->nullable()->index();
            $table->dateTime('graded_at', 3)->nullable()->index();
            $table->decimal('weighed_g', 12, 3)->nullable();
            $table->decimal('used_g', 12, 3)->nullable();
            $table->string('grade')->nullable();
            // How many good pieces came of it: a gang mould gives several a pour.
            $table->unsignedInteger('pieces')->nullable();
            $table->json('faults')->nullable();
            $table->text('note')->nullable();
            $table->timestamps();
        });

        Schema::create('run_events', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('pour_id')->constrained()->cascadeOnDelete();
            // Made by the browser, so that sending the same fact twice records it once.
            $table->string('key', 64);
            $table->string('kind');
            $table->dateTime('at', 3);
            $table->json('payload');
            $table->unique(['pour_id', 'key']);
        });
    }

    public function down(): void
    {
        foreach (['run_events', 'pours', 'formula_versions', 'formulas', 'impressions', 'jobs', 'room_readings', 'workshops'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
