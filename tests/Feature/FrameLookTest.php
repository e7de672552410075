<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Database\ChangeCount;
use App\Models\Job;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** What stands around every screen is drawn once and kept, and is never older than what it shows. */
final class FrameLookTest extends TestCase
{
    /** @return iterable<string, array{\Closure(self): void}> */
    public static function changes(): iterable
    {
        yield 'the room cools' => [static fn (self $test) => $test->putJson('/workshop', ['room_c' => 16.5])->assertOk()];
        yield 'a pour is planned' => [static fn (self $test) => $test->draft([], $test->impression('copy'))];
        yield 'a sheet is changed' => [
            static fn (self $test) => $test->putJson(
                '/pours/'.$test->draft([], $test->impression('copy'))->id.'/sheet', $test->sheet(['volume.volume_ml' => 444]),
            )->assertOk(),
        ];
        yield 'a pour is begun' => [static fn (self $test) => $test->begun([], $test->impression())];
        yield 'a job is renamed past all models' => [static fn () => DB::table('jobs')->update(['name' => 'Another name'])];
        yield 'a link is renamed' => [static fn () => DB::table('impressions')->update(['name' => 'Another link'])];
        yield 'a test patch is put on' => [
            static fn (self $test) => $test->post('/contacts/patches', [
                'fresh' => 'silicone-platinum', 'surface' => 'plaster',
            ])->assertRedirect(),
        ];
        yield 'a job is put away' => [static fn () => Job::query()->firstOrFail()->delete()];
    }

    /** @return array<string, mixed> */
    private function frame(): array
    {
        return $this->getJson('/frame')->assertOk()->json();
    }

    #[DataProvider('changes')]
    public function test_it_is_drawn_anew_as_soon_as_something_of_it_changes(\Closure $change): void
    {
        $pour = $this->begun();
        $this->draft();
        $before = $this->frame();
        $change($this);
        $kept = $this->frame();
        Cache::flush();

        self::assertEquals($this->frame(), $kept, 'as if nothing had been kept');
        self::assertNotSame([], [$before, $pour->id]);
    }

    public function test_a_fact_is_seen_at_once(): void
    {
        $pour = $this->begun();
        $this->frame();
        $this->workUntil($pour, 'mix');

        self::assertContains('Mixing time is up', array_column($this->frame()['strip']['calls'], 'what'));
    }

    public function test_while_nothing_changes_it_goes_on_until_now(): void
    {
        $this->begun();
        $first = $this->frame()['strip'];
        $this->travel(4)->minutes();
        DB::enableQueryLog();
        $later = $this->frame()['strip'];
        $asked = DB::getQueryLog();

        self::assertSame(4 * 60_000, $later['now_ms'] - $first['now_ms']);
        self::assertSame($later['now_ms'], $later['lozenges'][0]['hands'][0]['to_ms'], 'hands are busy until now');
        self::assertLessThanOrEqual(4, count($asked));
    }

    public function test_what_was_begun_a_month_ago_leaves_the_strip_by_itself(): void
    {
        $this->begun();
        self::assertCount(1, $this->frame()['strip']['lozenges']);
        $this->travel(31)->days();

        self::assertSame([[], []], [$this->frame()['strip']['lozenges'], $this->frame()['strip']['calls']]);
    }

    public function test_the_database_counts_every_change_of_every_table_it_shows(): void
    {
        $this->begun();
        $changes = static fn (): int => (int) DB::table('workshops')->value('change_count');
        foreach (ChangeCount::COUNTED as $table) {
            $row = DB::table($table)->first();
            if ($row !== null) {
                $before = $changes();
                DB::table($table)->where('id', $row->id)->update(['workshop_id' => $row->workshop_id]);
                self::assertSame($before + 1, $changes(), "{$table}: an update");
            }
        }
        $before = $changes();
        DB::table('test_patches')->insert([
            'workshop_id' => $this->workshop->id, 'fresh' => 'x', 'surface' => 'y', 'put_on_at' => '2026-01-01 00:00:00',
            'due_at' => '2026-01-01 00:00:00',
        ]);
        DB::table('test_patches')->where('fresh', 'x')->delete();
        self::assertSame($before + 2, $changes(), 'an insert and a deletion');
    }

    public function test_what_was_kept_of_one_database_is_not_taken_for_another(): void
    {
        $this->begun();
        $this->frame();
        DB::table('workshops')->update(['mark' => 'another']);
        DB::unprepared('drop trigger turn_pours_update'.(DB::getDriverName() === 'pgsql' ? ' on pours' : ''));
        DB::table('pours')->update(['state' => 'graded']);

        self::assertSame([], $this->frame()['strip']['lozenges']);
    }
}
