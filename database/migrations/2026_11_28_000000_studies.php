<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Models of pieces, and what was asked of them. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('model_files', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $table->foreignId('job_id')->nullable()->constrained()->nullOnDelete();
            $table->string('name', 160);
            $table->string('format', 8);
            $table->unsignedBigInteger('bytes');
            // Of what is in it: the same file is kept once, under whatever name it comes.
            $table->string('hash', 64);
            $table->string('unit', 8)->nullable();
            $table->json('sides')->nullable();
            $table->dateTime('created_at', 3);
            $table->softDeletes('deleted_at', 3);
            $table->unique(['workshop_id', 'hash']);
            $table->index(['workshop_id', 'job_id']);
        });
        Schema::create('studies', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $table->foreignId('model_file_id')->constrained()->cascadeOnDelete();
            $table->json('asked');
            // Of what was asked, and by which edition of the reckoning: the same is never studied twice.
            $table->string('mark', 64);
            $table->string('state', 12);
            $table->unsignedSmallInteger('done')->default(0);
            $table->string('doing', 20)->nullable();
            $table->json('answer')->nullable();
            $table->json('wrong')->nullable();
            $table->dateTime('created_at', 3);
            $table->unique(['model_file_id', 'mark']);
            $table->index(['workshop_id', 'model_file_id', 'id']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('studies');
        Schema::dropIfExists('model_files');
    }
};
