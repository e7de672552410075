<?php

declare(strict_types=1);

use App\Database\ChangeCount;
use App\Upgrades\LiftMoulds;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Moulds and castings are things; grams come from lots; a price can be counted; what went wrong is kept with its cause. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('moulds', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $table->foreignId('job_id')->nullable()->constrained()->nullOnDelete();
            // The first poured link of it, and the how manieth of that link it is; none where it was made elsewhere, before there was a
            // log.
            $table->foreignId('impression_id')->nullable()->constrained()->nullOnDelete();
            $table->unsignedInteger('generation')->default(1);
            $table->string('name', 160);
            $table->json('parts');
            $table->string('material', 60)->nullable();
            $table->dateTime('made_at', 3);
            $table->foreignId('remade_of')->nullable()->constrained('moulds')->nullOnDelete();
            // What follows is read off its facts and castings, for lists.
            $table->string('place', 120)->nullable();
            $table->string('photo')->nullable();
            $table->string('cost', 16)->nullable();
            $table->string('condition', 16)->nullable();
            $table->json('marks')->nullable();
            $table->json('care')->nullable();
            $table->string('casting', 60)->nullable();
            $table->unsignedInteger('casts')->default(0);
            $table->unsignedInteger('casts_before')->default(0);
            $table->unsignedInteger('releases')->default(0);
            $table->dateTime('cast_at', 3)->nullable();
            $table->dateTime('hot_at', 3)->nullable();
            $table->dateTime('retired_at', 3)->nullable();
            $table->string('retired_why', 16)->nullable();
            $table->unsignedInteger('left_likely')->nullable();
            $table->unique(['impression_id', 'generation']);
            $table->index(['workshop_id', 'retired_at', 'left_likely', 'id']);
            $table->index(['workshop_id', 'material', 'casting']);
            $table->index(['workshop_id', 'job_id']);
            $table->index(['workshop_id', 'remade_of']);
        });
        Schema::create('pour_moulds', static function (Blueprint $table): void {
            $table->foreignId('pour_id')->constrained()->cascadeOnDelete();
            $table->foreignId('mould_id')->constrained()->cascadeOnDelete();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            // When it came out; nothing while it is in there.
            $table->dateTime('cast_at', 3)->nullable();
            // It is in there, or is about to be.
            $table->boolean('live')->default(true);
            $table->primary(['pour_id', 'mould_id']);
            $table->index(['mould_id', 'cast_at']);
            $table->index(['mould_id', 'live']);
        });
        Schema::create('castings', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $table->foreignId('pour_id')->constrained()->cascadeOnDelete();
            $table->foreignId('mould_id')->nullable()->constrained()->nullOnDelete();
            $table->unsignedInteger('number');
            $table->string('outcome', 8);
            $table->string('fault', 40)->nullable();
            $table->dateTime('at', 3);
            $table->unique(['pour_id', 'number']);
            $table->index(['workshop_id', 'pour_id', 'outcome', 'mould_id']);
            $table->index(['workshop_id', 'mould_id', 'outcome']);
        });
        Schema::create('mould_care', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $table->foreignId('mould_id')->constrained()->cascadeOnDelete();
            // Told in a run, by ticking it off, or on the rack.
            $table->foreignId('pour_id')->nullable()->constrained()->cascadeOnDelete();
            $table->unsignedBigInteger('fact_id')->nullable();
            $table->string('act', 12);
            // With what, in words: which release went on.
            $table->string('what', 160)->nullable();
            $table->dateTime('at', 3);
            $table->index(['mould_id', 'act', 'at']);
            $table->index(['pour_id']);
        });
        Schema::create('lots', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $table->string('code', 60);
            $table->date('got_on');
            $table->date('best_before')->nullable();
            $table->string('price', 16)->nullable();
            $table->text('note')->nullable();
            $table->dateTime('created_at', 3);
            // Read off its facts and draws.
            $table->date('opened_on')->nullable();
            $table->dateTime('ended_at', 3)->nullable();
            $table->string('trouble', 16)->nullable();
            $table->index(['workshop_id', 'code', 'ended_at', 'opened_on']);
        });
        Schema::create('lot_parts', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $table->foreignId('lot_id')->constrained()->cascadeOnDelete();
            $table->string('part', 8);
            $table->string('maker_number', 60)->nullable();
            $table->decimal('got_g', 12, 3);
            $table->decimal('left_g', 12, 3);
            $table->unique(['lot_id', 'part']);
            $table->index(['workshop_id', 'maker_number']);
        });
        Schema::create('lot_draws', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            // Nothing where no lot had it by the book.
            $table->foreignId('lot_id')->nullable()->constrained()->cascadeOnDelete();
            $table->foreignId('pour_id')->constrained()->cascadeOnDelete();
            $table->string('code', 60);
            $table->string('part', 8);
            $table->decimal('grams', 12, 3);
            $table->dateTime('at', 3);
            $table->index(['lot_id', 'part', 'at']);
            $table->index(['pour_id']);
        });
        Schema::create('kits', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $table->string('code', 60);
            $table->string('price', 16)->nullable();
            $table->decimal('mass_g', 12, 3)->nullable();
            $table->decimal('reorder_g', 12, 3)->nullable();
            $table->unique(['workshop_id', 'code']);
        });
        Schema::create('waiting_things', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $table->string('name', 120);
            $table->decimal('ml', 10, 2);
            $table->unique(['workshop_id', 'name']);
        });
        Schema::create('trials', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $table->string('name', 160);
            $table->string('about', 16);
            $table->string('base_code', 60)->nullable();
            $table->text('note')->nullable();
            $table->json('variants');
            $table->unsignedSmallInteger('cups');
            $table->decimal('cup_g', 10, 2);
            $table->dateTime('created_at', 3);
            $table->dateTime('ended_at', 3)->nullable();
            $table->json('became')->nullable();
            $table->index(['workshop_id', 'ended_at']);
        });
        Schema::table('workshops', static function (Blueprint $table): void {
            $table->string('release_school', 8)->default('every');
            $table->string('hour_rate', 16)->nullable();
        });
        Schema::table('impressions', static fn (Blueprint $table) => $table->dateTime('gone_at', 3)->nullable());
        $this->pours();
        // Few castings are in no mould.
        DB::statement('create index castings_homeless on castings (workshop_id, at) where mould_id is null');
        ChangeCount::count();
        (new LiftMoulds)();
    }

    /** Added by hand: making the table anew would lose its triggers and its narrow indexes. */
    private function pours(): void
    {
        if (DB::getDriverName() === 'sqlite') {
            DB::statement('alter table pours add column cause varchar(32) null');
            DB::statement('alter table pours add column room_c numeric null');
        } else {
            Schema::table('pours', static function (Blueprint $table): void {
                $table->string('cause', 32)->nullable();
                $table->decimal('room_c', 4, 1)->nullable();
            });
        }
        DB::statement('create index pours_causes on pours (workshop_id, cause) where cause is not null');
        // What bad casts have in common is looked for in this narrow strip.
        DB::statement(
            'create index pours_compared on pours (workshop_id, state, graded_at, grade, base_code, room_c, poured_at, impression_id, id)',
        );
    }

    public function down(): void
    {
        throw new LogicException('What lies on the rack and in the stores is not told the old way any more. Put a backup back instead.');
    }
};
