<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Which whole way a job took and what it promised; and what has to be bought for it. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('taken_ways', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $table->foreignId('job_id')->constrained()->cascadeOnDelete();
            $table->json('way');
            $table->json('promised');
            $table->json('made');
            $table->dateTime('taken_at', 3);
            $table->dateTime('undone_at', 3)->nullable();
            $table->timestamps();
            $table->index(['job_id', 'undone_at', 'id']);
        });
        // The last of them that stands: a job that took none is asked no more.
        Schema::table('jobs', static function (Blueprint $table): void {
            $table->unsignedBigInteger('taken_way_id')->nullable();
        });
        Schema::create('job_wants', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $table->foreignId('job_id')->constrained()->cascadeOnDelete();
            $table->foreignId('taken_way_id')->constrained()->cascadeOnDelete();
            $table->string('code', 60);
            $table->float('grams');
            $table->dateTime('since', 3);
            $table->index(['workshop_id', 'code']);
        });
    }

    public function down(): void
    {
        Schema::drop('job_wants');
        Schema::table('jobs', static function (Blueprint $table): void {
            $table->dropColumn('taken_way_id');
        });
        Schema::drop('taken_ways');
    }
};
