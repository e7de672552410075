<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Labels on their way to a printer, and the roll that lies in it. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('printings', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $table->string('what', 160);
            $table->longText('bits')->nullable();
            $table->string('state', 10);
            $table->string('why', 300)->nullable();
            $table->dateTime('asked_at', 3);
            $table->dateTime('sent_at', 3)->nullable();
            $table->timestamps();
            $table->index(['workshop_id', 'state', 'id']);
        });
        Schema::table('workshops', static function (Blueprint $table): void {
            $table->float('label_w_mm')->default(57.0);
            $table->float('label_h_mm')->default(32.0);
            $table->float('label_dots_mm')->default(8.0);
        });
    }

    public function down(): void
    {
        Schema::drop('printings');
        Schema::table('workshops', static function (Blueprint $table): void {
            $table->dropColumn(['label_w_mm', 'label_h_mm', 'label_dots_mm']);
        });
    }
};
