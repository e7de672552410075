<?php

declare(strict_types=1);

namespace Tests;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Units\Celsius;
use App\Library\Library;
use App\Models\Impression;
use App\Models\ImpressionKind;
use App\Models\Job;
use App\Models\Pour;
use App\Models\PourState;
use App\Models\Workshop;
use App\Room\RoomTemperature;
use Carbon\CarbonImmutable;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Foundation\Testing\TestCase as LaravelTestCase;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use Illuminate\Testing\TestResponse;

/** A shop with one job in it and the time standing still at a quarter past ten. */
abstract class TestCase extends LaravelTestCase
{
    use RefreshDatabase;

    protected Workshop $workshop;

    protected CarbonImmutable $now;

    private int $facts = 0;

    protected bool $isFirstLook = false;

    protected function setUp(): void
    {
        parent::setUp();
        // What one test kept at hand is nothing to the next, wherever it is kept.
        config('cache.default') === 'redis' && Cache::flush();
        $this->withoutVite();
        config(['inertia.testing.ensure_pages_exist' => false]);
        $this->now = CarbonImmutable::parse('2026-03-04 10:15:00');
        $this->travelTo($this->now);
        $this->workshop = Workshop::here();
        $this->workshop->update(['set_up_at' => $this->now]);
        $this->warm(20.0);
    }

    /** As it is said at a bench that reads grams. */
    protected static function said(?Phrase $says): string
    {
        return $says === null ? '' : app(Library::class)->words()->say($says);
    }

    /** Every request begins with a clean desk, as it does outside of tests. */
    public function call($method, $uri, $parameters = [], $cookies = [], $files = [], $server = [], $content = null)
    {
        $this->app?->forgetScopedInstances();
        foreach (Route::getRoutes() as $route) {
            $route->flushController();
        }
        $uri = $this->seen($method, $uri);
        // Whoever works at a bench has been there before.
        $cookies += $this->isFirstLook ? [] : [config()->string('session.cookie') => 'of before'];
        // A screen names each press; a test that names none presses anew.
        $server += $method === 'POST' ? ['HTTP_X_PRESS' => $this->defaultHeaders['X-Press'] ?? bin2hex(random_bytes(12))] : [];

        return parent::call($method, $uri, $parameters, $cookies, $files, $server, $content);
    }

    /** A screen says which edition it shows; a test that says none shows the newest. */
    private function seen(string $method, string $uri): string
    {
        if ($method === 'GET' || str_contains($uri, 'edition')) {
            return $uri;
        }
        $edition = match (true) {
            preg_match(
                '#^/pours/(\d+)(/sheet|/sheet/ask|/run)?(\?|$)#', $uri, $of,
            ) === 1 => DB::table('pours')->where('id', $of[1])->value('edition'),
            preg_match(
                '#^/impressions/(\d+)(/move|/take-out|/contacts/.*)?(\?|$)#', $uri, $of,
            ) === 1 => DB::table('impressions')->where('id', $of[1])->value('edition'),
            preg_match('#^/jobs/(\d+)$#', $uri, $of) === 1 => DB::table('jobs')->where('id', $of[1])->value('edition'),
            preg_match('#^/formulas/(\d+)$#', $uri, $of) === 1 => DB::table('formulas')->where('id', $of[1])->value('edition'),
            preg_match('#^/swatches/(\d+)$#', $uri, $of) === 1 => DB::table('swatches')->where('id', $of[1])->value('edition'),
            preg_match('#^/contacts/patches/(\d+)$#', $uri, $of) === 1 => DB::table('test_patches')->where('id', $of[1])->value('edition'),
            $uri === '/workshop' => DB::table('workshops')->value('edition'),
            $uri === '/stores/sheets' => DB::table('own_sheets')->max('version'),
            default => null,
        };

        return is_numeric($edition) ? $uri.(str_contains($uri, '?') ? '&' : '?')."edition={$edition}" : $uri;
    }

    protected function warm(float $celsius): void
    {
        (new RoomTemperature($this->workshop))->note(Celsius::of($celsius), 'hand', CarbonImmutable::now());
    }

    protected function impression(string $kind = 'cast', string $material = 'pr-10'): Impression
    {
        $job = Job::query()->firstOrCreate(['name' => 'Owl brow', 'workshop_id' => $this->workshop->id], ['quantity' => 4]);

        return $job->impressions()->create([
            'position' => $job->impressions()->count(), 'kind' => ImpressionKind::from($kind), 'name' => ucfirst($kind),
            'material' => $material,
        ]);
    }

    /**
     * @param  array<string, mixed>  $changes  by dotted path
     * @return array<string, mixed>
     */
    protected function sheet(array $changes = []): array
    {
        $sheet = [
            'volume' => ['method' => 'mesh', 'volume_ml' => 100, 'allowance_pct' => 0],
            'target' => ['waste_pct' => 0],
            'formula' => [
                'base' => 'pr-10', 'additives' => [['code' => 'sf-1', 'amount' => 50, 'basis' => 'pct_of_ab', 'into' => 'after']],
            ],
            'plan' => [
                'scale' => ['division_g' => 0.1, 'capacity_g' => 3000],
                'vessel' => ['capacity_ml' => 500, 'tare_g' => 12, 'degas' => false, 'rise_factor' => 3],
                'mix_min' => 3, 'degas_min' => 0, 'pour_g_per_min' => 150,
            ],
            'formula_name' => 'Brow skin',
        ];
        foreach ($changes as $path => $value) {
            data_set($sheet, $path, $value);
        }

        return $sheet;
    }

    /** @param  array<string, mixed>  $changes */
    protected function draft(array $changes = [], ?Impression $impression = null): Pour
    {
        return ($impression ?? $this->impression())->pours()->create(['sheet' => $this->sheet($changes), 'state' => PourState::Draft]);
    }

    /** @param  array<string, mixed>  $changes */
    protected function begun(array $changes = [], ?Impression $impression = null): Pour
    {
        $pour = $this->draft($changes, $impression);
        $this->post("/pours/{$pour->id}/run")->assertRedirect("/pours/{$pour->id}/run");

        return $pour->refresh();
    }

    /**
     * @param  array<string, mixed>  $payload
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    protected function record(Pour $pour, string $kind, array $payload = [], ?string $key = null): TestResponse
    {
        return $this->postJson("/pours/{$pour->id}/events", [
            'key' => $key ?? 'fact-'.(++$this->facts), 'kind' => $kind, 'payload' => $payload,
        ]);
    }

    /** Confirms, weighs to the gram and goes on until the run is at this kind of step. */
    protected function workUntil(Pour $pour, string $kind): void
    {
        for ($i = 0; $i < 60; $i++) {
            $run = $this->getJson("/pours/{$pour->id}/state")->assertOk()->json();
            if ($run['step']['kind'] === $kind) {
                return;
            }
            $this->travel(1)->minutes();
            foreach ($run['step']['kind'] === 'contacts' ? $run['checklist'] : [] as $item) {
                $item['done'] || $this->record($pour, 'checked', ['item' => $item['id']])->assertOk();
            }
            $run['step']['kind'] === 'heat'
                && $this->record($pour, 'heated', ['step' => $run['step']['key'], 'c' => $run['heat']['to_c']])->assertOk();
            $run['step']['kind'] === 'weigh'
                ? $this->record($pour, 'weighed', ['step' => $run['step']['key'], 'reading_g' => $run['line']['running']])->assertOk()
                : $this->record($pour, $run['step']['kind'] === 'wait' ? 'opened' : 'confirmed', [
                    'step' => $run['step']['key'],
                ])->assertOk();
        }
        self::fail("The run never came to “{$kind}”.");
    }
}
