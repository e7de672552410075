<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Http\May;
use App\Library\Library;
use App\Models\Fact;
use App\Models\Job;
use App\Models\Role;
use App\People\Decisions;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Tests\KeepsThings;
use Tests\MakesPeople;
use Tests\TestCase;

/** What is decided and told of no pour, build or mould stands in the record too: by whom, countersigned by whom, of what. */
final class DecisionsTest extends TestCase
{
    use KeepsThings, MakesPeople;

    /** @return list<array{by: string|null, did: string, of: string|null, said: string}> */
    private function decided(string $query = ''): array
    {
        return array_map(
            static fn (array $one): array => ['by' => $one['by'], 'did' => $one['did'], 'of' => $one['of'], 'said' => $one['said']],
            (array) $this->get("/people{$query}")->assertOk()->inertiaProps('decided.rows'),
        );
    }

    public function test_who_took_a_job_away_and_who_countersigned_it_stands_in_the_record(): void
    {
        $owner = $this->person('Odila', Role::Owner);
        $lis = $this->person('Lis', Role::Apprentice, '4046');
        $job = Job::query()->create(['name' => 'Left hand', 'quantity' => 1]);
        $this->as($lis);
        $this->deleteJson("/jobs/{$job->id}?edition=1")->assertForbidden();
        $this->postJson('/countersign', ['person' => $owner->id, 'pin' => '7391', 'door' => "DELETE /jobs/{$job->id}"])->assertOk();
        self::assertLessThan(400, $this->deleteJson("/jobs/{$job->id}?edition=1")->status());

        self::assertSame(
            ['by' => 'Lis, countersigned by Odila', 'did' => 'took the job away', 'of' => 'Left hand', 'said' => ''],
            $this->as($owner)->decided()[0],
        );
        $this->artisan('facts:verify')->assertSuccessful();
    }

    public function test_a_price_says_what_it_became_and_what_was_refused_is_no_decision(): void
    {
        $owner = $this->person('Odila', Role::Owner);
        $before = count($this->as($owner)->decided());
        $this->putJson('/cost/rate', ['hour_rate' => 'a lot']);
        $this->from('/stores')->post('/stores', ['file' => 'none'])->assertRedirect();
        self::assertCount($before, $this->decided());

        $this->putJson('/cost/rate', ['hour_rate' => '24.00'])->assertOk();
        self::assertSame(
            ['by' => 'Odila', 'did' => 'changed what an hour costs', 'of' => null, 'said' => 'an hour: 24.00'], $this->decided()[0],
        );
    }

    public function test_names_and_what_somebody_comes_in_with_are_not_sealed_into_it(): void
    {
        $owner = $this->person('Odila', Role::Owner);
        $this->as($owner)->postJson('/people', [
            'name' => 'Tove Berg', 'role' => 'maker', 'pin' => '8264', 'passphrase' => 'three words and one',
        ])->assertOk();
        self::assertSame(
            ['by' => 'Odila', 'did' => 'wrote somebody down', 'of' => 'Tove Berg', 'said' => 'name, role: maker, PIN, passphrase'],
            $this->decided()[0],
        );
        $tove = DB::table('people')->where('name', 'Tove Berg')->value('id');
        $this->postJson("/people/{$tove}/leave")->assertOk();
        $this->postJson("/people/{$tove}/forget")->assertOk();

        $sealed = (string) json_encode(Fact::query()->where('stream', Decisions::STREAM)->get(['payload'])->toArray());
        foreach (['Tove', '8264', 'three words'] as $secret) {
            self::assertStringNotContainsString($secret, $sealed);
        }
        self::assertStringStartsWith('somebody (', (string) $this->decided()[0]['of']);
        $this->artisan('facts:verify')->assertSuccessful();
    }

    public function test_what_one_sets_at_a_touch_is_work_and_no_decision(): void
    {
        $owner = $this->person('Odila', Role::Owner);
        $lis = $this->person('Lis', Role::Apprentice, '4046');
        $this->as($lis)->putJson('/workshop', ['room_c' => 27.5, 'muted' => true])->assertOk();
        $this->putJson('/workshop', ['room_c' => 27.5, 'vacuum' => false])->assertForbidden();
        self::assertSame(
            [], array_filter($this->as($owner)->decided(), static fn (array $one): bool => str_contains($one['did'], 'bench')),
        );
    }

    public function test_a_tablet_asks_again_after_as_long_as_the_owner_says(): void
    {
        $owner = $this->person('Odila', Role::Owner);
        $this->as($owner)->putJson('/tablets', ['unused_min' => 3])->assertOk();
        self::assertSame(3, $this->getJson('/frame')->json('unused_min'));
        foreach ([0, 500, 'long'] as $wrong) {
            $this->putJson('/tablets', ['unused_min' => $wrong])->assertUnprocessable()->assertJsonPath('error.field', 'unused_min');
        }
        self::assertSame('minutes: 3', $this->decided()[0]['said']);
    }

    public function test_ten_years_of_decisions_are_shown_a_page_at_a_time(): void
    {
        $this->person('Odila', Role::Owner);
        foreach (range(1, 45) as $i) {
            app(Decisions::class)->write('DELETE jobs/{job}', ['job' => $i], "Job {$i}", [], $this->now);
        }
        $first = $this->as($this->person('Bram', Role::Owner, '8264', self::PASSPHRASE))->get('/people')->inertiaProps('decided');
        self::assertSame([20, 'Job 45', 'Job 26'], [count($first['rows']), $first['rows'][0]['of'], $first['rows'][19]['of']]);
        self::assertSame('Job 25', $this->decided("?before={$first['earlier']}")[0]['of']);
    }

    public function test_two_facts_never_take_one_place(): void
    {
        app(Decisions::class)->write('DELETE jobs/{job}', ['job' => 1], null, [], $this->now);
        $row = (array) DB::table('facts')->where('stream', Decisions::STREAM)->first();
        $this->expectException(QueryException::class);
        DB::table('facts')->insert([...$row, 'id' => 999_999, 'key' => 'another']);
    }

    public function test_every_door_that_decides_has_words_for_what_was_done(): void
    {
        foreach ([May::DECIDE, May::OWN] as $ability) {
            foreach (app(May::class)->doors($ability) as $door) {
                self::assertSame(! str_starts_with($door, 'GET '), app(Library::class)->did($door) !== null, $door);
            }
        }
    }
}
