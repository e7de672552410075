<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Fact;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\MakesSwatches;
use Tests\TestCase;

/** One kernel for every stream of facts: once, in order, one writer at a time, and nothing dropped in silence. */
final class FactsTest extends TestCase
{
    use MakesSwatches;

    public function test_another_reading_under_the_same_key_is_refused_aloud_and_the_first_stands(): void
    {
        $pour = $this->begun();
        $this->workUntil($pour, 'weigh');
        $line = $this->getJson("/pours/{$pour->id}/state")->json('line.running');
        $this->record($pour, 'weighed', ['step' => '1:weigh:0', 'reading_g' => $line], 'offline')->assertOk();
        $this->record($pour, 'weighed', ['reading_g' => $line, 'step' => '1:weigh:0'], 'offline')->assertOk();

        $this->record($pour, 'weighed', ['step' => '1:weigh:0', 'reading_g' => $line + 3.0], 'offline')->assertConflict()
            ->assertJsonPath(
                'error.message', static fn (string $says): bool => str_contains($says, 'Something else was already written down'),
            )
            ->assertJsonPath('run.cup.display_g', $line);
        self::assertSame(1, Fact::query()->where('kind', 'weighed')->count());
    }

    public function test_a_whole_number_sent_again_as_a_fraction_is_the_same(): void
    {
        $series = $this->beginSeries(self::series());
        $this->fact($series, 'put', ['vessel' => 'plain-cup', 'line' => 0, 'reading_g' => 42], 'k')->assertOk();
        $this->fact($series, 'put', ['vessel' => 'plain-cup', 'line' => 0, 'reading_g' => 42.0], 'k')->assertOk();
        $this->fact($series, 'put', ['vessel' => 'plain-cup', 'line' => 0, 'reading_g' => 42.1], 'k')->assertConflict();
    }

    public function test_the_same_key_in_two_streams_is_two_facts(): void
    {
        [$one, $other] = [$this->begun(), $this->begun()];
        $series = $this->beginSeries(self::series());
        $this->record($one, 'noted', ['text' => 'a'], 'same')->assertOk();
        $this->record($other, 'noted', ['text' => 'b'], 'same')->assertOk();
        $this->fact($series, 'met', [], 'same')->assertOk();

        self::assertSame(
            [['run', $one->id], ['run', $other->id], ['series', $series->id]],
            Fact::query()->orderBy('id')->get()->map(static fn (Fact $f): array => [$f->stream, $f->stream_id])->all(),
        );
        self::assertSame([$this->workshop->id], Fact::query()->distinct()->pluck('workshop_id')->all());
        self::assertNull(Fact::query()->firstOrFail()->person, 'Empty until people sign in.');
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function nonsense(): iterable
    {
        yield 'no key' => [['kind' => 'noted', 'payload' => []], 'key'];
        yield 'a key like a novel' => [['key' => str_repeat('k', 65), 'kind' => 'noted'], 'key'];
        yield 'no kind' => [['key' => 'k'], 'kind'];
        yield 'a field nobody knows' => [['key' => 'k', 'kind' => 'noted', 'soup' => 1], 'soup'];
        yield 'a list for a payload' => [['key' => 'k', 'kind' => 'noted', 'payload' => [1, 2]], 'payload'];
        yield 'a moment in words' => [['key' => 'k', 'kind' => 'noted', 'at_ms' => 'noon'], 'at_ms'];
    }

    /** @param  array<string, mixed>  $said */
    #[DataProvider('nonsense')]
    public function test_what_is_no_fact_is_refused_by_name(array $said, string $field): void
    {
        $pour = $this->begun();
        $this->postJson("/pours/{$pour->id}/events", $said)->assertUnprocessable()->assertJsonPath('error.field', $field);
        self::assertSame(0, Fact::query()->count());
    }

    public function test_writers_take_turns_however_many_come_at_once(): void
    {
        $file = tempnam(sys_get_temp_dir(), 'apalos-').'.sqlite';
        touch($file);
        $environment = [
            'DB_DATABASE' => $file, 'DB_CONNECTION' => 'sqlite', 'APP_ENV' => 'testing', 'APP_KEY' => config()->string('app.key'),
            'CACHE_STORE' => 'array', 'PATH' => (string) getenv('PATH'),
        ];
        $run = static fn (string $code) => proc_open(
            [
                PHP_BINARY, '-r',
                'require "vendor/autoload.php"; $app = require "bootstrap/app.php"; $app->make(Illuminate\Contracts\Console\Kernel::class)->bootstrap(); '.$code,
            ],
            [1 => ['pipe', 'w'], 2 => ['pipe', 'w']], $pipes, base_path(), $environment,
        ) ?: self::fail('No process.');
        $wait = static function ($process): int {
            while (($status = proc_get_status($process))['running']) {
                usleep(10_000);
            }

            return $status['exitcode'];
        };
        self::assertSame(0, $wait($run('Illuminate\Support\Facades\Artisan::call("migrate", ["--force" => true]); App\Models\Workshop::here();
            $job = App\Models\Job::query()->create(["name" => "x", "quantity" => 1]); $link = $job->impressions()->create(["position" => 0, "kind" => "cast", "name" => "Casts", "material" => "pr-10"]);
            $pour = $link->pours()->create(["state" => "draft", "sheet" => json_decode(\''.json_encode($this->sheet()).'\', true)]); app(App\Pours\StartPour::class)($pour, 1, null, Carbon\CarbonImmutable::now());')));
        $note = 'for ($i = 0; $i < 6; $i++) { app(App\Facts\AppendFact::class)(app(App\Pours\RunStreams::class), App\Models\Pour::query()->firstOrFail()->id, Apalos\Core\Input\Fields::of(["key" => "w%d-$i", "kind" => "noted", "payload" => ["text" => "n"]]), Carbon\CarbonImmutable::now()); }';
        $writers = array_map(static fn (int $writer) => $run(sprintf($note, $writer)), range(1, 8));
        $exits = array_map($wait, $writers);

        config(['database.connections.at-once' => [...config()->array('database.connections.sqlite'), 'database' => $file]]);
        $facts = DB::connection('at-once')->table('facts')->count();
        DB::purge('at-once');
        array_map(unlink(...), glob("{$file}*") ?: []);
        self::assertSame([array_fill(0, 8, 0), 48], [$exits, $facts]);
    }
}
