<?php

declare(strict_types=1);

namespace Tests\Feature;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\WholeText;
use App\Day\DayLook;
use App\Exchange\Csv;
use App\Exchange\WholeSense;
use App\Http\Middleware\Weight;
use App\Machine\Upkeep;
use App\Models\Fact;
use App\Models\Job;
use App\Studies\TakeModelIn;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Session;
use Illuminate\Support\Facades\Storage;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\BuildsGloves;
use Tests\TestCase;

/** Nothing stalls, nothing enters that cannot be read, and a clock that goes back turns nothing round. */
final class HarderShellTest extends TestCase
{
    use BuildsGloves;

    public function test_a_run_with_ten_thousand_notes_is_shown_in_half_a_second_and_takes_what_has_to_be_told(): void
    {
        $pour = $this->begun();
        foreach (array_chunk(range(1, 10_000), 500) as $some) {
            DB::table('facts')->insert(
                array_map(
                    fn (int $i): array => [
                        'workshop_id' => $this->workshop->id, 'stream' => 'run', 'stream_id' => $pour->id, 'key' => "many-{$i}",
                        'kind' => 'noted', 'at' => '2026-03-04 10:15:00.000',
                        'payload' => json_encode(['text' => "note {$i}", 'fault' => null]),
                    ],
                    $some,
                ),
            );
        }
        foreach (["/pours/{$pour->id}/run", "/pours/{$pour->id}/state", '/'] as $page) {
            $begun = hrtime(true);
            $this->get($page, ['Accept' => 'text/html'])->assertOk();
            self::assertLessThan(0.5 * 2, (hrtime(true) - $begun) / 1e9, "{$page}, on a machine that is busy");
        }
        $run = $this->getJson("/pours/{$pour->id}/state")->assertJsonPath('notes_before', 9_940)->json();
        self::assertSame('note 10000', end($run['notes'])['text']);
        $this->record($pour, 'noted', ['text' => 'one more'])->assertUnprocessable()->assertJsonPath('error.field', 'kind');
        $this->record($pour, 'confirmed', ['step' => $run['step']['key']])->assertOk();
    }

    public function test_what_is_told_of_one_thing_has_an_end(): void
    {
        $pour = $this->begun();
        foreach (array_chunk(range(1, 12_000), 500) as $some) {
            DB::table('facts')->insert(
                array_map(
                    fn (int $i): array => [
                        'workshop_id' => $this->workshop->id, 'stream' => 'run', 'stream_id' => $pour->id, 'key' => "many-{$i}",
                        'kind' => 'noted', 'at' => '2026-03-04 10:15:00.000', 'payload' => '{"text":"x","fault":null}',
                    ],
                    $some,
                ),
            );
        }
        $this->record($pour, 'confirmed', ['step' => 'gear'])->assertUnprocessable();
    }

    public function test_a_clock_that_went_back_leaves_facts_in_order_and_both_moments(): void
    {
        $pour = $this->begun();
        $this->travel(30)->minutes();
        $this->record($pour, 'noted', ['text' => 'at a quarter to eleven'])->assertOk();
        $this->travelTo($this->now->subHours(5));
        $this->record($pour, 'noted', ['text' => 'the battery of the clock is empty'])->assertOk();
        $this->postJson("/pours/{$pour->id}/events", [
            'key' => 'told', 'kind' => 'noted', 'at_ms' => $this->now->subHours(5)->getTimestampMs(),
            'payload' => ['text' => 'by the clock of the tablet'],
        ])->assertOk();

        $facts = Fact::query()->orderBy('id')->get();
        self::assertEquals(['10:45', '10:45', '10:45'], $facts->map(static fn (Fact $fact): string => $fact->at->format('H:i'))->all());
        self::assertEquals(
            [null, '05:15', '05:15'], $facts->map(static fn (Fact $fact): ?string => $fact->clock_at?->format('H:i'))->all(),
        );
    }

    public function test_a_clock_that_went_back_is_noticed_on_screen_and_by_a_watcher_and_forgotten_when_it_is_right_again(): void
    {
        $look = static fn () => Upkeep::at(CarbonImmutable::now())->look();
        $look();
        $this->travel(-1)->minutes();
        $look();
        self::assertNull($this->getJson('/frame')->json('trouble'), 'a minute is no going back');
        $this->travelTo($this->now->subYears(3));
        $look();
        self::assertStringContainsString('went back: it showed 2026-03-04 10:1', (string) $this->getJson('/frame')->json('trouble'));
        $this->get('/up')->assertOk()->assertSee('clock: went back');
        $this->travelTo($this->now->addMinutes(10));
        $look();
        self::assertNull($this->getJson('/frame')->json('trouble'));
        $this->get('/up')->assertSee('clock: steady');
    }

    public function test_work_that_nobody_does_and_a_daily_clock_that_stopped_are_said_where_somebody_should_look(): void
    {
        config(['apalos.watched' => true, 'queue.default' => 'database']);
        $waits = DB::table('queue_jobs')->insertGetId([
            'queue' => 'default', 'payload' => '{}', 'attempts' => 0, 'available_at' => now()->getTimestamp(),
            'created_at' => now()->getTimestamp(),
        ]);
        $this->travel(20)->minutes();
        Upkeep::at(CarbonImmutable::now())->look();
        self::assertStringContainsString('waited for 20 minutes', (string) $this->getJson('/frame')->json('trouble'));
        DB::table('queue_jobs')->delete($waits);
        Upkeep::at(CarbonImmutable::now())->look();
        self::assertNull($this->getJson('/frame')->json('trouble'));
        $this->travel(20)->minutes();
        self::assertStringContainsString('clock of daily work', (string) $this->getJson('/frame')->json('trouble'));
    }

    /** @return iterable<string, array{string, bool}> */
    public static function texts(): iterable
    {
        yield 'a name' => ['Čeněk’s brow, 10 °C', true];
        yield 'two lines with a tab' => ["one\r\n\ttwo", true];
        yield 'a face' => ['👩🏽‍🎤', true];
        yield 'NUL' => ["a\0b", false];
        yield 'a bell' => ["a\x07b", false];
        yield 'an escape' => ["\x1b[31mred", false];
        yield 'delete' => ["a\x7f", false];
        yield 'of the second control set' => ["a\u{85}b", false];
        yield 'half a letter' => ["a\xc3", false];
        yield 'a surrogate' => ["\xed\xa0\x80", false];
        yield 'twenty thousand letters' => [str_repeat('ü', WholeText::LONGEST), true];
        yield 'one more' => [str_repeat('ü', WholeText::LONGEST + 1), false];
    }

    #[DataProvider('texts')]
    public function test_text_is_whole_or_it_enters_no_record(string $text, bool $isWhole): void
    {
        self::assertSame($isWhole, WholeText::wrong($text) === null);
        self::assertSame($isWhole, WholeText::wrongIn(['deep' => [['er' => $text]]]) === null);
        $link = $this->impression();
        try {
            $link->update(['note' => $text]);
            self::assertTrue($isWhole);
        } catch (BadInput) {
            self::assertFalse($isWhole);
        }
        self::assertSame($isWhole ? $text : null, DB::table('impressions')->where('id', $link->id)->value('note'));
    }

    public function test_no_door_lets_a_strange_sign_in(): void
    {
        $pour = $this->begun();
        $this->postJson('/jobs', ['name' => "O\0wl", 'quantity' => 1])->assertUnprocessable();
        $this->post('/jobs', ['name' => "Owl\x1b", 'quantity' => 1], ['Accept' => 'application/json'])->assertUnprocessable();
        // Called something else, it is JSON all the same.
        $this->call(
            'POST', "/pours/{$pour->id}/events", [], [], [], ['CONTENT_TYPE' => 'text/plain', 'HTTP_ACCEPT' => 'application/json'],
            '{"key": "strange", "kind": "noted", "payload": {"text": "a\u0007b"}}',
        )->assertUnprocessable();
        $this->post('/stores', ['text' => "sheets:\n  - { kind: base, name: \"a\\x07b\" }"], ['Accept' => 'application/json']);
        self::assertSame(0, DB::table('own_sheets')->count());
        self::assertSame(['Owl brow'], Job::query()->pluck('name')->all());
    }

    public function test_a_question_has_a_quarter_of_a_megabyte_and_bin_serve_says_the_same(): void
    {
        $this->postJson('/api/reckon/mix', [
            'x' => str_repeat('x', Weight::MOST_BYTES),
        ])->assertStatus(413)->assertJsonPath('error.field', '');
        $this->putJson('/workshop', ['name' => str_repeat('x', Weight::MOST_BYTES)])->assertStatus(413);
        $serve = (string) file_get_contents(base_path('bin/serve'));
        self::assertStringContainsString('location ~ '.str_replace('$', '\\$', trim(Weight::LARGER, '#')), $serve);
        self::assertStringContainsString('client_max_body_size 256k', $serve);
    }

    public function test_a_first_look_keeps_no_session_and_a_token_begins_one(): void
    {
        config(['session.driver' => 'file', 'session.files' => sys_get_temp_dir().'/apalos-sessions-'.bin2hex(random_bytes(4))]);
        @mkdir(config()->string('session.files'));
        Session::forgetDrivers();
        $kept = static fn (): int => count(glob(config()->string('session.files').'/*') ?: []);
        $this->isFirstLook = true;
        foreach (['/', '/jobs', '/log'] as $page) {
            $this->get($page)->assertOk()->assertCookieMissing(config()->string('session.cookie'))->assertCookieMissing('XSRF-TOKEN');
        }
        self::assertSame(0, $kept());
        $this->get('/token')->assertNoContent()->assertCookie('XSRF-TOKEN');
        self::assertSame(1, $kept());
        // Swept by the clock of daily work, and by nobody who happens to come.
        self::assertSame([0, 100], config('session.lottery'));
        touch((glob(config()->string('session.files').'/*') ?: [''])[0], time() - 60 * config()->integer('session.lifetime') - 10);
        Artisan::call('schedule:test', ['--name' => 'sessions']);
        self::assertSame(0, $kept());
    }

    public function test_unfinished_uploads_leave_nothing_and_keep_nobody_else_waiting(): void
    {
        Storage::fake('local');
        $mine = new TakeModelIn($this->workshop, 'mine');
        $there = static fn (): int => count(Storage::disk('local')->allFiles('uploads'));
        foreach ([
            fn (): int => $mine->piece('upload-0001', 500, 'late'), fn (): int => $mine->piece('upload-0001', 130 * 1024 * 1024, 'much'),
            fn (): int => $mine->piece('upload-0001', 0, str_repeat('x', TakeModelIn::PIECE_BYTES + 1)),
        ] as $refused) {
            try {
                $refused();
                self::fail('It was taken.');
            } catch (BadInput) {
                self::assertSame(0, $there());
            }
        }
        for ($i = 0; $i < 10; $i++) {
            $mine->piece("upload-000{$i}", 0, 'begun');
        }
        try {
            $mine->piece('upload-0010', 0, 'one too many');
            self::fail('It was taken.');
        } catch (BadInput $many) {
            self::assertSame('bench.many_files_on_their', $many->says->code);
        }
        self::assertSame(5, (new TakeModelIn($this->workshop, 'another'))->piece('upload-0001', 0, 'begun'));
    }

    public function test_a_cell_of_a_csv_is_one_cell_and_no_formula_whatever_the_separator(): void
    {
        ob_start();
        Csv::download('x.csv', ['a'], [
            ['=1+1'], ['＝1+1'], ['a;=1+1'], ["a\t=1+1"], ['a|b'], [' +x'], ['-2.5'], ['say "no"'], ["two\nlines"],
        ])->sendContent();
        $lines = explode("\r\n", (string) ob_get_clean());

        self::assertSame(
            [
                'a', "'=1+1", "'＝1+1", '"a;=1+1"', "\"a\t=1+1\"", '"a|b"', $lines[6] === "\"' +x\"" ? $lines[6] : "' +x", '-2.5',
                '"say ""no"""', "\"two\nlines\"", '',
            ],
            $lines,
        );
        foreach (['=1+1', '＝1+1', 'a;=1+1', ' +x'] as $text) {
            ob_start();
            Csv::download('x.csv', ['a', 'b'], [[$text, 'b']])->sendContent();
            self::assertSame(trim($text), trim(Csv::read((string) ob_get_clean())[0]['a']), 'and comes back as it was');
        }
    }

    public function test_a_damaged_run_is_put_off_the_bench_and_had_back(): void
    {
        $pour = $this->begun();
        $this->post("/damaged/pours/{$pour->id}")->assertSessionHasErrors('damaged');
        DB::table('pours')->where('id', $pour->id)->update(['plan' => '{"run": 3}']);
        self::assertSame('pours', $this->get("/pours/{$pour->id}/run")->assertOk()->inertiaProps('kind'));
        $this->getJson("/pours/{$pour->id}/state")->assertConflict();
        // Pressed twice, it still knows where it stood.
        foreach ([1, 2] as $press) {
            $this->post("/damaged/pours/{$pour->id}")->assertRedirect('/')->assertSessionHas('undo', "/damaged/pours/{$pour->id}/back");
        }
        self::assertNotContains("pour-{$pour->id}", array_column($this->get('/')->inertiaProps('bench.items'), 'id'));
        $this->get('/log')->assertOk();
        $this->post("/damaged/pours/{$pour->id}/back")->assertRedirect('/');
        self::assertSame('running', DB::table('pours')->where('id', $pour->id)->value('state'));
        self::assertContains("pour-{$pour->id}", array_column($this->get('/')->inertiaProps('bench.items'), 'id'));
    }

    public function test_a_whole_shop_is_read_once_and_what_cannot_be_read_is_named(): void
    {
        $pour = $this->begun();
        $build = $this->glove();
        $found = static fn (): array => array_map(
            static fn (array $one): string => "{$one['part']} {$one['id']}",
            iterator_to_array(app(WholeSense::class)->found(CarbonImmutable::now()), false),
        );
        self::assertSame([], $found());
        DB::table('pours')->where('id', $pour->id)->update(['plan' => '{"run": 3}']);
        DB::table('builds')->where('id', $build->id)->update(['plan' => '{"operations": [{"id": 7}]}']);
        // PostgreSQL takes no such text in the first place.
        $isTaken = DB::getDriverName() === 'sqlite'
            && DB::table('jobs')->where('id', $pour->impression->job_id)->update(['name' => "a\0b"]) === 1;
        self::assertEqualsCanonicalizing(
            ["pours {$pour->id}", "builds {$build->id}", ...$isTaken ? ["jobs {$pour->impression->job_id}"] : []],
            array_values(array_unique($found())),
        );
        self::assertSame(0, Artisan::call('shop:check'));
        self::assertStringContainsString('its run cannot be read', Artisan::output());
    }

    public function test_a_patch_that_failed_on_another_screen_is_not_passed_over(): void
    {
        $this->post('/contacts/patches', ['fresh' => 'silicone-platinum', 'surface' => 'wood']);
        $patch = $this->get('/contacts')->inertiaProps('board.patches.0');
        $this->post("/contacts/patches/{$patch['id']}?edition={$patch['edition']}", [
            'passed' => false, 'note' => 'sticky',
        ])->assertSessionHas('said');
        $this->from('/contacts')
            ->post("/contacts/patches/{$patch['id']}?edition={$patch['edition']}", ['passed' => true, 'sure' => true])
            ->assertRedirect('/contacts')
            ->assertSessionHasErrors('edition');
        self::assertStringContainsString('it failed', (string) session('errors')->first('edition'));
        self::assertFalse((bool) DB::table('test_patches')->value('passed'));
    }

    public function test_a_note_on_a_swatch_is_not_written_over_by_one_who_never_saw_it(): void
    {
        $this->post('/formulas', ['name' => 'Brow', 'recipe' => ['base' => 'pr-10', 'additives' => []]]);
        $this->post('/swatches', ['version' => DB::table('formula_versions')->value('id'), 'name' => 'B-1']);
        $swatch = $this->get('/swatches/drawer')->inertiaProps('drawer.swatches.0');
        $this->post("/swatches/{$swatch['id']}?edition={$swatch['edition']}", ['note' => 'sweats at the edge'])->assertSessionHasNoErrors();
        $this->from('/swatches/drawer')
            ->post("/swatches/{$swatch['id']}?edition={$swatch['edition']}", ['note' => 'fine'])
            ->assertRedirect('/swatches/drawer')
            ->assertSessionHasErrors('edition');
        self::assertSame('sweats at the edge', DB::table('swatches')->value('note'));
        $this->postJson("/swatches/{$swatch['id']}?edition=1", ['note' => 'fine'])->assertConflict();
    }

    /** A fresh demo, a backup put back, a second server: the same number, another shop. */
    public function test_the_day_of_another_database_is_neither_shown_nor_waited_for(): void
    {
        $this->glove();
        $this->getJson('/day/state')->assertOk();
        $held = [];
        foreach ([$this->workshop->id, $this->workshop->mark] as $of) {
            $held[$of] = fopen(storage_path("framework/cache/day-{$of}"), 'c');
            self::assertNotFalse($held[$of]);
            flock($held[$of], LOCK_EX);
        }
        DB::table('workshops')->update(['mark' => 'another']);
        // Without what says so, only the mark tells the two apart.
        DB::table('builds')->delete();
        $this->app?->forgetScopedInstances();
        $day = app(DayLook::class);
        self::assertSame([], $day->at(CarbonImmutable::now())->moved);
        self::assertFalse($day->isOfBefore);
        foreach ($held as $of => $turn) {
            fclose($turn);
            unlink(storage_path("framework/cache/day-{$of}"));
        }
    }

    public function test_while_one_lays_the_day_another_sees_the_plan_before_with_what_is_new_in_it(): void
    {
        $build = $this->glove();
        $before = $this->getJson('/day/state')->assertOk()->json('items');
        $lock = fopen(storage_path("framework/cache/day-{$this->workshop->mark}"), 'c');
        self::assertNotFalse($lock);
        flock($lock, LOCK_EX);
        $this->draft();
        $meanwhile = $this->getJson('/day/state')->assertOk()->json('items');
        self::assertGreaterThan(count($before), count($meanwhile));
        $this->app?->forgetScopedInstances();
        $day = app(DayLook::class);
        $day->at(CarbonImmutable::now());
        self::assertTrue($day->isOfBefore);
        $this->getJson('/frame')->assertOk();
        self::assertNull(Cache::get("frame:{$this->workshop->id}"), 'What is drawn of it is not kept.');
        fclose($lock);
        $this->getJson('/frame')->assertOk();
        self::assertNotNull(Cache::get("frame:{$this->workshop->id}"));
        self::assertNotSame(0, $build->id);
    }
}
