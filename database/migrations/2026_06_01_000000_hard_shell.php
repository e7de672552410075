<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** What is asked all day is found by an index; what may be begun only once at a time is unique; the drawer keeps what its swatches tell. */
return new class extends Migration
{
    public function up(): void
    {
        if (DB::getDriverName() === 'sqlite') {
            DB::statement('pragma journal_mode = wal');
        }
        Schema::table('workshops', static function (Blueprint $table): void {
            // Unlike that of any other database, so that nothing that was kept of one is taken for another's.
            $table->char('mark', 26)->default('');
            // How often anything changed that every screen has around it.
            $table->unsignedBigInteger('turn')->default(0);
            // For which shelf the cards of the drawer were written.
            $table->string('cards_stamp', 64)->nullable();
            // How often a card changed since.
            $table->unsignedBigInteger('cards_turn')->default(0);
        });
        Schema::create('drawer_cards', static function (Blueprint $table): void {
            $table->foreignId('swatch_id')->primary()->constrained()->cascadeOnDelete();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $table->string('base_code', 60)->nullable();
            $table->string('softener_code', 60)->nullable();
            $table->double('pct_of_ab')->nullable();
            $table->string('scale', 8)->nullable();
            $table->double('reading')->nullable();
            $table->double('spread')->nullable();
            $table->unsignedSmallInteger('places')->nullable();
            $table->double('ln_modulus')->nullable();
            $table->double('off_sd')->nullable();
            $table->double('lab_l')->nullable();
            $table->double('lab_a')->nullable();
            $table->double('lab_b')->nullable();
            $table->string('pigment_code', 60)->nullable();
            $table->json('drawdown')->nullable();
            $table->boolean('unread')->default(true);
            $table->dateTime('poured_at', 3);
            $table->text('words');
            $table->index(['workshop_id', 'base_code', 'softener_code', 'swatch_id']);
            $table->index(['workshop_id', 'base_code', 'pigment_code', 'swatch_id']);
            $table->index(['workshop_id', 'swatch_id']);
            $table->index(['workshop_id', 'unread', 'poured_at']);
        });
        Schema::table('formula_versions', static fn (Blueprint $table) => $table->char('recipe_hash', 40)->default(''));
        foreach (DB::table('formula_versions')->select('id', 'recipe')->lazyById(500) as $row) {
            DB::table('formula_versions')->where('id', $row->id)->update([
                'recipe_hash' => App\Models\FormulaVersion::hashOf(json_decode($row->recipe, true)),
            ]);
        }
        Schema::table('pours', static function (Blueprint $table): void {
            // The link whose one planned pour this is: two presses on one button plan one.
            $table->foreignId('draft_of')->nullable()->unique()->constrained('impressions')->cascadeOnDelete();
        });
        DB::statement(
            "update pours set draft_of = impression_id where state = 'draft' and id in (select max(id) from pours where state = 'draft' group by impression_id)",
        );
        foreach (DB::table('workshops')->pluck('id') as $id) {
            DB::table('workshops')->where('id', $id)->update(['mark' => (string) Illuminate\Support\Str::ulid()]);
        }
        $this->leanOn();
        $this->findBy();
        App\Database\ChangeCount::count();
    }

    public function down(): void
    {
        Schema::dropIfExists('drawer_cards');
        Schema::table('workshops', static fn (Blueprint $table) => $table->dropColumn(['mark', 'turn', 'cards_stamp', 'cards_turn']));
        Schema::table('formula_versions', static fn (Blueprint $table) => $table->dropColumn('recipe_hash'));
        Schema::table('pours', static function (Blueprint $table): void {
            $table->dropConstrainedForeignId('draft_of');
        });
    }

    /** What points to another record points to one that is there. */
    private function leanOn(): void
    {
        DB::statement('update impressions set from_id = null where from_id is not null and from_id not in (select id from impressions)');
        DB::statement(
            'update formula_versions set parent_id = null where parent_id is not null and parent_id not in (select id from formula_versions)',
        );
        Schema::table(
            'impressions', static fn (Blueprint $table) => $table->foreign('from_id')->references('id')->on('impressions')->nullOnDelete(),
        );
        Schema::table(
            'formula_versions',
            static fn (Blueprint $table) => $table->foreign('parent_id')->references('id')->on('formula_versions')->nullOnDelete(),
        );
    }

    private function findBy(): void
    {
        // The workshop comes first in what is asked, and so in what it is found by.
        Schema::table('pours', static function (Blueprint $table): void {
            $table->dropIndex(['impression_id', 'opened_at']);
            $table->dropIndex(['formula_version_id', 'workshop_id', 'started_at']);
            $table->dropIndex(['workshop_id', 'base_code']);
            $table->dropIndex(['state']);
            $table->dropIndex(['opened_at']);
            $table->dropIndex(['graded_at']);
            $table->dropIndex(['started_at']);
        });
        $indexes = [
            'jobs' => [['workshop_id', 'deleted_at', 'updated_at']],
            'impressions' => [['workshop_id', 'deleted_at']],
            'pours' => [
                ['workshop_id', 'state', 'updated_at'], ['workshop_id', 'state', 'base_code', 'graded_at'],
                ['workshop_id', 'state', 'grade', 'graded_at'], ['workshop_id', 'impression_id', 'state', 'grade', 'pieces'],
                ['workshop_id', 'impression_id', 'opened_at'], ['workshop_id', 'formula_version_id', 'started_at', 'grade'],
            ],
            'formulas' => [['workshop_id', 'kind', 'name']],
            'formula_versions' => [['formula_id', 'recipe_hash']],
            'swatches' => [['workshop_id', 'deleted_at', 'poured_at'], ['formula_version_id']],
            'swatch_readings' => [['workshop_id', 'swatch_id'], ['workshop_id', 'backing', 'at']],
            'room_readings' => [['workshop_id', 'at']],
            'test_patches' => [['workshop_id', 'passed', 'due_at'], ['workshop_id', 'fresh', 'surface', 'read_at']],
            'series' => [['workshop_id', 'labelled_at']],
            'facts' => [['stream', 'kind', 'stream_id']],
        ];
        foreach ($indexes as $table => $columns) {
            Schema::table($table, static function (Blueprint $blueprint) use ($columns): void {
                foreach ($columns as $of) {
                    $blueprint->index($of);
                }
            });
        }
        // Few pours have shown a gel; both databases know an index of those alone.
        if (DB::getDriverName() === 'sqlite') {
            // The log is searched in this narrow strip, not in the wide rows of sheets and plans.
            DB::statement(
                'create index pours_words on pours (workshop_id, state, graded_at, impression_id, grade, base_code, faults, note)',
            );
            Schema::table('pours', static fn (Blueprint $table) => $table->dropIndex(['workshop_id', 'state', 'graded_at']));
        }
        DB::statement('create index pours_gels on pours (workshop_id, base_code, id) where gel_min is not null');
    }
};
