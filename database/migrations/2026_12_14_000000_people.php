<?php

declare(strict_types=1);

use App\Database\ChangeCount;
use App\Facts\Seals;
use Carbon\CarbonImmutable;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** People, the tablets they stand at, and by whose hands each fact was told; each fact sealed to the one before it. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('people', static function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $table->string('name', 80);
            $table->string('name_key', 80);
            $table->string('role', 12);
            $table->string('colour', 9);
            $table->string('passphrase')->nullable();
            $table->string('pin')->nullable();
            $table->unsignedSmallInteger('pin_tries')->default(0);
            $table->string('sessions', 26);
            $table->dateTime('created_at', 3);
            $table->dateTime('left_at', 3)->nullable();
            $table->dateTime('forgotten_at', 3)->nullable();
            $table->unique(['workshop_id', 'name_key']);
        });
        Schema::create('tablets', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $table->string('name', 80);
            $table->char('secret', 64)->unique();
            $table->dateTime('trusted_at', 3);
            $table->dateTime('gone_at', 3)->nullable();
        });
        Schema::create('one_time_links', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $table->foreignUlid('person_id')->nullable()->constrained('people')->cascadeOnDelete();
            $table->char('secret', 64)->unique();
            $table->dateTime('until', 3);
            $table->dateTime('used_at', 3)->nullable();
        });
        Schema::create('anchors', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $table->dateTime('at', 3);
            $table->unsignedBigInteger('up_to');
            $table->unsignedBigInteger('facts');
            $table->json('heads')->nullable();
            $table->char('seal', 64);
            $table->string('note', 24)->nullable();
            $table->index(['workshop_id', 'id']);
        });
        DB::statement(
            'alter table workshops add column made_up boolean not null default '.(DB::getDriverName() === 'pgsql' ? 'false' : '0'),
        );
        Schema::create('personal_access_tokens', static function (Blueprint $table): void {
            $table->id();
            $table->string('tokenable_type');
            $table->ulid('tokenable_id')->index();
            $table->string('name', 80);
            $table->string('token', 64)->unique();
            $table->text('abilities')->nullable();
            $table->timestamp('last_used_at')->nullable();
            $table->timestamp('expires_at')->nullable();
            $table->timestamps();
        });
        // Added by hand: SQLite would make the table anew, and lose its triggers.
        foreach ([
            'witness' => 'varchar(26)', 'door' => 'varchar(12)', 'device' => 'varchar(80)', 'nth' => 'integer', 'seal' => 'char(64)',
        ] as $column => $type) {
            DB::statement("alter table facts add column {$column} {$type}");
        }
        DB::statement('alter table pours add column graded_by varchar(26)');
        DB::statement('create index pours_by_hands on pours (workshop_id, graded_by, id) where graded_by is not null');
        Schema::table('facts', static fn (Blueprint $table) => $table->index(['workshop_id', 'person', 'id'], 'facts_by_hands'));
        ChangeCount::rest('facts');
        foreach (DB::table('workshops')->pluck('id') as $workshop) {
            app(Seals::class)->sealTheOld((int) $workshop, CarbonImmutable::now());
        }
        ChangeCount::count();
    }

    public function down(): void
    {
        Schema::table('facts', static fn (Blueprint $table) => $table->dropIndex('facts_by_hands'));
        Schema::table('facts', static fn (Blueprint $table) => $table->dropColumn(['witness', 'door', 'device', 'nth', 'seal']));
        DB::statement('drop index if exists pours_by_hands');
        Schema::table('pours', static fn (Blueprint $table) => $table->dropColumn('graded_by'));
        Schema::table('workshops', static fn (Blueprint $table) => $table->dropColumn('made_up'));
        array_map(Schema::dropIfExists(...), ['anchors', 'personal_access_tokens', 'one_time_links', 'tablets', 'people']);
    }
};
