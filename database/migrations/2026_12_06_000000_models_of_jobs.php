<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** A model serves as many jobs as there are; each stays with the study that was put into it. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('job_models', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $table->foreignId('job_id')->constrained()->cascadeOnDelete();
            $table->foreignId('model_file_id')->constrained()->cascadeOnDelete();
            $table->foreignId('study_id')->nullable()->constrained()->nullOnDelete();
            $table->dateTime('at', 3);
            $table->unique(['job_id', 'model_file_id']);
            $table->index(['model_file_id', 'job_id']);
        });
        DB::table('job_models')->insertUsing(
            ['workshop_id', 'job_id', 'model_file_id', 'at'],
            DB::table('model_files')->whereNotNull('job_id')->select('workshop_id', 'job_id', 'id', 'created_at'),
        );
    }

    public function down(): void
    {
        Schema::dropIfExists('job_models');
    }
};
