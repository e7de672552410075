<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Workshop;
use App\Storage\Backup;
use App\Storage\BackupFailed;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Tests\TestCase;

/** A copy of everything, taken while the bench runs, and put back. */
final class BackupTest extends TestCase
{
    private string $folder;

    private string $usual;

    protected function setUp(): void
    {
        parent::setUp();
        $this->folder = sys_get_temp_dir().'/apalos-backup-'.bin2hex(random_bytes(6));
        File::ensureDirectoryExists("{$this->folder}/storage/app/private/swatches");
        File::ensureDirectoryExists("{$this->folder}/storage/framework/cache/data");
        $this->app?->useStoragePath("{$this->folder}/storage");
        touch("{$this->folder}/shop.sqlite");
        $this->usual = config()->string('database.default');
        config([
            'database.default' => 'shop',
            'database.connections.shop' => [...config()->array('database.connections.sqlite'), 'database' => "{$this->folder}/shop.sqlite"],
        ]);
        Artisan::call('migrate', ['--force' => true]);
        $this->app?->forgetScopedInstances();
        Workshop::here()->update(['name' => 'The one that burns down']);
    }

    protected function tearDown(): void
    {
        DB::purge('shop');
        config(['database.default' => $this->usual]);
        File::deleteDirectory($this->folder);
        parent::tearDown();
    }

    private function photo(string $name): void
    {
        File::put("{$this->folder}/storage/app/private/swatches/{$name}", $name);
        $formula = DB::table('formulas')->insertGetId(['workshop_id' => 1, 'name' => $name]);
        $version = DB::table('formula_versions')->insertGetId([
            'workshop_id' => 1, 'formula_id' => $formula, 'number' => 1, 'recipe' => '{"base": "pr-10", "additives": []}',
        ]);
        DB::table('swatches')->insert([
            'workshop_id' => 1, 'formula_version_id' => $version, 'name' => $name, 'poured_at' => '2026-01-01 00:00:00.000',
            'photo' => "swatches/{$name}",
        ]);
    }

    private function take(string $day = '2026-03-04 03:10:00'): string
    {
        return app(Backup::class)->take("{$this->folder}/backups", CarbonImmutable::parse($day));
    }

    public function test_what_was_there_is_there_again_pictures_included(): void
    {
        $this->photo('before.jpg');
        $file = $this->take();
        $this->photo('after.jpg');
        DB::table('workshops')->update(['name' => 'Another']);
        File::put("{$this->folder}/storage/app/private/swatches/before.jpg", 'spoilt');

        $aside = app(Backup::class)->restore($file, CarbonImmutable::parse('2026-03-05 12:00:00'));
        DB::purge('shop');

        self::assertSame('The one that burns down', DB::table('workshops')->value('name'));
        self::assertSame(['before.jpg'], DB::table('swatches')->pluck('name')->all());
        self::assertSame('before.jpg', File::get("{$this->folder}/storage/app/private/swatches/before.jpg"));
        self::assertFileDoesNotExist("{$this->folder}/storage/app/private/swatches/after.jpg");
        self::assertNotNull($aside);
        self::assertFileExists("{$aside}/shop.sqlite");
        self::assertFileExists("{$aside}/app/private/swatches/after.jpg");
        self::assertSame('wal', DB::selectOne('pragma journal_mode')->journal_mode, 'readers and writers do not wait for each other');
    }

    public function test_it_is_whole_while_somebody_is_writing(): void
    {
        $other = new \PDO("sqlite:{$this->folder}/shop.sqlite");
        $other->exec('begin immediate');
        $other->exec("insert into formulas (workshop_id, name) values (1, 'half written')");
        $file = $this->take();
        $other->exec('commit');
        app(Backup::class)->restore($file, CarbonImmutable::parse('2026-03-05'));
        DB::purge('shop');

        self::assertSame(0, DB::table('formulas')->count(), 'what was not finished is not in it');
    }

    public function test_the_last_of_each_day_stays_and_a_wrong_clock_takes_none_away(): void
    {
        foreach ([
            '2026-02-01 03:10:00', '2026-02-20 03:10:00', '2026-02-20 15:00:00', '2026-02-21 03:10:00', '2026-02-22 03:10:00',
        ] as $day) {
            $this->take($day);
        }
        File::put("{$this->folder}/backups/notes.txt", 'mine');
        $left = fn (): array => array_map('basename', File::glob("{$this->folder}/backups/*.zip"));

        self::assertSame(1, app(Backup::class)->thin("{$this->folder}/backups", 4), 'of two of one day the last stays');
        self::assertSame(
            [
                'apalos-000001-2026-02-01-031000.zip', 'apalos-000003-2026-02-20-150000.zip', 'apalos-000004-2026-02-21-031000.zip',
                'apalos-000005-2026-02-22-031000.zip',
            ],
            $left(),
        );
        // A battery ran out: it is 1970, and then 2099.
        $this->take('1970-01-01 03:10:00');
        $this->take('2099-01-01 03:10:00');
        self::assertSame(2, app(Backup::class)->thin("{$this->folder}/backups", 4), 'the oldest two, by number');
        self::assertSame(
            [
                'apalos-000004-2026-02-21-031000.zip', 'apalos-000005-2026-02-22-031000.zip', 'apalos-000006-1970-01-01-031000.zip',
                'apalos-000007-2099-01-01-031000.zip',
            ],
            $left(),
        );
        self::assertFileExists("{$this->folder}/backups/notes.txt");
        self::assertSame(1, app(Backup::class)->thin("{$this->folder}/backups", 1), 'the last three stay whatever is said');
    }

    public function test_a_hundred_flipped_bits_are_found_one_by_one(): void
    {
        $this->photo('brow.jpg');
        File::ensureDirectoryExists("{$this->folder}/storage/app/private/models/1");
        File::put("{$this->folder}/storage/app/private/models/1/horn.stl", random_bytes(3000));
        $file = $this->take();
        $bytes = File::get($file);
        mt_srand(1911);
        for ($i = 0; $i < 100; $i++) {
            $at = mt_rand(0, 8 * strlen($bytes) - 1);
            $flipped = $bytes;
            $flipped[$at >> 3] = chr(ord($flipped[$at >> 3]) ^ (1 << ($at & 7)));
            File::put($file, $flipped);
            $this->refused($file, "bit {$at}");
        }
        File::put($file, $bytes);
        $kept = File::glob("{$this->folder}/backups/kept/*/*");
        self::assertCount(1, $kept);
        $whole = File::get($kept[0]);
        for ($i = 0; $i < 20; $i++) {
            $flipped = $whole;
            $flipped[mt_rand(0, 2999)] = '!';
            $flipped === $whole || File::put($kept[0], $flipped);
            $flipped === $whole || $this->refused($file, 'a model');
        }
        File::put($kept[0], $whole);
        app(Backup::class)->restore($file, CarbonImmutable::parse('2026-03-05'));
        self::assertSame($whole, File::get("{$this->folder}/storage/app/private/models/1/horn.stl"));
    }

    private function refused(string $file, string $what): void
    {
        try {
            app(Backup::class)->restore($file, CarbonImmutable::parse('2026-03-05'));
            self::fail("{$what} was not found");
        } catch (BackupFailed) {
            self::assertSame('The one that burns down', DB::table('workshops')->value('name'));
        }
    }

    public function test_a_model_is_packed_once_and_goes_with_the_last_backup_that_names_it(): void
    {
        File::ensureDirectoryExists("{$this->folder}/storage/app/private/models/1");
        File::put("{$this->folder}/storage/app/private/models/1/horn.stl", $horn = random_bytes(200_000));
        $first = $this->take('2026-03-01 03:10:00');
        $second = $this->take('2026-03-02 03:10:00');
        self::assertLessThan(200_000, File::size($first) + 0, 'not in the zip');
        $kept = fn (): array => File::glob("{$this->folder}/backups/kept/*/*");
        self::assertCount(1, $kept());
        self::assertSame($horn, File::get($kept()[0]));
        File::delete("{$this->folder}/storage/app/private/models/1/horn.stl");
        foreach (['2026-03-03', '2026-03-04', '2026-03-05'] as $day) {
            $this->take("{$day} 03:10:00");
        }
        app(Backup::class)->thin("{$this->folder}/backups", 4);
        self::assertFileDoesNotExist($first);
        self::assertCount(1, $kept(), 'the second still names it');
        app(Backup::class)->thin("{$this->folder}/backups", 3);
        self::assertFileDoesNotExist($second);
        self::assertSame([], $kept());
    }

    public function test_what_a_killed_one_has_left_is_cleared_and_two_do_not_meet(): void
    {
        File::ensureDirectoryExists("{$this->folder}/backups/.taking-dead");
        File::put("{$this->folder}/backups/.taking-dead/apalos.sqlite", 'half');
        File::put("{$this->folder}/backups/apalos-000009-2026-01-01-000000.zip.part", 'half');
        $this->take();
        self::assertDirectoryDoesNotExist("{$this->folder}/backups/.taking-dead");
        self::assertSame([], File::glob("{$this->folder}/backups/*.part"));
        $lock = fopen("{$this->folder}/backups/.turn", 'c');
        self::assertNotFalse($lock);
        flock($lock, LOCK_EX);
        try {
            $this->take();
            self::fail('Two were taken at once.');
        } catch (BackupFailed $busy) {
            self::assertStringContainsString('Another backup', self::said($busy->says));
        } finally {
            fclose($lock);
        }
    }

    public function test_nobody_else_reads_it(): void
    {
        $this->photo('brow.jpg');
        $file = $this->take();
        self::assertSame('0600', substr(sprintf('%o', fileperms($file)), -4));
        self::assertSame('0700', substr(sprintf('%o', fileperms("{$this->folder}/backups")), -4));
    }

    public function test_one_of_before_there_were_sums_is_put_back_only_where_that_is_said(): void
    {
        $zip = new \ZipArchive;
        $zip->open("{$this->folder}/apalos-2025-01-01-031000.zip", \ZipArchive::CREATE);
        DB::statement('vacuum into ?', ["{$this->folder}/old.sqlite"]);
        $zip->addFile("{$this->folder}/old.sqlite", 'apalos.sqlite');
        $zip->close();
        $this->refused("{$this->folder}/apalos-2025-01-01-031000.zip", 'one without sums');
        self::assertNotNull(
            app(Backup::class)->restore("{$this->folder}/apalos-2025-01-01-031000.zip", CarbonImmutable::parse('2026-03-05'), true),
        );
    }

    public function test_a_failed_night_stands_on_every_screen_until_one_goes_well(): void
    {
        self::assertSame(1, Artisan::call('backup:take', ['folder' => '/proc/nowhere']));
        self::assertStringContainsString('last backup could not be taken', (string) $this->getJson('/frame')->json('trouble'));
        self::assertSame(0, Artisan::call('backup:take', ['folder' => "{$this->folder}/backups"]));
        self::assertNull($this->getJson('/frame')->json('trouble'));
    }

    public function test_one_is_taken_before_the_database_is_changed_and_none_where_it_is_not(): void
    {
        $taken = fn (): int => count(File::glob("{$this->folder}/backups/*.zip"));
        Artisan::call('backup:take', ['folder' => "{$this->folder}/backups", '--before-migration' => true]);
        self::assertSame(0, $taken());
        DB::table('migrations')->where('migration', 'like', '%harder_shell')->delete();
        Artisan::call('backup:take', ['folder' => "{$this->folder}/backups", '--before-migration' => true]);
        self::assertSame(1, $taken());
    }

    public function test_what_is_no_backup_is_refused_and_nothing_is_touched(): void
    {
        File::put("{$this->folder}/words.zip", 'no zip at all');
        $half = $this->take();
        File::put("{$this->folder}/half.zip", substr(File::get($half), 0, 2000));
        foreach (["{$this->folder}/none.zip", "{$this->folder}/words.zip", "{$this->folder}/half.zip"] as $file) {
            try {
                app(Backup::class)->restore($file, CarbonImmutable::parse('2026-03-05'));
                self::fail("{$file} was taken for a backup");
            } catch (BackupFailed $refused) {
                self::assertNotSame('', $refused->getMessage());
            }
        }
        self::assertSame('The one that burns down', DB::table('workshops')->value('name'));
    }

    public function test_the_console_says_what_is_wrong_and_ends_accordingly(): void
    {
        self::assertSame(0, Artisan::call('backup:take', ['folder' => "{$this->folder}/backups"]));
        self::assertStringContainsString('proved part by part', Artisan::output());
        self::assertSame(2, Artisan::call('backup:take', ['folder' => "{$this->folder}/backups", '--keep' => 'x']));
        self::assertSame(1, Artisan::call('backup:take', ['folder' => '/proc/nowhere']));
        self::assertSame(1, Artisan::call('backup:restore', ['file' => "{$this->folder}/none.zip"]));
        self::assertStringContainsString('There is no file', Artisan::output());
        config(['database.default' => 'pgsql']);
        self::assertSame(1, Artisan::call('backup:take', ['folder' => "{$this->folder}/backups"]));
        self::assertStringContainsString('pg_dump', Artisan::output());
    }
}
