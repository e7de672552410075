<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Files that take longer than a moment to be taken in, and the queue in which they wait. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('imports', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $table->string('file');
            $table->string('state', 16)->default('waiting');
            $table->unsignedInteger('done')->default(0);
            $table->unsignedInteger('total')->default(0);
            $table->json('new')->nullable();
            $table->text('wrong')->nullable();
            $table->timestamps();
        });
        // `jobs` are pieces to be made here; what waits for the worker has a name of its own.
        Schema::create('queue_jobs', static function (Blueprint $table): void {
            $table->id();
            $table->string('queue')->index();
            $table->longText('payload');
            $table->unsignedTinyInteger('attempts');
            $table->unsignedInteger('reserved_at')->nullable();
            $table->unsignedInteger('available_at');
            $table->unsignedInteger('created_at');
        });
        Schema::create('queue_failed_jobs', static function (Blueprint $table): void {
            $table->id();
            $table->string('uuid')->unique();
            $table->text('connection');
            $table->text('queue');
            $table->longText('payload');
            $table->longText('exception');
            $table->timestamp('failed_at')->useCurrent();
        });
    }

    public function down(): void
    {
        foreach (['queue_failed_jobs', 'queue_jobs', 'imports'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
