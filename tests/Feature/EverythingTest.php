<?php

declare(strict_types=1);

namespace Tests\Feature;

use Apalos\Core\Input\BadInput;
use App\Exchange\ArchiveParts;
use App\Exchange\Everything;
use App\Exchange\TakeEverything;
use App\Models\Job;
use App\Models\Pour;
use App\Models\TakenWay;
use App\Models\Workshop;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\KeepsThings;
use Tests\TestCase;
use ZipArchive;

/** Everything goes out as open files with their schemas, and comes into an empty shop as it was: all of it, or nothing. */
final class EverythingTest extends TestCase
{
    use KeepsThings;

    private string $file;

    protected function setUp(): void
    {
        parent::setUp();
        Storage::fake('local');
        $this->file = sys_get_temp_dir().'/everything-'.getmypid().'.zip';
    }

    protected function tearDown(): void
    {
        @unlink($this->file);
        parent::tearDown();
    }

    private function filled(): Pour
    {
        $this->workshop->update(['name' => 'Under the arches', 'currency' => 'EUR', 'cups' => [['ml' => 350, 'tare_g' => 9]]]);
        ['mould' => $link, 'cast' => $cast] = $this->chained();
        $this->kit();
        $mould = $this->mould($link);
        $this->tell("/rack/{$mould->id}/facts", 'placed', ['place' => 'top shelf'])->assertOk();
        $this->post('/contacts/patches', [
            'fresh' => 'silicone-platinum', 'surface' => 'abs-brick', 'base' => 'pr-10', 'place' => 'lid', 'hours' => 0,
        ]);
        Storage::disk('local')->put('moulds/one.jpg', 'picture');
        Storage::disk('local')->put('moulds/of-somebody-else.jpg', 'theirs');
        $mould->update(['photo' => 'moulds/one.jpg']);
        Storage::disk('local')->put("models/{$this->workshop->id}/abc.stl", 'solid');
        $way = TakenWay::query()->create([
            'job_id' => $cast->job_id, 'way' => ['kind' => 'open-block'],
            'promised' => [
                'per_piece' => '4.20', 'total' => '8.40', 'cash' => '0.00', 'currency' => 'EUR', 'done_on' => '2026-03-09',
                'hands_min' => 90.5, 'chance' => 0.9, 'count' => 2,
            ],
            'made' => ['links' => [$link->id], 'replaced' => [], 'builds' => [], 'sheets' => [], 'casts' => [], 'contacts' => []],
            'taken_at' => now(),
        ]);
        $cast->job->update(['taken_way_id' => $way->id]);
        DB::table('job_wants')->insert([
            'workshop_id' => $this->workshop->id, 'job_id' => $cast->job_id, 'taken_way_id' => $way->id, 'code' => 'pr-25', 'grams' => 1000,
            'since' => now()->format('Y-m-d H:i:s.v'),
        ]);
        $this->travel(2)->minutes();

        return $this->poured($cast, ['pieces' => 2, 'each' => [['outcome' => 'good'], ['outcome' => 'reject']]]);
    }

    /** @return array<string, list<array<string, mixed>>> */
    private function rows(): array
    {
        $all = [];
        foreach (ArchiveParts::ALL as $part => [$table]) {
            $columns = ArchiveParts::columns($table);
            unset($columns['id']);
            $all[$part] = DB::table($table)
                ->orderBy(isset(ArchiveParts::columns($table)['id']) ? 'id' : 'pour_id')
                ->get()
                ->map(
                    static fn (\stdClass $row): array => ArchiveParts::out(
                        $row, $table === 'workshops' ? array_diff_key($columns, ['created_at' => 0, 'updated_at' => 0]) : $columns,
                    ),
                )
                ->all();
        }

        return $all;
    }

    private function emptied(): void
    {
        DB::statement(DB::getDriverName() === 'sqlite' ? 'pragma foreign_keys = off' : 'set constraints all deferred');
        foreach (array_reverse(ArchiveParts::ALL) as [$table]) {
            $table === 'workshops' || DB::table($table)->delete();
        }
        DB::table('swatch_digests')->delete();
        DB::statement(DB::getDriverName() === 'sqlite' ? 'pragma foreign_keys = on' : 'set constraints all immediate');
        Workshop::query()->update(['name' => Workshop::UNNAMED, 'currency' => null, 'cups' => null, 'set_up_at' => null]);
        Storage::fake('local');
    }

    public function test_it_comes_into_an_empty_shop_as_it_was(): void
    {
        $pour = $this->filled();
        $before = $this->rows();
        $run = $this->getJson("/pours/{$pour->id}/state")->json();
        app(Everything::class)->give($this->file, $this->now);
        $this->emptied();
        app()->forgetScopedInstances();

        $came = app(TakeEverything::class)($this->file);
        self::assertSame(count($before['facts']), $came['facts']);
        self::assertEquals($before, $this->rows());
        self::assertSame(['picture', 'solid'], [
            Storage::disk('local')->get('moulds/one.jpg'), Storage::disk('local')->get("models/{$this->workshop->id}/abc.stl"),
        ]);
        self::assertEquals($run, $this->getJson("/pours/{$pour->id}/state")->assertOk()->json());
        foreach ([
            '/', '/jobs', "/jobs/{$pour->impression->job_id}", '/rack', '/stores', '/log', '/formulas', '/contacts', '/swatches/drawer',
        ] as $page) {
            $this->get($page)->assertOk();
        }
        self::assertGreaterThan(
            $pour->impression->job_id, Job::query()->create(['name' => 'The next', 'quantity' => 1])->id,
            'numbers go on after the last that came',
        );
    }

    public function test_every_line_fits_the_schema_beside_it(): void
    {
        $this->filled();
        app(Everything::class)->give($this->file, $this->now);
        $zip = new ZipArchive;
        $zip->open($this->file);
        $manifest = json_decode((string) $zip->getFromName('manifest.json'), true);
        self::assertSame(
            ['apalos-everything', 1, array_keys(ArchiveParts::ALL)],
            [$manifest['format'], $manifest['version'], array_column($manifest['parts'], 'part')],
        );
        $lines = 0;
        foreach ($manifest['parts'] as $part) {
            $schema = json_decode((string) $zip->getFromName($part['schema']));
            $text = (string) $zip->getFromName($part['file']);
            self::assertSame($part['sha256'], hash('sha256', $text));
            foreach (array_filter(explode("\n", $text)) as $line) {
                $lines++;
                self::assertTrue((new Validator)->validate(json_decode($line), $schema)->isValid(), "{$part['file']}: {$line}");
            }
        }
        self::assertGreaterThan(40, $lines);
    }

    public function test_a_shop_with_things_of_its_own_takes_nothing_in(): void
    {
        $this->filled();
        app(Everything::class)->give($this->file, $this->now);
        $before = $this->rows();

        $this->from('/')->post('/everything', [
            'file' => new UploadedFile($this->file, 'all.zip', 'application/zip', null, true),
        ])->assertSessionHasErrors('file');
        self::assertEquals($before, $this->rows());
    }

    /** @return iterable<string, array{callable(ZipArchive): mixed, string}> */
    public static function damages(): iterable
    {
        yield 'a bit in a line' => [
            static fn (ZipArchive $zip) => $zip->addFromString(
                'jobs.jsonl', str_replace('Owl', 'Owk', (string) $zip->getFromName('jobs.jsonl')),
            ),
            'damaged',
        ];
        yield 'a picture' => [static fn (ZipArchive $zip) => $zip->addFromString('files/moulds/one.jpg', 'pictura'), 'damaged'];
        yield 'a file that is missing' => [static fn (ZipArchive $zip) => $zip->deleteName('pours.jsonl'), 'missing'];
        yield 'no manifest' => [static fn (ZipArchive $zip) => $zip->deleteName('manifest.json'), 'manifest'];
        yield 'a newer one' => [
            static fn (ZipArchive $zip) => $zip->addFromString(
                'manifest.json', str_replace('"version": 1', '"version": 9', (string) $zip->getFromName('manifest.json')),
            ),
            'newer',
        ];
        yield 'another column' => [self::line(static fn (string $line): string => str_replace('{', '{"soup":1,', $line)), 'soup'];
        yield 'a word for a number' => [
            self::line(static fn (string $line): string => (string) preg_replace('/"quantity":\d+/', '"quantity":"many"', $line)),
            'quantity',
        ];
        yield 'no json' => [self::line(static fn (string $line): string => 'jobs'), 'no JSON'];
    }

    /** With a line of the jobs changed, and the manifest told so. */
    private static function line(callable $change): callable
    {
        return static function (ZipArchive $zip) use ($change): void {
            $text = $change((string) $zip->getFromName('jobs.jsonl'));
            $manifest = json_decode((string) $zip->getFromName('manifest.json'), true);
            foreach ($manifest['parts'] as $i => $part) {
                $manifest['parts'][$i]['sha256'] = $part['part'] === 'jobs' ? hash('sha256', $text) : $part['sha256'];
            }
            $zip->addFromString('jobs.jsonl', $text);
            $zip->addFromString('manifest.json', (string) json_encode($manifest));
        };
    }

    #[DataProvider('damages')]
    public function test_a_damaged_archive_is_refused_and_leaves_nothing(callable $damage, string $says): void
    {
        $this->filled();
        app(Everything::class)->give($this->file, $this->now);
        $zip = new ZipArchive;
        $zip->open($this->file);
        $damage($zip);
        $zip->close();
        $this->emptied();
        app()->forgetScopedInstances();
        try {
            app(TakeEverything::class)($this->file);
            self::fail('It was taken in.');
        } catch (BadInput $wrong) {
            self::assertStringContainsString($says, self::said($wrong->says));
        }
        self::assertSame([0, 0, []], [DB::table('jobs')->count(), DB::table('facts')->count(), Storage::disk('local')->allFiles()]);
    }

    public function test_a_file_that_climbs_out_is_left_where_it_is(): void
    {
        $this->filled();
        app(Everything::class)->give($this->file, $this->now);
        $zip = new ZipArchive;
        $zip->open($this->file);
        $manifest = json_decode((string) $zip->getFromName('manifest.json'), true);
        foreach (['files/../../evil.php', 'files/moulds/../../evil.php', 'files/cache/evil.php', '/etc/evil'] as $name) {
            $zip->addFromString($name, 'evil');
            $manifest['files'][] = ['file' => $name, 'sha256' => hash('sha256', 'evil')];
        }
        $zip->addFromString('manifest.json', (string) json_encode($manifest));
        $zip->close();
        $this->emptied();
        app()->forgetScopedInstances();
        app(TakeEverything::class)($this->file);

        self::assertSame(
            ['moulds/one.jpg', "models/{$this->workshop->id}/abc.stl"],
            array_values(
                array_filter(
                    ['moulds/one.jpg', "models/{$this->workshop->id}/abc.stl", 'evil.php', 'cache/evil.php'],
                    static fn (string $path): bool => Storage::disk('local')->exists($path),
                ),
            ),
        );
    }

    public function test_it_is_downloaded_and_the_console_speaks_plainly(): void
    {
        $this->filled();
        $this->get('/everything.zip')->assertOk()->assertDownload('apalos-everything-2026-03-04.zip');
        $this->artisan('everything', ['way' => 'give', 'file' => $this->file])->assertSuccessful();
        $this->artisan('everything', ['way' => 'take', 'file' => $this->file])->assertFailed()->expectsOutputToContain('of its own');
        $this->artisan('everything', ['way' => 'lend', 'file' => $this->file])->assertFailed();
    }
}
