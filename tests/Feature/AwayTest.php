<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Role;
use Tests\BuildsGloves;
use Tests\KeepsThings;
use Tests\MakesPeople;
use Tests\TestCase;

/** What a tablet is given to go on by where the bench computer does not answer. */
final class AwayTest extends TestCase
{
    use BuildsGloves, KeepsThings, MakesPeople {
        BuildsGloves::tell insteadof KeepsThings;
    }

    public function test_the_pages_that_are_kept_are_those_of_what_is_under_way(): void
    {
        $waits = $this->begun();
        $this->workUntil($waits, 'wait');
        $weighs = $this->begun();
        $this->workUntil($weighs, 'mix');
        $build = $this->glove();
        $this->tell($build, 'begun', ['op' => $build->planned()->operations[0]->id]);
        $pages = $this->getJson('/away')->assertOk()->json('pages');

        self::assertSame(
            ['/', '/day', "/pours/{$weighs->id}/run", "/pours/{$waits->id}/run", "/builds/{$build->id}"], array_slice($pages, 0, 5),
            'what is in hand comes first',
        );
        self::assertContains("/jobs/{$weighs->impression->job_id}", $pages);
        self::assertContains("/stores/{$weighs->base_code}", $pages);
        foreach ($pages as $page) {
            $this->get($page)->assertOk();
        }
    }

    public function test_what_is_over_and_what_is_only_planned_is_not_kept(): void
    {
        $this->draft();
        ['cast' => $cast] = $this->chained();
        $this->poured($cast);
        self::assertSame(['/', '/day'], $this->getJson('/away')->json('pages'));
    }

    public function test_a_run_is_sent_ahead_from_where_it_stands(): void
    {
        $pour = $this->begun();
        $this->workUntil($pour, 'weigh');
        $state = $this->getJson("/pours/{$pour->id}/state")->json();
        $ahead = $this->getJson("/pours/{$pour->id}/ahead")->assertOk()->json();

        self::assertSame(
            [$state['last_fact_id'], 'weigh', 1], [$ahead['last_fact_id'], $ahead['steps'][0]['kind'], $ahead['steps'][0]['batch']],
        );
        self::assertSame($state['line']['add'], $ahead['cups'][0]['queue'][0]['add']);
        self::assertSame(array_column($state['cup']['fills'], 'name'), array_values($ahead['names']));
        self::assertEqualsWithDelta(
            60_000 * $state['clock']['pot_life_min'], $ahead['after_met']['pot_ends_ms'], 1000.0, 'the window is that of the clock',
        );
        $this->getJson('/pours/'.$this->draft()->id.'/ahead')->assertNotFound();
    }

    public function test_what_was_told_and_taken_back_while_cut_off_goes_by_its_key(): void
    {
        $pour = $this->begun();
        $this->workUntil($pour, 'weigh');
        $state = $this->getJson("/pours/{$pour->id}/state")->json();
        $tell = fn (string $key, string $kind, array $payload) => $this->postJson("/pours/{$pour->id}/events", [
            'key' => $key, 'kind' => $kind, 'at_ms' => (int) $this->now->getTimestampMs(), 'payload' => $payload,
        ]);
        $tell('cut-1', 'weighed', [
            'step' => $state['step']['key'], 'reading_g' => $state['line']['running'], 'by' => 'hand', 'stable' => true, 'short' => false,
        ])->assertOk();
        $tell('cut-2', 'undone', ['of_key' => 'never told'])->assertStatus(409);
        $back = $tell('cut-3', 'undone', ['of_key' => 'cut-1'])->assertOk()->json();
        self::assertSame([$state['step']['key'], $state['weighed_g']], [$back['step']['key'], $back['weighed_g']]);
        $tell('cut-3', 'undone', ['of_key' => 'cut-1'])->assertOk();
        $this->artisan('facts:verify')->assertSuccessful();
    }

    public function test_a_build_is_sent_ahead_and_takes_back_by_key_as_well(): void
    {
        $build = $this->glove();
        $first = $build->planned()->operations[0]->id;
        $ahead = $this->getJson("/builds/{$build->id}/ahead")->assertOk()->json();
        $state = $this->look($build);
        self::assertSame(
            [$state['last_fact_id'], array_column($state['operations'], 'id')],
            [$ahead['last_fact_id'], array_column($ahead['operations'], 'id')],
        );
        self::assertContains(
            $first, array_merge(...array_map(static fn (array $op): array => array_column($op['waits'], 'op'), $ahead['operations'])),
        );

        $this->tell($build, 'done', ['op' => $first], 'cut-1')->assertOk();
        self::assertSame(
            1, count($state['operations']) - count($this->getJson("/builds/{$build->id}/ahead")->json('operations')),
            'what is over waits for nothing',
        );
        $this->tell($build, 'undone', ['of_key' => 'never'])->assertStatus(409);
        $this->tell($build, 'undone', ['of_key' => 'cut-1'])->assertOk();
        self::assertSame($state['operations'][0]['state'], $this->operation($build, $first)['state']);
    }

    public function test_taking_back_says_what_was_weighed_also_where_another_cup_stands_on_the_scale(): void
    {
        $pour = $this->begun(['target' => ['mass_g' => 900, 'waste_pct' => 0], 'volume' => null]);
        $weighed = null;
        $this->workUntil($pour, 'weigh');
        while (($state = $this->getJson("/pours/{$pour->id}/state")->json())['step']['batch'] === 1) {
            $weighed = $state['line']['label'];
            $this->record($pour, 'weighed', [
                'step' => $state['step']['key'], 'reading_g' => $state['line']['running'], 'by' => 'hand', 'stable' => true,
                'short' => false,
            ])->assertOk();
        }
        self::assertSame([2, 'tare', $weighed], [$state['step']['batch'], $state['step']['kind'], $state['take_back']['name']]);
    }

    public function test_a_tablet_is_shown_how_to_trust_the_bench_and_only_where_there_is_something_to_trust(): void
    {
        $trust = fn (): array => (array) $this->get('/trust')->assertOk()->inertiaProps();
        self::assertSame([true, null], [$trust()['own'], $trust()['mark']], 'the bench computer itself needs none of it');
        $this->get('/authority.crt')->assertNotFound();

        $folder = sys_get_temp_dir().'/apalos-trust-'.getmypid();
        exec(escapeshellarg(base_path('bin/tls')).' '.escapeshellarg($folder).' bench.test 192.168.7.2', $said, $failed);
        self::assertSame([['new'], 0], [$said, $failed]);
        config([
            'apalos.authority' => "{$folder}/authority.crt", 'app.url' => 'https://bench.test:8443',
            'apalos.hosts' => 'bench.test,192.168.7.2',
        ]);
        $there = (array) $this->away()->get('http://192.168.7.2:8080/trust')->assertOk()->inertiaProps();
        self::assertSame(
            [false, false, 'https://192.168.7.2:8443', 'http://192.168.7.2:8080'],
            [$there['own'], $there['safe'], $there['address'], $there['here']],
        );
        exec('openssl x509 -noout -fingerprint -sha256 -in '.escapeshellarg("{$folder}/authority.crt"), $shown);
        self::assertStringEndsWith($there['mark'], substr(explode('=', $shown[0])[1], 0, 23), 'as the console prints it');
        self::assertSame(file_get_contents("{$folder}/authority.crt"), $this->away()->get('/authority.crt')->assertOk()->streamedContent());
        // Made once: for the same names it is the same, for others another, by the same authority.
        $authority = sha1_file("{$folder}/authority.crt");
        exec(escapeshellarg(base_path('bin/tls')).' '.escapeshellarg($folder).' bench.test 192.168.7.2', $same);
        exec(escapeshellarg(base_path('bin/tls')).' '.escapeshellarg($folder).' other.test', $other);
        self::assertSame([[], ['new'], $authority], [$same, $other, sha1_file("{$folder}/authority.crt")]);
        exec('rm -rf '.escapeshellarg($folder));
    }

    public function test_the_worker_is_given_to_whoever_asks_and_the_pages_only_to_those_who_are_in(): void
    {
        $this->person('Odila', Role::Owner);
        $this->away()->getJson('/away')->assertUnauthorized();
        $worker = $this->away()->get('/worker.js');
        is_file(public_path('build/worker.js'))
            ? $worker->assertOk()->assertHeader('Content-Type', 'text/javascript; charset=UTF-8')
            : $worker->assertNotFound();
    }
}
