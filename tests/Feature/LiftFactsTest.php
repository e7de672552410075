<?php

declare(strict_types=1);

namespace Tests\Feature;

use Apalos\Core\Run\RunFactKind;
use Apalos\Core\Run\Step;
use Apalos\Core\Run\StepKind;
use App\Log\RecordedRun;
use App\Models\Pour;
use App\Models\PourState;
use App\Models\Series;
use App\Models\Workshop;
use App\Swatches\RecordedSeries;
use Illuminate\Support\Facades\DB;
use Tests\TestCase;

/** A workshop that was there before: its runs and series go on in the one stream, with nothing lost. */
final class LiftFactsTest extends TestCase
{
    private const BEFORE = [
        '2026_01_01_000000_create_workshop', '2026_02_01_000000_contacts', '2026_03_01_000000_swatches', '2026_04_01_000000_series',
    ];

    /** What these tests lift is always SQLite: nothing else was there before. */
    private string $usual = 'sqlite';

    protected function setUp(): void
    {
        parent::setUp();
        config(['database.connections.before' => [...config()->array('database.connections.sqlite'), 'database' => ':memory:']]);
        $this->migrate(self::BEFORE);
        $this->usual = DB::getDefaultConnection();
        DB::setDefaultConnection('before');
    }

    protected function tearDown(): void
    {
        DB::setDefaultConnection($this->usual);
        parent::tearDown();
    }

    /** @param  list<string>  $files */
    private function migrate(array $files): void
    {
        foreach ($files as $file) {
            $this->artisan('migrate', ['--database' => 'before', '--path' => "database/migrations/{$file}.php", '--force' => true])->run();
        }
    }

    /** All that came after, to the schema of today: what reads it is today's code. */
    private function lift(): void
    {
        $this->artisan('migrate', ['--database' => 'before', '--path' => 'database/migrations', '--force' => true])->run();
        app()->forgetScopedInstances();
        app()->instance(Workshop::class, Workshop::query()->firstOrFail());
    }

    private function pour(string $base = 'pr-10', string $softener = 'sf-1'): int
    {
        $at = '2026-02-01 08:00:00';
        DB::table('workshops')->insert(['id' => 1, 'name' => 'The old shop', 'created_at' => $at, 'updated_at' => $at]);
        DB::table('jobs')->insert(['id' => 1, 'workshop_id' => 1, 'name' => 'Jaw', 'created_at' => $at, 'updated_at' => $at]);
        DB::table('impressions')->insert([
            'id' => 1, 'job_id' => 1, 'position' => 1, 'kind' => 'cast', 'name' => 'Casts', 'material' => $base, 'created_at' => $at,
            'updated_at' => $at,
        ]);
        $sheet = $this->sheet([
            'formula' => [
                'base' => $base, 'additives' => [['code' => $softener, 'amount' => 60, 'basis' => 'pct_of_ab', 'into' => 'after']],
            ],
        ]);
        $plan = [
            'run' => [
                'batches' => [['B' => 50.0, 'A' => 50.0, 'Softener' => 60.0]], 'one_part' => false, 'mix_min' => 2.0, 'degas_min' => 0.0,
                'division_g' => 0.1, 'capacity_ml' => null, 'sg' => 1.03, 'tolerance_pct' => 1.0, 'checklist' => [],
            ],
            'base' => ['code' => $base, 'name' => 'PR-10', 'part_names' => ['a' => 'A', 'b' => 'B']],
            'colours' => ['A' => '#eeeeee', 'Softener' => '#f0f0e0'], 'cautions' => [],
            'formula_name' => 'Jaw · 1', 'room_c' => 20.0, 'pot_life_min' => 40.0, 'usable_min' => 30.0, 'likely_ml' => 150.0,
        ];

        return DB::table('pours')->insertGetId([
            'impression_id' => 1, 'sheet' => json_encode($sheet), 'plan' => json_encode($plan), 'started_at' => $at,
            'met_at' => '2026-02-01 08:10:00.000', 'state' => 'running', 'created_at' => $at, 'updated_at' => $at,
        ]);
    }

    /** @param  array<string, mixed>  $payload */
    private function event(int $pour, string $kind, string $at, array $payload = []): int
    {
        return DB::table('run_events')->insertGetId([
            'pour_id' => $pour, 'key' => "old-{$kind}-{$at}", 'kind' => $kind, 'at' => "2026-02-01 {$at}.000",
            'payload' => json_encode($payload),
        ]);
    }

    public function test_a_run_under_way_stands_at_the_line_it_stood_at(): void
    {
        $pour = $this->pour();
        $this->event($pour, 'confirmed', '08:01:00', ['step' => (new Step(StepKind::Gear))->key()]);
        $this->event($pour, 'confirmed', '08:02:00', ['step' => (new Step(StepKind::PreMix, 1))->key()]);
        $this->event($pour, 'confirmed', '08:03:00', ['step' => (new Step(StepKind::Tare, 1))->key()]);
        $this->event($pour, 'weighed', '08:04:00', [
            'step' => (new Step(StepKind::Weigh, 1, 0))->key(), 'reading_g' => 50.0, 'by' => 'scale', 'stable' => true, 'short' => false,
        ]);
        $before = DB::table('run_events')->orderBy('id')->get(['id', 'kind', 'at'])->map(fn ($row): array => (array) $row)->all();
        $this->lift();

        self::assertSame(
            $before,
            DB::table('facts')
                ->where('stream', 'run')
                ->orderBy('id')
                ->get(['id', 'kind', 'at'])
                ->map(fn ($row): array => (array) $row)
                ->all(),
        );
        $run = RecordedRun::of(Pour::query()->findOrFail($pour));
        self::assertSame(PourState::Running, $run->pour->state);
        self::assertSame(1, $run->pour->workshop_id);
        self::assertSame([StepKind::Weigh, 50.0], [$run->state->step->kind, $run->state->cup()->display], 'B is in, A is next');
        self::assertSame(['B', 'A', 'sf-1'], array_keys($run->plan->batches[0]), 'weighed by code from now on');
        self::assertSame('pr-10', $run->pour->base_code);
        self::assertNotNull($run->pour->snapshot_id);
    }

    public function test_what_was_taken_back_stays_taken_back(): void
    {
        $pour = $this->pour();
        $noted = $this->event($pour, RunFactKind::Noted->value, '08:01:00', ['note' => 'Wrong shelf']);
        $this->event($pour, 'undone', '08:02:00', ['event' => $noted]);
        $this->lift();

        self::assertSame(['of' => $noted], json_decode((string) DB::table('facts')->where('kind', 'undone')->value('payload'), true));
        self::assertSame(StepKind::Gear, RecordedRun::of(Pour::query()->findOrFail($pour))->state->step->kind);
    }

    public function test_a_pour_of_before_is_a_build_of_one_operation(): void
    {
        $id = $this->pour();
        $this->lift();
        $lifted = Pour::query()->with('build')->findOrFail($id);

        self::assertSame([true, $id, 'pour', 0], [$lifted->build->plain, $lifted->build_id, $lifted->operation, $lifted->turn]);
        self::assertEquals($lifted->started_at, $lifted->build->begun_at);
        self::assertNull($lifted->build->ended_at);
        // The next one finds a number of its own.
        self::assertGreaterThan(
            $id, $lifted->impression->pours()->create(['sheet' => $lifted->sheet, 'state' => PourState::Draft])->build_id,
        );
    }

    public function test_a_gel_that_was_seen_teaches_the_clock(): void
    {
        $pour = $this->pour();
        $this->event($pour, 'gelled', '08:34:00', []);
        $this->lift();
        $taught = Pour::query()->findOrFail($pour);

        self::assertSame(20.0, (float) $taught->gel_room_c);
        // 24 min with 60 % softener in it: bare it would have been sooner.
        self::assertGreaterThan(1.0, $taught->gel_min);
        self::assertLessThan(24.0, $taught->gel_min);
    }

    public function test_a_pour_of_what_left_the_shelf_is_kept_with_what_is_known(): void
    {
        $pour = $this->pour('left-the-shelf', 'gone');
        $this->lift();
        $run = RecordedRun::of(Pour::query()->findOrFail($pour));

        self::assertSame([50.0, 50.0, 60.0], array_values($run->plan->batches[0]));
        self::assertNull($run->pour->snapshot_id);
    }

    public function test_a_series_goes_on_with_its_grams_under_codes(): void
    {
        $this->pour();
        $question = fn (string $base): string => (string) json_encode([
            'kind' => 'softener', 'softener' => 'sf-1', 'recipe' => ['base' => $base, 'additives' => []], 'steps' => [0, 30, 60],
            'puck_ml' => 20, 'spare_pct' => 10, 'mix_min' => 2,
        ]);
        foreach ([1 => 'pr-10', 2 => 'left-the-shelf'] as $id => $base) {
            DB::table('series')->insert([
                'id' => $id, 'workshop_id' => 1, 'question' => $question($base), 'division_g' => 0.1, 'capacity_g' => 3000, 'room_c' => 20,
                'begun_at' => '2026-02-01 09:00:00.000',
            ]);
            DB::table('series_facts')->insert([
                'series_id' => $id, 'key' => 'k1', 'kind' => 'nought', 'at' => '2026-02-01 09:01:00.000',
                'payload' => json_encode(['vessel' => 'plain cup', 'line' => 0]),
            ]);
            DB::table('series_facts')->insert([
                'series_id' => $id, 'key' => 'k2', 'kind' => 'put', 'at' => '2026-02-01 09:02:00.000',
                'payload' => json_encode(['vessel' => 'plain cup', 'line' => 0, 'grams' => 31.5]),
            ]);
        }
        $this->lift();

        self::assertSame(
            ['tared', 'put', 'tared', 'put'], DB::table('facts')->where('stream', 'series')->orderBy('id')->pluck('kind')->all(),
        );
        self::assertSame(31.5, RecordedSeries::of(Series::query()->findOrFail(1))->state->weighed->toArray()['plain-cup'][0]);
        self::assertNotNull(Series::query()->findOrFail(2)->labelled_at, 'nobody can weigh it up; what was put in stays');
        self::assertSame(2, DB::table('facts')->where('stream', 'series')->where('stream_id', 2)->count());
    }
}
