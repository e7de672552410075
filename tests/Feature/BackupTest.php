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
        config(['database.default' => 'shop', 'database.connections.shop' => [...config()->array('database.connections.sqlite'), 'database' => "{$this->folder}/shop.sqlite"]]);
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
        $version = DB::table('formula_versions')->insertGetId(['workshop_id' => 1, 'formula_id' => $formula, 'number' => 1, 'recipe' => '{"base": "pr-10", "additives": []}']);
        DB::table('swatches')->insert(['workshop_id' => 1, 'formula_version_id' => $version, 'name' => $name, 'poured_at' => '2026-01-01 00:00:00.000', 'photo' => "swatches/{$name}"]);
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

    public function test_old_ones_go_and_the_newest_stays(): void
    {
        foreach (['2026-02-01 03:10:00', '2026-02-20 03:10:00', '2026-03-03 03:10:00'] as $day) {
            $this->take($day);
        }
        File::put("{$this->folder}/backups/notes.txt", 'mine');
        $left = fn (): array => array_map('basename', File::glob("{$this->folder}/backups/*"));

        self::assertSame(1, app(Backup::class)->thin("{$this->folder}/backups", 14, CarbonImmutable::parse('2026-03-04')));
        self::assertSame(['apalos-2026-02-20-031000.zip', 'apalos-2026-03-03-031000.zip', 'notes.txt'], $left());
        app(Backup::class)->thin("{$this->folder}/backups", 1, CarbonImmutable::parse('2027-01-01'));
        self::assertSame(['apalos-2026-03-03-031000.zip', 'notes.txt'], $left());
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
        self::assertStringContainsString('read back and whole', Artisan::output());
        self::assertSame(2, Artisan::call('backup:take', ['folder' => "{$this->folder}/backups", '--keep' => 'x']));
        self::assertSame(1, Artisan::call('backup:take', ['folder' => '/proc/nowhere']));
        self::assertSame(1, Artisan::call('backup:restore', ['file' => "{$this->folder}/none.zip"]));
        self::assertStringContainsString('There is no file', Artisan::output());
        config(['database.default' => 'pgsql']);
        self::assertSame(1, Artisan::call('backup:take', ['folder' => "{$this->folder}/backups"]));
        self::assertStringContainsString('pg_dump', Artisan::output());
    }
}
