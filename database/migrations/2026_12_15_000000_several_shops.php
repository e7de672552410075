<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Several shops on one server: each has a name at the door, and the scale and thermometers at the server's cables stand in one of them. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('workshops', static function (Blueprint $table): void {
            $table->string('known_as', 40)->nullable()->unique();
            $table->boolean('cables')->default(true);
        });
        // Where a pour nobody can read stood before it was put off the bench: with what somebody types it could be written by anybody.
        Schema::create('damaged_pours', static function (Blueprint $table): void {
            $table->unsignedBigInteger('pour_id')->primary();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $table->string('state', 12)->nullable();
            $table->json('row')->nullable();
        });
        foreach (DB::table('typed')->where('screen', 'like', 'damaged/%')->get() as $typed) {
            $what = json_decode((string) $typed->what, true);
            DB::table('damaged_pours')->insertOrIgnore([
                'pour_id' => (int) substr((string) $typed->screen, 8), 'workshop_id' => $typed->workshop_id,
                'state' => $what['state'] ?? null, 'row' => isset($what['row']) ? json_encode($what['row']) : null,
            ]);
            DB::table('typed')->where('id', $typed->id)->delete();
        }
    }

    public function down(): void
    {
        Schema::drop('damaged_pours');
        Schema::table('workshops', static function (Blueprint $table): void {
            $table->dropUnique(['known_as']);
            $table->dropColumn(['known_as', 'cables']);
        });
    }
};
