<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** One stream of facts for runs and series; what is begun keeps what it was begun with; every record knows its workshop. */
return new class extends Migration
{
    private const OWNED = [
        'impressions' => ['jobs', 'job_id'], 'pours' => ['impressions', 'impression_id'], 'formula_versions' => ['formulas', 'formula_id'],
        'swatch_readings' => ['swatches', 'swatch_id'],
    ];

    public function up(): void
    {
        Schema::create('facts', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $table->string('stream', 16);
            $table->unsignedBigInteger('stream_id');
            // Made by the browser, so that sending the same fact twice records it once.
            $table->string('key', 64);
            $table->string('kind', 32);
            $table->dateTime('at', 3);
            $table->json('payload');
            // What was sent, boiled down: the same key with another content is no repetition.
            $table->char('said', 40)->nullable();
            // Empty until people sign in.
            $table->string('person', 80)->nullable();
            $table->unique(['stream', 'stream_id', 'key']);
            $table->index(['workshop_id', 'stream', 'stream_id']);
        });
        Schema::create('snapshots', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $table->char('hash', 40);
            $table->json('content');
            $table->dateTime('created_at')->nullable();
            $table->unique(['workshop_id', 'hash']);
        });
        Schema::create('scale_holds', function (Blueprint $table): void {
            $table->foreignId('workshop_id')->primary()->constrained()->cascadeOnDelete();
            // Whose weigh-up the scale serves.
            $table->string('stream', 16);
            $table->unsignedBigInteger('stream_id');
            $table->dateTime('since', 3);
            // What it was seen to do is kept under this, so that it ends with the hold.
            $table->ulid('watch');
            // What others had poured of their line when they lost the scale, by weigh-up.
            $table->json('left')->nullable();
        });
        foreach (self::OWNED as $table => [$parent, $key]) {
            Schema::table($table, static fn (Blueprint $t) => $t->foreignId('workshop_id')->nullable()->constrained()->cascadeOnDelete());
            DB::statement("update {$table} set workshop_id = (select workshop_id from {$parent} where {$parent}.id = {$table}.{$key})");
        }
        Schema::table('pours', function (Blueprint $table): void {
            $table->string('base_code', 60)->nullable();
            $table->foreignId('snapshot_id')->nullable()->constrained();
            // What its gel taught of the clock, as 100 g of the bare base would have shown it.
            $table->double('gel_min')->nullable();
            $table->decimal('gel_room_c', 4, 1)->nullable();
            $table->index(['workshop_id', 'base_code']);
            $table->index(['workshop_id', 'state', 'graded_at']);
            $table->index(['impression_id', 'opened_at']);
            $table->index(['formula_version_id', 'workshop_id', 'started_at']);
        });
        Schema::table('series', function (Blueprint $table): void {
            $table->json('plan')->nullable();
        });
        (new App\Upgrades\LiftFacts)();
        Schema::table('series', static fn (Blueprint $table) => $table->dropColumn(['division_g', 'capacity_g', 'room_c']));
        Schema::dropIfExists('run_events');
        Schema::dropIfExists('series_facts');
    }

    public function down(): void
    {
        throw new LogicException('What happened cannot be told the old way any more. Put a backup back instead.');
    }
};
