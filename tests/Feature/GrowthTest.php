<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Fact;
use App\Models\Lot;
use App\Models\Pour;
use App\Models\PourState;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\KeepsThings;
use Tests\MakesSwatches;
use Tests\TestCase;

/** What is asked every few seconds costs the same after ten years of pours as on the first day. */
final class GrowthTest extends TestCase
{
    use KeepsThings, MakesSwatches;

    private const YEARS = 150;

    private const LIVE_QUESTIONS = 12;

    private const PAGE_QUESTIONS = 27;

    /** @return iterable<string, array{string, int}> and how often it may ask the database at most */
    public static function asked(): iterable
    {
        yield 'what every screen has around it' => ['/frame', self::LIVE_QUESTIONS];
        yield 'where a pour stands' => ['/pours/{pour}/state', self::LIVE_QUESTIONS];
        yield 'the run' => ['/pours/{pour}/run', self::PAGE_QUESTIONS];
        yield 'a sheet' => ['/pours/{draft}', self::PAGE_QUESTIONS];
        yield 'the bench' => ['/', self::PAGE_QUESTIONS];
        yield 'the jobs' => ['/jobs', self::PAGE_QUESTIONS];
        yield 'a job' => ['/jobs/{job}', self::PAGE_QUESTIONS];
        yield 'which mould' => ['/jobs/{job}/mould', self::PAGE_QUESTIONS];
        yield 'the formulas' => ['/formulas', self::PAGE_QUESTIONS];
        yield 'a formula' => ['/formulas/{formula}', self::PAGE_QUESTIONS];
        yield 'hardness' => ['/swatches', self::PAGE_QUESTIONS];
        yield 'colour' => ['/swatches/colour', self::PAGE_QUESTIONS];
        yield 'the drawer' => ['/swatches/drawer', self::PAGE_QUESTIONS];
        yield 'the drawer, nearest first' => ['/swatches/drawer?colour=60+20+20&hardness=00-30', self::PAGE_QUESTIONS];
        yield 'a series' => ['/swatches/series', self::PAGE_QUESTIONS];
        yield 'labels' => ['/swatches/labels', self::PAGE_QUESTIONS];
        yield 'the log' => ['/log', self::PAGE_QUESTIONS];
        yield 'the day' => ['/day', self::PAGE_QUESTIONS];
        yield 'the log, searched' => ['/log?q=brow', self::PAGE_QUESTIONS];
        yield 'the models' => ['/study', self::PAGE_QUESTIONS];
        yield 'the stores' => ['/stores', self::PAGE_QUESTIONS];
        yield 'the contacts' => ['/contacts', self::PAGE_QUESTIONS];
        yield 'the rack' => ['/rack', self::PAGE_QUESTIONS];
        yield 'a mould' => ['/rack/{mould}', self::PAGE_QUESTIONS];
        yield 'what a mould cost' => ['/rack/{mould}/cost', self::PAGE_QUESTIONS];
        yield 'a kit' => ['/stores/lots/{lot}', self::PAGE_QUESTIONS];
        yield 'what a piece costs' => ['/jobs/{job}/cost', self::PAGE_QUESTIONS];
        yield 'what goes wrong' => ['/faults', self::PAGE_QUESTIONS];
        yield 'what is kept beside a run' => ['/pours/{pour}/kept', self::PAGE_QUESTIONS];
        yield 'what a clock rests on' => ['/clock/pr-10', self::PAGE_QUESTIONS];
    }

    /** @return list<array{query: string, bindings: array<array-key, mixed>}> */
    private function queries(string $url): array
    {
        // Nothing kept from before helps.
        Cache::flush();
        DB::flushQueryLog();
        DB::enableQueryLog();
        $this->get($url)->assertOk();
        DB::disableQueryLog();

        return array_values(
            array_map(static fn (array $q): array => ['query' => $q['query'], 'bindings' => $q['bindings']], DB::getQueryLog()),
        );
    }

    /** Many pours like this one, long graded, each with its facts. */
    private function years(Pour $like, int $pours): void
    {
        $pour = array_diff_key((array) DB::table('pours')->where('id', $like->id)->first(), ['id' => 0, 'build_id' => 0]);
        for ($i = 0; $i < $pours; $i++) {
            $id = DB::table('pours')->insertGetId([
                ...$pour, 'state' => PourState::Graded->value, 'grade' => 'good', 'gel_min' => 30.0 + $i % 7, 'gel_room_c' => 20.0,
                'opened_at' => "2025-01-01 10:00:{$this->two($i % 60)}.000", 'graded_at' => "2025-01-01 11:00:{$this->two($i % 60)}.000",
            ]);
            $mould = DB::table('moulds')->value('id');
            if ($mould !== null) {
                DB::table('pour_moulds')->insert([
                    'pour_id' => $id, 'mould_id' => $mould, 'workshop_id' => $this->workshop->id, 'cast_at' => '2025-01-01 11:00:00.000',
                    'live' => false,
                ]);
                DB::table('castings')->insert([
                    'pour_id' => $id, 'mould_id' => $mould, 'workshop_id' => $this->workshop->id, 'number' => 1, 'outcome' => 'good',
                    'at' => '2025-01-01 11:00:00.000',
                ]);
                DB::table('lot_draws')->insert([
                    'pour_id' => $id, 'lot_id' => DB::table('lots')->value('id'), 'workshop_id' => $this->workshop->id, 'code' => 'pr-10',
                    'part' => 'A', 'grams' => 1, 'at' => '2025-01-01 11:00:00.000',
                ]);
            }
            for ($n = 0; $n < 4; $n++) {
                DB::table('facts')->insert([
                    'workshop_id' => $this->workshop->id, 'stream' => 'run', 'stream_id' => $id, 'key' => "old-{$i}-{$n}",
                    'kind' => 'noted', 'at' => '2025-01-01 10:00:00.000', 'payload' => '{"text": "x", "fault": null}',
                ]);
            }
        }
    }

    private function two(int $n): string
    {
        return str_pad((string) $n, 2, '0', STR_PAD_LEFT);
    }

    #[DataProvider('asked')]
    public function test_as_many_questions_as_on_the_first_day_and_none_reads_everything(string $url, int $most): void
    {
        $this->drawdowns();
        $this->puck(0, 'A', 11);
        $this->puck(60, '00', 26);
        $this->kit('pr-10');
        $mould = $this->postJson('/rack', ['name' => 'Old block', 'material' => 'pr-25', 'casting' => 'pr-10', 'casts' => 3])
            ->assertOk()
            ->json('id');
        $pour = $this->begun();
        $url = strtr($url, [
            '{mould}' => (string) $mould, '{lot}' => (string) Lot::query()->value('id'), '{pour}' => (string) $pour->id,
            '{draft}' => (string) $this->draft([], $pour->impression)->id, '{job}' => (string) $pour->impression->job_id,
            '{formula}' => (string) $pour->formulaVersion?->formula_id,
        ]);
        $this->years($pour, 3);
        $this->queries($url);
        $first = $this->queries($url);
        $this->years($pour, self::YEARS);
        $later = $this->queries($url);

        self::assertCount(count($first), $later);
        self::assertLessThanOrEqual($most, count($later), implode("\n", array_column($later, 'query')));
        foreach ($later as $asked) {
            if (
                DB::getDriverName() === 'sqlite'
                && preg_match('/from "?(facts|pours|castings|pour_moulds|lot_draws|moulds)\b/', $asked['query'], $table) === 1
            ) {
                $plan = implode("\n", array_column(DB::select("explain query plan {$asked['query']}", $asked['bindings']), 'detail'));
                self::assertDoesNotMatchRegularExpression("/SCAN {$table[1]}\\b/", $plan, $asked['query']);
            }
        }
    }

    public function test_the_facts_of_one_stream_are_found_without_looking_at_any_other(): void
    {
        $this->onlyOnSqlite();
        $query = Fact::query()->where('stream', 'run')->where('stream_id', 7)->orderBy('id');
        $plan = implode("\n", array_column(DB::select('explain query plan '.$query->toSql(), $query->getBindings()), 'detail'));

        self::assertStringContainsString('stream_id=?', $plan);
        self::assertStringNotContainsString('TEMP B-TREE', $plan, 'and they come in order');
    }

    public function test_what_a_run_took_is_found_by_the_run_and_not_by_walking_through_all_draws(): void
    {
        $this->onlyOnSqlite();
        $pour = $this->begun();
        $asked = array_values(
            array_filter($this->queries("/pours/{$pour->id}/kept"), static fn (array $q): bool => str_contains($q['query'], 'sum(grams)')),
        );

        self::assertNotSame([], $asked);
        foreach ($asked as $one) {
            $plan = implode("\n", array_column(DB::select("explain query plan {$one['query']}", $one['bindings']), 'detail'));
            self::assertStringContainsString('pour_id=?', $plan);
        }
    }

    public function test_a_clock_is_learnt_from_the_newest_gels_alone(): void
    {
        $this->onlyOnSqlite();
        $pour = $this->begun();
        $this->years($pour, self::YEARS);
        $asked = array_values(
            array_filter($this->queries('/stores/pr-10'), static fn (array $q): bool => str_contains($q['query'], 'gel_min')),
        );

        self::assertNotSame([], $asked);
        foreach ($asked as $one) {
            self::assertMatchesRegularExpression('/limit \d+\) as gels/', $one['query']);
            $plan = implode("\n", array_column(DB::select("explain query plan {$one['query']}", $one['bindings']), 'detail'));
            self::assertStringContainsString('pours_gels', $plan);
            self::assertStringNotContainsString('TEMP B-TREE', $plan);
        }
    }

    /** How a question is answered is told differently elsewhere; how often one is asked, {@see asked()}, is the same everywhere. */
    private function onlyOnSqlite(): void
    {
        DB::getDriverName() === 'sqlite' || self::markTestSkipped('Its plan is read in the words of SQLite.');
    }
}
