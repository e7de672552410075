<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Fact;
use App\Models\Formula;
use App\Models\Impression;
use App\Models\Job;
use App\Models\Pour;
use App\Models\Workshop;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\MakesSwatches;
use Tests\TestCase;

/** Two workshops in one database know nothing of each other. */
final class WorkshopScopeTest extends TestCase
{
    use MakesSwatches;

    /** @var array<string, int> what the other workshop has */
    private array $theirs = [];

    protected function setUp(): void
    {
        parent::setUp();
        $pour = $this->begun();
        $this->record($pour, 'noted', ['text' => 'theirs'])->assertOk();
        $series = $this->beginSeries(self::series());
        $swatch = $this->puck(30.0, '00', 43.0);
        $this->post('/contacts/patches', ['fresh' => 'silicone-platinum', 'surface' => 'wood', 'base' => 'pr-10', 'place' => ''])->assertSessionHasNoErrors();
        $this->theirs = [
            'pour' => $pour->id, 'draft' => $this->draft()->id, 'series' => $series->id, 'swatch' => $swatch->id, 'reading' => $swatch->readings()->firstOrFail()->id,
            'job' => $pour->impression->job_id, 'impression' => $pour->impression_id, 'formula' => Formula::query()->firstOrFail()->id,
            'version' => $swatch->formula_version_id, 'patch' => $this->workshop->testPatches()->firstOrFail()->id,
        ];
        // From here on somebody else's bench: theirs comes first in the table, so it is asked for by name.
        $ours = Workshop::query()->create(['name' => 'Next door', 'set_up_at' => $this->now])->refresh();
        $this->app->scoped(Workshop::class, static fn (): Workshop => $ours);
        $this->app->forgetScopedInstances();
    }

    /** @return iterable<string, array{string, string, array<string, mixed>}> */
    public static function addresses(): iterable
    {
        yield 'a pour' => ['GET', '/pours/{draft}', []];
        yield 'its sheet' => ['PUT', '/pours/{draft}/sheet', ['volume' => null]];
        yield 'its beginning' => ['POST', '/pours/{draft}/run', []];
        yield 'a run' => ['GET', '/pours/{pour}/run', []];
        yield 'its state' => ['GET', '/pours/{pour}/state', []];
        yield 'a fact of it' => ['POST', '/pours/{pour}/events', ['key' => 'k', 'kind' => 'noted', 'payload' => ['text' => 'x']]];
        yield 'a job' => ['GET', '/jobs/{job}', []];
        yield 'putting it away' => ['DELETE', '/jobs/{job}', []];
        yield 'bringing it back' => ['POST', '/jobs/{job}/restore', []];
        yield 'a link' => ['PUT', '/impressions/{impression}', ['kind' => 'cast', 'name' => 'Ours now']];
        yield 'a series' => ['GET', '/swatches/series/{series}', []];
        yield 'its facts' => ['POST', '/swatches/series/{series}/facts', ['key' => 'k', 'kind' => 'met']];
        yield 'its labels' => ['POST', '/swatches/series/{series}/label', []];
        yield 'a swatch' => ['DELETE', '/swatches/{swatch}', []];
        yield 'a reading' => ['PUT', '/swatches/readings/{reading}', ['left_out' => true]];
        yield 'a formula' => ['GET', '/formulas/{formula}', []];
        yield 'a version' => ['POST', '/versions/{version}/pour', []];
        yield 'a test patch' => ['POST', '/contacts/patches/{patch}', ['passed' => true]];
    }

    /** @param  array<string, mixed>  $body */
    #[DataProvider('addresses')]
    public function test_what_belongs_to_another_workshop_is_not_there(string $method, string $address, array $body): void
    {
        $url = preg_replace_callback('/\{(\w+)\}/', fn (array $part): string => (string) $this->theirs[$part[1]], $address);
        $this->json($method, (string) $url, $body)->assertNotFound();
    }

    public function test_no_list_shows_what_belongs_to_another_workshop(): void
    {
        self::assertSame([0, 0, 0, 0], [Job::query()->count(), Impression::query()->count(), Pour::query()->count(), Fact::query()->count()]);
        foreach (['/', '/jobs', '/formulas', '/swatches/drawer', '/log', '/contacts'] as $page) {
            $text = $this->get($page)->assertOk()->getContent() ?: '';
            self::assertStringNotContainsString('Owl brow', $text, $page);
            self::assertStringNotContainsString('Brow skin', $text, $page);
            self::assertStringNotContainsString('Puck 30', $text, $page);
        }
        self::assertSame([], $this->getJson('/frame')->json('strip.lozenges'));
        self::assertSame([], $this->getJson('/find?q=brow')->assertOk()->json('found') ?? []);
        $this->postJson('/devices/scale/watch', ['for' => "run:{$this->theirs['pour']}"])->assertUnprocessable();
    }
}
