<?php

declare(strict_types=1);

use App\Database\ChangeCount;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** An impression is built: every pour there is becomes a build of one operation. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('builds', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $table->foreignId('impression_id')->constrained()->cascadeOnDelete();
            // The link whose one planned build this is: two presses on one button plan one.
            $table->foreignId('planned_of')->nullable()->unique()->constrained('impressions')->cascadeOnDelete();
            // One pour and nothing else: how it stands is told by its pour.
            $table->boolean('plain')->default(false);
            $table->string('kind', 60);
            $table->string('name', 160);
            $table->json('plan')->nullable();
            $table->dateTime('begun_at', 3)->nullable();
            $table->dateTime('ended_at', 3)->nullable();
            $table->dateTime('created_at', 3);
            $table->index(['workshop_id', 'plain', 'ended_at']);
            $table->index(['impression_id', 'plain']);
        });
        Schema::create('own_builds', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $table->string('name', 160);
            $table->json('made');
            $table->dateTime('created_at', 3);
            $table->unique(['workshop_id', 'name']);
        });
        Schema::create('finger_tests', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $table->foreignId('build_id')->constrained()->cascadeOnDelete();
            $table->string('base_code', 60);
            $table->string('finger', 16);
            // Since the coat was laid, as 100 g of the bare base would have shown it.
            $table->double('minutes');
            $table->decimal('room_c', 4, 1);
            $table->index(['workshop_id', 'base_code', 'id']);
        });
        // Added by hand: making the table anew would lose its triggers and its narrow indexes.
        if (DB::getDriverName() === 'sqlite') {
            DB::statement('alter table pours add column build_id integer null references builds(id) on delete cascade');
            DB::statement("alter table pours add column operation varchar(40) not null default 'pour'");
            DB::statement('alter table pours add column turn integer not null default 0');
            DB::statement('create unique index pours_build_id_operation_turn_unique on pours (build_id, operation, turn)');
        } else {
            Schema::table('pours', static function (Blueprint $table): void {
                $table->foreignId('build_id')->nullable()->constrained()->cascadeOnDelete();
                $table->string('operation', 40)->default('pour');
                $table->unsignedInteger('turn')->default(0);
                $table->unique(['build_id', 'operation', 'turn']);
            });
        }
        DB::statement('create index pours_workshop_id_build_id_index on pours (workshop_id, build_id)');
        Schema::table('workshops', static fn (Blueprint $table) => $table->unsignedTinyInteger('hands')->default(1));
        // What stands is kept under the number of its pour, so that one can be read off the other.
        DB::statement(
            'insert into builds (id, workshop_id, impression_id, plain, kind, name, begun_at, ended_at, created_at) select id, workshop_id, impression_id, '.(
                DB::getDriverName() === 'sqlite' ? '1' : 'true'
            ).", 'pour', 'Pour', started_at, graded_at, coalesce(created_at, started_at, current_timestamp) from pours",
        );
        DB::statement('update pours set build_id = id');
        if (DB::getDriverName() === 'pgsql') {
            DB::statement("select setval('builds_id_seq', coalesce((select max(id) from builds), 0) + 1, false)");
        }
        ChangeCount::count();
    }

    public function down(): void
    {
        throw new LogicException('What is built in several operations is no single pour. Put a backup back instead.');
    }
};
