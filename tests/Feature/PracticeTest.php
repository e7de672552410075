<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Exchange\Everything;
use App\Exchange\TakeEverything;
use App\Models\PracticeTry;
use App\Models\Role;
use App\Models\Workshop;
use App\Practice\PracticeScenario;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\MakesPeople;
use Tests\TestCase;
use Tests\WalksPractice;

/** A practice stands beside the bench and nothing of it is there: its shop, its clock, whose it is, and that it is tried again. */
final class PracticeTest extends TestCase
{
    use MakesPeople, WalksPractice;

    /** @return array<string, list<string>> every row of every table but those of the practice */
    private function whole(): array
    {
        $all = [];
        foreach (Schema::getTableListing(schemaQualified: false) as $table) {
            if (
                ! str_starts_with($table, 'practice_')
                && ! in_array(
                    $table,
                    ['presses', 'sessions', 'cache', 'cache_locks', 'migrations', 'sqlite_sequence', 'sqlite_stat1', 'sqlite_stat4'], true,
                )
            ) {
                $all[$table] = DB::table($table)
                    ->get()
                    ->map(static fn (\stdClass $row): string => (string) json_encode($row))
                    ->sort()
                    ->values()
                    ->all();
            }
        }

        return $all;
    }

    public function test_nothing_of_a_practice_is_in_any_count(): void
    {
        $real = $this->begun();
        $this->workUntil($real, 'weigh');
        $before = $this->whole();
        $this->walk((string) preg_replace('/\D/', '', $this->begin('first-block')->place));
        // While it goes on, the shop beside it sees nothing of it.
        self::assertSame([$this->workshop->id], Workshop::query()->pluck('id')->all());
        $this->get('/log')->assertInertia(static fn ($page) => $page->where('log.rows', [])->etc());
        $this->getJson('/frame')->assertJsonPath('practice', null);
        $this->getJson("/pours/{$real->id}/state")->assertJsonPath('step.kind', 'weigh');
        $this->ends();
        self::assertSame($before, $this->whole());
        // One that is left for another goes as well.
        $this->begin('heavy-hand');
        $this->build($this->begin('spread-skin')->place);
        $this->ends();
        self::assertSame($before, $this->whole());
    }

    public function test_it_is_tried_again_from_before_what_decided_it(): void
    {
        $try = $this->begin('first-block');
        $this->walk((string) preg_replace('/\D/', '', $try->place), ['mix' => 0.2]);
        $came = $this->ends();
        $under = array_values(array_filter($came['findings'], static fn (array $one): bool => $one['code'] === 'under_mixed'))[0];
        $this->post("/practice/tries/{$try->id}/again", [
            'of' => $under['of'], 'fact' => $under['fact'],
        ])->assertRedirect()->assertSessionHasNoErrors();
        $this->try = PracticeTry::query()->latest('id')->firstOrFail();
        $this->getJson("{$this->try->place}")->assertOk();
        $run = '/pours/'.preg_replace('/\D/', '', $this->try->place);
        $this->getJson("{$run}/state")->assertJsonPath('step.kind', 'mix')->assertJsonPath(
            'weighed_g', static fn (float|int $g): bool => $g > 190,
        );
        $this->walk((string) preg_replace('/\D/', '', $this->try->place));
        self::assertSame([], $this->codes($again = $this->ends(), false), json_encode($again['findings']));
        self::assertSame('good', $again['would']);
    }

    public function test_what_was_told_late_is_told_late_again_and_what_was_noticed_stays_noticed(): void
    {
        $try = $this->begin('small-cup');
        $run = '/pours/'.preg_replace('/\D/', '', $try->place);
        $this->walk((string) preg_replace('/\D/', '', $try->place), [], 'wait');
        $this->pass(90.0);
        $this->act('touch');
        $gelled = $this->getJson('/practice/bench', $this->at())->json('now_ms') - 10 * 60_000;
        $this->tell($run, 'gelled', ['done_ms' => $gelled, 'sure' => true])->assertOk();
        $this->tell($run, 'opened', ['step' => '0:wait'])->assertOk();
        $came = $this->ends();
        $early = array_values(array_filter($came['findings'], static fn (array $one): bool => $one['code'] === 'opened_early'))[0];
        self::assertContains('held_back', $this->codes($came, true));
        $this->post("/practice/tries/{$try->id}/again", ['of' => 'pour', 'fact' => $early['fact']])->assertSessionHasNoErrors();
        $this->try = PracticeTry::query()->latest('id')->firstOrFail();
        $this->getJson("{$run}/state")->assertNotFound();
        $state = $this->getJson(str_replace('/run', '/state', $this->try->place))->assertOk()->json();
        self::assertSame('wait', $state['step']['kind']);
        self::assertEqualsWithDelta(80.0, ($state['wait']['gelled_ms'] - $state['wait']['poured_ms']) / 60_000, 0.2);
        $this->walk((string) preg_replace('/\D/', '', $this->try->place));
        $again = $this->ends();
        self::assertContains('held_back', $this->codes($again, true));
        self::assertNotContains('opened_early', $this->codes($again, false));
        self::assertSame('good', $again['would']);
    }

    public function test_a_screen_of_a_practice_that_is_over_reaches_nothing_of_the_bench(): void
    {
        config(['devices.simulated' => true]);
        $try = $this->begin('first-block');
        $this->getJson('/frame', $this->at())
            ->assertOk()
            ->assertJsonPath('practice.id', $try->id)
            ->assertJsonPath('strip.lozenges.0.job', 'A first open block');
        $this->getJson('/frame')->assertOk()->assertJsonPath('practice', null);
        $this->postJson('/stores/lots', [], $this->at())->assertStatus(409)->assertJsonPath(
            'error.message', 'That is of the bench, and not of a practice. End the practice first.',
        );
        $job = DB::table('jobs')->where('workshop_id', $try->shop_id)->value('id');
        $this->get("/jobs/{$job}")->assertRedirect($try->place);
        $this->ends();
        foreach ([
            ['GET', '/frame'], ['POST', '/devices/scale/tare'], ['GET', '/practice/bench'], ['POST', '/practice/bench'],
        ] as [$method, $door]) {
            $this->json($method, $door, [], $this->at())->assertStatus(409);
        }
        $this->get($try->place)->assertNotFound();
        $this->get("/practice/tries/{$try->id}")->assertOk();
    }

    public function test_its_clock_runs_as_it_is_told_and_stands_while_nobody_looks(): void
    {
        $try = $this->begin('first-block');
        $now = fn (): float => $this->getJson('/practice/bench', $this->at())->assertOk()->json('now_ms') / 60_000
            - (int) $try->began_at->getTimestampMs() / 60_000;
        self::assertEqualsWithDelta(0.0, $now(), 0.01);
        $this->travel(6)->seconds();
        self::assertEqualsWithDelta(0.1, $now(), 0.01);
        $this->postJson('/practice/bench', ['rate' => 60], $this->at())->assertOk()->assertJsonPath('rate', 60);
        $this->travel(10)->seconds();
        self::assertEqualsWithDelta(10.1, $now(), 0.05);
        $this->postJson('/practice/bench', ['rate' => 7], $this->at())->assertUnprocessable();
        $this->postJson('/practice/bench', ['rate' => 1], $this->at())->assertOk();
        // Called to the bench for an hour: it is where it was.
        $this->travel(60)->minutes();
        self::assertEqualsWithDelta(10.35, $now(), 0.05);
        $this->pass(30.0);
        self::assertEqualsWithDelta(40.35, $now(), 0.05);
        foreach (['dance', 'let_air', 'go'] as $act) {
            $this->postJson('/practice/bench', ['act' => $act], $this->at())->assertUnprocessable();
        }
    }

    public function test_whoever_looks_may_practise_and_finds_no_practice_of_another(): void
    {
        $guest = $this->person('Gerd', Role::Guest);
        $other = $this->person('Oda', Role::Apprentice);
        $this->person('Odila', Role::Owner, '7391', self::PASSPHRASE);
        $this->away()->as($guest);
        $try = $this->begin('first-block');
        $this->away()->as($guest);
        $this->walk((string) preg_replace('/\D/', '', $try->place), [], 'mix');
        $this->app['auth']->guard('web')->logout();
        $this->flushSession();
        $this->away()->as($other);
        $this->get($try->place)->assertNotFound();
        $this->getJson('/practice/bench', $this->at())->assertNotFound();
        $this->post("/practice/tries/{$try->id}/end")->assertNotFound();
        $this->get('/practice')->assertInertia(
            static fn ($page) => $page->where('practice.going', null)->where('practice.people', null)->etc(),
        );
    }

    public function test_an_owner_sees_how_the_others_come_on(): void
    {
        $apprentice = $this->person('Oda', Role::Apprentice);
        $owner = $this->person('Odila', Role::Owner, '7391', self::PASSPHRASE);
        $this->away()->as($apprentice);
        $try = $this->begin('first-block');
        $this->walk((string) preg_replace('/\D/', '', $try->place), ['mix' => 0.2]);
        $this->ends();
        $this->app['auth']->guard('web')->logout();
        $this->flushSession();
        $this->away()
            ->as($owner)
            ->get('/practice')
            ->assertInertia(
                static fn ($page) => $page
                    ->where('practice.people.0.name', 'Oda')
                    ->where('practice.people.0.shaky', ['stirring'])
                    ->where('practice.people.0.tries', 1)
                    ->where('practice.tries', [])
                    ->etc(),
            );
    }

    public function test_what_a_shop_writes_and_what_it_has_poured_can_be_practised(): void
    {
        $this->post('/practice/scenarios', [
            'name' => 'Our gel', 'make' => ['base' => 'pr-10', 'volume_ml' => 120, 'cup_ml' => 500, 'degas' => false], 'room_c' => 24,
            'goes_wrong' => [['what' => 'pot_life', 'by' => 0.5]],
        ])->assertSessionHasNoErrors();
        $id = (int) DB::table('practice_scenarios')->value('id');
        self::assertSame(['time'], $this->begin("own-{$id}")->scenario['teaches']);
        foreach ([
            ['make' => ['base' => 'no-such', 'volume_ml' => 100]], ['make' => ['base' => 'pr-10', 'volume_ml' => -1]],
            ['goes_wrong' => [['what' => 'ghosts']]], ['name' => ''], ['room_c' => 99],
        ] as $wrong) {
            $this->post('/practice/scenarios', [
                ...['name' => 'x', 'make' => ['base' => 'pr-10', 'volume_ml' => 100], 'room_c' => 20, 'goes_wrong' => []], ...$wrong,
            ])->assertSessionHasErrors('scenario');
        }
        $pour = $this->begun();
        $this->workUntil($pour, 'grade');
        $this->record($pour, 'graded', [
            'step' => '0:grade', 'grade' => 'spoilt', 'faults' => ['sticky'], 'used_g' => 50, 'pieces' => 1, 'note' => '',
        ])->assertOk();
        $this->record($pour, 'diagnosed', ['cause' => 'off-ratio'])->assertOk();
        $this->post('/practice/this', ['pour' => $pour->id])->assertSessionHasNoErrors();
        $try = PracticeTry::query()->latest('id')->firstOrFail();
        self::assertSame(['heavy_hand'], array_column($try->scenario['goes_wrong'], 'what'));
        self::assertSame(
            [['sf-1', 50]], array_map(static fn (array $one): array => [$one['code'], $one['amount']], $try->scenario['make']['additives']),
        );
        $this->post('/practice/this', ['version' => $pour->refresh()->formula_version_id])->assertSessionHasNoErrors();
        $this->post('/practice/this', ['pour' => 999_999])->assertNotFound();
        $this->delete("/practice/scenarios/{$id}")->assertRedirect('/practice');
        $this->post('/practice', ['scenario' => "own-{$id}"])->assertSessionHasErrors('practice');
    }

    public function test_what_somebody_practised_goes_along_with_everything_and_comes_in_again(): void
    {
        $this->begin('putty');
        $this->walk((string) preg_replace('/\\D/', '', (string) $this->try?->place));
        $this->ends();
        $going = $this->begin('first-block');
        $file = tempnam(sys_get_temp_dir(), 'everything-');
        app(Everything::class)->give($file, $this->now);
        $path = PracticeTry::query()->whereNotNull('ended_at')->value('skills');
        $this->post("/practice/tries/{$going->id}/end");
        PracticeTry::query()->delete();
        DB::table('room_readings')->delete();
        $came = app(TakeEverything::class)($file);
        unlink($file);
        self::assertSame(1, $came['practised'], 'What still goes on stays where it goes on.');
        self::assertSame($path, PracticeTry::query()->value('skills'));
        $this->get('/practice')->assertOk();
    }

    /** @return iterable<string, array{string}> what clay would ruin, or what would ruin it */
    public static function onNoClay(): iterable
    {
        yield 'hot vinyl' => ['hv-08'];
        yield 'latex' => ['lx-60'];
        yield 'epoxy' => ['rb-80'];
        yield 'urethane' => ['ur-35'];
    }

    #[DataProvider('onNoClay')]
    public function test_what_clay_would_not_bear_is_practised_in_a_mould_that_does_and_walked_again(string $base): void
    {
        $this->post('/practice/scenarios', [
            'name' => 'Ours', 'make' => ['base' => $base, 'volume_ml' => 90, 'cup_ml' => 350, 'degas' => false], 'room_c' => 21,
        ], ['X-Press' => 'ours-'.$base.'-1'])->assertSessionHasNoErrors();
        $try = $this->begin('own-'.PracticeScenario::query()->max('id'));
        $links = DB::table('impressions')->where('workshop_id', $try->shop_id)->orderBy('position')->get(['position', 'kind']);
        self::assertSame(array_keys($links->all()), $links->pluck('position')->map(intval(...))->all(), 'Nothing of what was tried before.');
        $base === 'hv-08' && self::assertSame(['original', 'mould', 'cast'], $links->pluck('kind')->all());
        $this->walk((string) preg_replace('/\\D/', '', $try->place));
        $came = $this->ends();
        $last = array_values(array_filter($came['findings'], static fn (array $one): bool => $one['fact'] !== null));
        $this->post("/practice/tries/{$try->id}/again", [
            'of' => $last[count($last) - 1]['of'], 'fact' => $last[count($last) - 1]['fact'],
        ])->assertSessionHasNoErrors();
        $again = PracticeTry::query()->latest('id')->firstOrFail();
        self::assertNotSame($try->id, $again->id);
        $this->getJson(str_replace('/run', '/state', $again->place))
            ->assertOk()
            ->assertJsonPath('step.kind', static fn (string $kind): bool => in_array($kind, ['wait', 'grade', 'fill'], true));
    }
}
