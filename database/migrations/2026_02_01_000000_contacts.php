<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('impressions', function (Blueprint $table): void {
            // What an original's surface is, by its id in the library; a poured link becomes what its material cures to.
            $table->string('surface')->nullable();
            $table->string('role')->default('whole');
            $table->unsignedBigInteger('from_id')->nullable();
            $table->string('wall')->nullable();
            $table->string('bed')->nullable();
            // What was chosen for each contact, by its key: release, sealer, state of the surface, overruling with its reason.
            $table->json('contacts')->nullable();
        });

        Schema::create('test_patches', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $table->string('fresh');
            $table->string('surface');
            $table->string('base')->nullable();
            $table->text('place')->nullable();
            $table->dateTime('put_on_at', 3);
            $table->dateTime('due_at', 3)->index();
            $table->boolean('passed')->nullable();
            $table->dateTime('read_at', 3)->nullable();
            $table->text('note')->nullable();
            $table->string('photo')->nullable();
            $table->timestamps();
        });

        Schema::create('own_rules', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $table->string('name');
            $table->json('rule');
            $table->timestamps();
            $table->unique(['workshop_id', 'name']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('own_rules');
        Schema::dropIfExists('test_patches');
        Schema::table('impressions', function (Blueprint $table): void {
            $table->dropColumn(['surface', 'role', 'from_id', 'wall', 'bed', 'contacts']);
        });
    }
};
