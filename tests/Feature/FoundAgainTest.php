<?php

declare(strict_types=1);

namespace Tests\Feature;

use Apalos\Core\Input\Fields;
use App\Models\ModelFile;
use App\Models\Study;
use App\Queue\StudyPiece;
use App\Studies\StudyDesk;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Storage;
use Inertia\Testing\AssertableInertia;
use PHPUnit\Framework\Attributes\DataProvider;
use Sabre\VObject\Reader;
use Tests\KeepsThings;
use Tests\StudiesModels;
use Tests\TestCase;

/** What comes back, is found, is said in time: studies, backups, the words of the log, how a pour went, when it is ready. */
final class FoundAgainTest extends TestCase
{
    use KeepsThings, StudiesModels;

    public function test_a_study_past_its_time_ends_as_a_sentence_and_the_next_one_runs(): void
    {
        $file = $this->ball();
        $study = $file->studies()->firstOrFail();
        config(['study.longest_s' => 0.01]);
        (new StudyPiece($study->id))->handle(app(StudyDesk::class));
        self::assertSame(Study::REFUSED, $study->refresh()->state);
        self::assertStringContainsString('was stopped', (string) $this->getJson("/studies/{$study->id}/state")->json('wrong'));

        config(['study.longest_s' => 600]);
        app(StudyDesk::class)->open($file, Fields::of([]), CarbonImmutable::now());
        (new StudyPiece($study->id))->handle(app(StudyDesk::class));
        self::assertSame(Study::DONE, $study->refresh()->state);
    }

    /** @return iterable<string, array{string}> */
    public static function states(): iterable
    {
        yield 'before it began' => [Study::WAITING];
        yield 'in the middle of it' => [Study::RUNNING];
    }

    #[DataProvider('states')]
    public function test_a_study_whose_worker_was_killed_ends_in_a_sentence_whenever_it_was(string $state): void
    {
        $study = $this->ball()->studies()->firstOrFail();
        $study->update(['state' => $state, 'taken_at' => $state === Study::RUNNING ? CarbonImmutable::now() : null]);
        // The queue gives a job of a killed worker back once, and then says that it failed.
        $this->travel(20)->minutes();
        $state === Study::WAITING ? (new StudyPiece($study->id))->failed(new \RuntimeException('attempted too many times')) : null;
        self::assertSame('refused', $this->getJson("/studies/{$study->id}/state")->assertOk()->json('state'));
        self::assertNotSame('', $this->getJson("/studies/{$study->id}/state")->json('wrong'));
        // One that is done stays done, however late a second word of it comes.
        $study->refresh()->update(['state' => Study::DONE]);
        self::assertSame('done', $this->getJson("/studies/{$study->id}/state")->json('state'));
    }

    public function test_models_that_were_put_away_are_cleared_after_a_month_and_it_is_said_before(): void
    {
        $file = $this->ball();
        (new StudyPiece($file->studies()->firstOrFail()->id))->handle(app(StudyDesk::class));
        $this->delete("/study/{$file->id}")->assertSessionHas(
            'said', static fn (string $said): bool => str_contains($said, 'Until 3 April'),
        );
        $this->travel(29)->days();
        $this->artisan('models:clear')->assertSuccessful();
        Storage::disk('local')->assertExists($file->path());
        $this->travel(2)->days();
        $this->artisan('models:clear')->assertSuccessful();
        Storage::disk('local')->assertMissing([$file->path(), $file->mesh()]);
        self::assertSame([0, 0], [ModelFile::withTrashed()->count(), Study::query()->count()]);
    }

    public function test_opening_is_put_elsewhere_on_the_day_or_it_is_said_why_not(): void
    {
        $pour = $this->begun();
        $this->workUntil($pour, 'wait');
        $open = fn (): array => array_column($this->getJson('/day/state')->assertOk()->json('items'), null, 'id')["p{$pour->id}:open"];
        $at = $open()['from_ms'];
        $this->postJson('/day/put', ['id' => "p{$pour->id}:open", 'at_ms' => $at + 45 * 60_000, 'key' => 'open-1'])->assertOk();
        self::assertEqualsWithDelta($at + 45 * 60_000, $open()['from_ms'], 60_000);
        $this->postJson('/day/put', [
            'id' => "p{$pour->id}:open", 'at_ms' => $at - 60 * 60_000, 'key' => 'open-2',
        ])->assertUnprocessable()->assertJsonPath('error.field', 'at_ms');
        $this->postJson('/day/put', ['id' => "p{$pour->id}:pour", 'at_ms' => $at, 'key' => 'open-3'])->assertUnprocessable();
        $planned = $this->draft([], $this->impression('copy'));
        $this->postJson('/day/put', [
            'id' => "p{$planned->id}:open", 'at_ms' => $at + 30 * 60_000 + 86_400_000, 'key' => 'open-4',
        ])->assertOk();
    }

    public function test_hands_and_hours_change_what_stands_around_every_screen_at_once(): void
    {
        $this->getJson('/frame')->assertJsonPath('workshop.hands', 1);
        $edition = $this->putJson('/workshop', ['hands' => 2, 'day_starts_min' => 540])->assertOk()->json('workshop.edition');
        $this->getJson('/frame')
            ->assertJsonPath('workshop.hands', 2)
            ->assertJsonPath('workshop.day_starts_min', 540)
            ->assertJsonPath('workshop.edition', $edition);
    }

    /** @return iterable<string, array{string, list<string>}> */
    public static function words(): iterable
    {
        yield 'a month and a grade' => ['October spoilt', ['october']];
        yield 'a week and a gel' => ['last week gel', ['week']];
        yield 'a grade alone' => ['spoilt', ['october']];
        yield 'a fault' => ['bubbles', ['october']];
        yield 'a base, a fault and a month' => ['platinum bubbles october', ['october']];
        yield 'a word of the note' => ['hurry', ['week']];
        yield 'two words that stand apart in it' => ['hurry tide', ['week']];
        yield 'a job' => ['owl', ['october', 'week']];
        yield 'a word that is nowhere' => ['owl zebra', []];
        yield 'a sign that means something to the database' => ['%', []];
    }

    /** @param  list<string>  $found */
    #[DataProvider('words')]
    public function test_the_log_is_asked_in_words_as_people_say_them(string $said, array $found): void
    {
        $this->travelTo('2025-10-14 09:00:00');
        $cast = $this->impression();
        $pours = ['october' => $this->poured($cast, ['grade' => 'spoilt', 'faults' => ['bubbles']])];
        $this->travelTo('2026-02-25 09:00:00');
        $pour = $this->begun(['formula' => ['base' => 'pr-10', 'additives' => []]], $cast);
        $this->workUntil($pour, 'wait');
        $this->record($pour, 'gelled', ['sure' => true])->assertOk();
        $this->record($pour, 'opened', ['step' => '0:wait']);
        $this->graded($pour, ['note' => 'Poured in a hurry before the tide']);
        $pours['week'] = $pour;
        $this->travelTo('2026-03-04 10:15:00');

        self::assertEqualsCanonicalizing(
            array_map(static fn (string $name): int => $pours[$name]->id, $found),
            array_column($this->get('/log?q='.urlencode($said))->inertiaProps('log.rows'), 'id'),
        );
    }

    public function test_a_finished_pour_tells_its_steps_with_time_room_and_planned_beside_real(): void
    {
        $pour = $this->begun();
        $this->workUntil($pour, 'weigh');
        $line = $this->getJson("/pours/{$pour->id}/state")->json('line');
        $this->warm(24.0);
        $this->travel(1)->minutes();
        $this->record($pour, 'weighed', ['step' => '1:weigh:0', 'reading_g' => $line['running'] + 0.1])->assertOk();
        $this->workUntil($pour, 'wait');
        $this->record($pour, 'noted', ['text' => 'tapped']);
        $this->record($pour, 'opened', ['step' => '0:wait']);
        $this->graded($pour);

        $history = $this->getJson("/pours/{$pour->id}/history")->assertOk()->json();
        $weighed = array_values(array_filter($history['steps'], static fn (array $step): bool => $step['kind'] === 'weighed'));
        self::assertSame(
            ['B', $line['grams'], 24, null], [$weighed[0]['name'], $weighed[0]['planned_g'], $weighed[0]['room_c'], $weighed[0]['person']],
        );
        self::assertEqualsWithDelta($line['grams'] + 0.1, $weighed[0]['weighed_g'], 1e-6);
        self::assertSame(20, $history['steps'][0]['room_c']);
        self::assertContains('tapped', array_column($history['steps'], 'text'));
        self::assertSame(['filled', 'gelled', 'opened'], array_column($history['times'], 'what'));
        self::assertEqualsWithDelta((float) $pour->refresh()->weighed_g, array_sum(array_column($history['sums'], 'weighed_g')), 1e-6);
        $at = array_column($history['steps'], 'at_ms');
        $sorted = $at;
        sort($sorted);
        self::assertSame($sorted, $at);
        $this->getJson("/pours/{$this->draft([], $this->impression('copy'))->id}/history")->assertNotFound();
    }

    public function test_when_it_is_ready_stands_everywhere_against_the_wanted_date_from_the_plan_on(): void
    {
        $cast = $this->impression();
        $cast->job->update(['due_on' => '2026-03-08']);
        $pour = $this->draft([], $cast);
        // Seven days at 23 °C are 8.6 at 20 °C.
        $planned = $this->postJson("/pours/{$pour->id}/sheet/ask", $pour->sheet)->assertOk()->json('ready');
        self::assertSame([true, '2026-03-08', 5], [$planned['full'], $planned['wanted_on'], $planned['late_days']]);
        self::assertEqualsWithDelta($this->now->addMinutes((int) (10080 * 2 ** 0.3))->getTimestampMs(), $planned['ready_ms'], 120_000);

        $this->post("/pours/{$pour->id}/run")->assertRedirect();
        $this->workUntil($pour, 'wait');
        $ready = $this->getJson("/pours/{$pour->id}/state")->json('ready');
        self::assertGreaterThan($planned['ready_ms'], $ready['ready_ms']);
        $this->get("/jobs/{$cast->job_id}")->assertInertia(
            static fn (AssertableInertia $page) => $page
                ->where('job.ready.0.pour_id', $pour->id)
                ->where('job.ready.0.ready_ms', $ready['ready_ms'])
                ->where('job.ready.0.late_days', 5),
        );
        $this->get('/')->assertInertia(
            static fn (AssertableInertia $page) => $page->where(
                'bench.ready.0.ready_ms', $ready['ready_ms'],
            )->where('bench.ready.0.late_days', 5),
        );
        $calendar = Reader::read($this->get('/day.ics')->assertOk()->getContent());
        self::assertSame([], $calendar->validate());
        $event = collect($calendar->select('VEVENT'))->firstOrFail(
            fn ($one): bool => (string) $one->UID === "ready-{$pour->id}@apalos.{$this->workshop->id}",
        );
        self::assertSame(
            ['Fully cured: Owl brow · Cast', 'Wanted by 2026-03-08: 5 days late', intdiv($ready['ready_ms'], 1000)],
            [(string) $event->SUMMARY, (string) $event->DESCRIPTION, $event->DTSTART->getDateTime()->getTimestamp()],
        );

        // A warmer room is ready sooner; what is ready stands nowhere any more.
        $this->warm(30.0);
        self::assertLessThan($ready['ready_ms'], $this->getJson("/pours/{$pour->id}/state")->json('ready.ready_ms'));
        $this->travel(14)->days();
        $this->get('/')->assertInertia(static fn (AssertableInertia $page) => $page->where('bench.ready', []));
    }

    public function test_a_backup_is_taken_at_a_press_and_says_when_the_last_was(): void
    {
        $folder = sys_get_temp_dir().'/backups-'.getmypid();
        config(['apalos.backups' => $folder]);
        $this->getJson('/backup')->assertOk()->assertJsonPath('last_ms', null)->assertJsonPath('folder', $folder);
        File::ensureDirectoryExists($folder);
        File::put("{$folder}/apalos-2026-03-01-031000.zip", 'x');
        touch("{$folder}/apalos-2026-03-01-031000.zip", 1_772_334_600);
        File::put("{$folder}/notes.txt", 'x');
        $this->getJson('/backup')->assertJsonPath('last_ms', 1_772_334_600_000);
        // What this test runs on is no file: it is refused in a sentence.
        $this->postJson('/backup')->assertUnprocessable()->assertJsonPath('error.field', 'backup');
        File::deleteDirectory($folder);
    }

    public function test_all_that_is_missing_of_a_sheet_is_said_at_once(): void
    {
        $error = $this->postJson('/stores/sheets', ['kind' => 'base', 'sheet' => ['code' => 'my-1'], 'changes' => null, 'sure' => false])
            ->assertUnprocessable()
            ->json('error');
        $fields = [$error['field'], ...array_column($error['also'], 'field')];

        self::assertGreaterThan(1, count($fields));
        self::assertSame($fields, array_unique($fields));
        self::assertContains('name', $fields);
    }

    public function test_the_first_hour_knows_how_far_one_has_come_and_keeps_a_sheet_written_meanwhile(): void
    {
        $this->workshop->update(['set_up_at' => null]);
        $this->get('/first')->assertInertia(static fn (AssertableInertia $page) => $page->where('first.step', 'shop'));
        $this->putJson('/workshop', ['name' => 'Under the arches'])->assertOk();
        $this->get('/first')->assertInertia(static fn (AssertableInertia $page) => $page->where('first.step', 'shelf'));
        $seen = ['pr-10', 'pr-25', 'sf-1'];
        $this->postJson('/stores/sheets', [
            'kind' => 'base',
            'sheet' => ['code' => 'my-9', 'name' => 'Ours', 'family' => 'silicone-platinum', 'ratio' => ['a' => 1, 'b' => 1]],
            'changes' => null, 'sure' => true,
        ])->assertOk();
        $this->post('/first/shelf', ['here' => ['pr-10'], 'seen' => $seen])->assertRedirect('/first?step=job');
        $off = $this->workshop->refresh()->off_shelf ?? [];
        self::assertSame(
            [true, true, false, false],
            array_map(static fn (string $code): bool => in_array($code, $off, true), ['pr-25', 'sf-1', 'pr-10', 'my-9']),
        );
        $this->get('/first')->assertInertia(static fn (AssertableInertia $page) => $page->where('first.step', 'job'));
    }
}
