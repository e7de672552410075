<?php

declare(strict_types=1);

namespace App\Storage;

use Carbon\CarbonImmutable;
use Illuminate\Filesystem\Filesystem;
use Illuminate\Support\Facades\DB;
use PDO;
use PDOException;
use ZipArchive;

/**
 * Database and pictures in one file. The database is copied by itself, whole as of one moment, while others write; the pictures
 * once before and once after it, so that whatever it names is there.
 */
final readonly class Backup
{
    private const DATABASE = 'apalos.sqlite';

    private const PICTURES = 'app';

    private const NAMED = '/^apalos-(\d{4}-\d\d-\d\d)-\d{6}\.zip$/';

    public function __construct(private Filesystem $files) {}

    /**
     * @return string the file it is in
     *
     * @throws BackupFailed
     */
    public function take(string $folder, CarbonImmutable $now): string
    {
        $database = self::database();
        if (! is_file($database)) {
            throw new BackupFailed("There is no database at {$database} yet.");
        }
        if (! is_dir($folder) && ! @mkdir($folder, 0700, true)) {
            throw new BackupFailed("Nothing can be written to {$folder}. Choose another folder.");
        }
        $work = "{$folder}/.taking-".bin2hex(random_bytes(4));
        try {
            mkdir($work, 0700);
            $this->pictures($work);
            DB::statement('vacuum into ?', ["{$work}/".self::DATABASE]);
            $this->pictures($work);
            $file = "{$folder}/apalos-{$now->format('Y-m-d-His')}.zip";
            $this->pack($work, "{$file}.part");
            self::readBack("{$file}.part", "{$work}/again", $this->files);
            rename("{$file}.part", $file);
        } catch (\ErrorException|\Illuminate\Database\QueryException $failed) {
            throw new BackupFailed("The backup could not be taken: {$failed->getMessage()}");
        } finally {
            $this->files->deleteDirectory($work);
            isset($file) && $this->files->delete("{$file}.part");
        }

        return $file;
    }

    /** When the newest in a folder was taken, by the clock of the disk; null where there is none. */
    public function newest(string $folder): ?CarbonImmutable
    {
        if (! is_dir($folder)) {
            return null;
        }
        $taken = array_map(static fn ($file): int => $file->getMTime(), array_filter($this->files->files($folder), static fn ($file): bool => preg_match(self::NAMED, $file->getFilename()) === 1));

        return $taken === [] ? null : CarbonImmutable::createFromTimestampUTC(max($taken));
    }

    /** Lets go of what is older; the newest always stays. */
    public function thin(string $folder, int $days, CarbonImmutable $now): int
    {
        $all = array_values(array_filter(array_map(static fn ($file): string => $file->getFilename(), $this->files->files($folder)), static fn (string $name): bool => preg_match(self::NAMED, $name) === 1));
        sort($all);
        array_pop($all);
        $old = array_filter($all, static fn (string $name): bool => preg_match(self::NAMED, $name, $on) === 1 && $on[1] < $now->subDays($days)->format('Y-m-d'));

        return count(array_filter($old, fn (string $name): bool => $this->files->delete("{$folder}/{$name}")));
    }

    /**
     * @return string|null where what was here before is kept; null where nothing was
     *
     * @throws BackupFailed
     */
    public function restore(string $file, CarbonImmutable $now): ?string
    {
        if (! is_file($file)) {
            throw new BackupFailed("There is no file {$file}.");
        }
        $database = self::database();
        $work = dirname($database).'/.restoring-'.bin2hex(random_bytes(4));
        try {
            self::readBack($file, $work, $this->files);
            DB::purge();
            $aside = is_file($database) ? dirname($database)."/before-{$now->format('Y-m-d-His')}" : null;
            if ($aside !== null) {
                mkdir($aside, 0700);
                foreach (['', '-wal', '-shm'] as $part) {
                    ! is_file($database.$part) || rename($database.$part, "{$aside}/".basename($database).$part);
                }
                ! is_dir(storage_path(self::PICTURES)) || $this->files->moveDirectory(storage_path(self::PICTURES), "{$aside}/".self::PICTURES);
            }
            rename("{$work}/".self::DATABASE, $database);
            (new PDO("sqlite:{$database}"))->exec('pragma journal_mode = wal');
            $this->files->ensureDirectoryExists(storage_path(self::PICTURES));
            ! is_dir("{$work}/".self::PICTURES) || $this->files->copyDirectory("{$work}/".self::PICTURES, storage_path(self::PICTURES));
            // What was kept at hand of the other database says nothing of this one.
            $this->files->cleanDirectory(storage_path('framework/cache/data'));
        } catch (\ErrorException $failed) {
            throw new BackupFailed("The backup could not be put back: {$failed->getMessage()}");
        } finally {
            $this->files->deleteDirectory($work);
        }

        return $aside;
    }

    private static function database(): string
    {
        $connection = config()->string('database.default');
        if (config()->string("database.connections.{$connection}.driver") !== 'sqlite') {
            throw new BackupFailed('This bench keeps its records in PostgreSQL: take its backups with pg_dump, and copy the pictures beside them. See docs/deploy.md.');
        }

        return config()->string("database.connections.{$connection}.database");
    }

    private function pictures(string $work): void
    {
        if (is_dir(storage_path(self::PICTURES))) {
            $this->files->copyDirectory(storage_path(self::PICTURES), "{$work}/".self::PICTURES);
        }
    }

    private function pack(string $work, string $file): void
    {
        $zip = new ZipArchive;
        if ($zip->open($file, ZipArchive::CREATE | ZipArchive::OVERWRITE) !== true) {
            throw new BackupFailed("Nothing can be written to {$file}.");
        }
        foreach ($this->files->allFiles($work, true) as $part) {
            $zip->addFile($part->getPathname(), str_replace('\\', '/', $part->getRelativePathname()));
        }
        if (! $zip->close()) {
            throw new BackupFailed("Nothing more could be written to {$file}. Is the disk full?");
        }
    }

    /** Unpacks it somewhere and looks whether it is whole: the database sound, every picture it names there. */
    private static function readBack(string $file, string $into, Filesystem $files): void
    {
        $zip = new ZipArchive;
        if ($zip->open($file, ZipArchive::CHECKCONS) !== true || $zip->locateName(self::DATABASE) === false) {
            throw new BackupFailed("{$file} is no backup of Apalos, or not all of it.");
        }
        for ($i = 0; $i < $zip->numFiles; $i++) {
            if (preg_match('#(^/|(^|/)\.\.(/|$))#', (string) $zip->getNameIndex($i)) === 1) {
                throw new BackupFailed("{$file} is no backup of Apalos.");
            }
        }
        if (! $zip->extractTo($into)) {
            throw new BackupFailed("{$file} could not be unpacked. Is the disk full?");
        }
        $zip->close();
        try {
            $db = new PDO("sqlite:{$into}/".self::DATABASE, options: [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION]);
            $sound = self::column($db, 'pragma integrity_check');
            $loose = self::column($db, 'pragma foreign_key_check');
            $named = self::column($db, 'select photo from swatches where photo is not null union all select photo from formula_versions where photo is not null union all select photo from test_patches where photo is not null');
            // A backup of before there was a rack has none.
            $rack = self::column($db, "select name from sqlite_master where type = 'table' and name = 'moulds'");
            $named = $rack === [] ? $named : [...$named, ...self::column($db, 'select photo from moulds where photo is not null')];
        } catch (PDOException $broken) {
            throw new BackupFailed("The database in {$file} cannot be read: {$broken->getMessage()}");
        }
        if ($sound !== ['ok'] || $loose !== []) {
            throw new BackupFailed("The database in {$file} is damaged.");
        }
        foreach ($named as $photo) {
            // A picture that was lost before the backup was taken is no reason to have none.
            if (is_file(storage_path(self::PICTURES."/private/{$photo}")) && ! $files->exists("{$into}/".self::PICTURES."/private/{$photo}")) {
                throw new BackupFailed("The picture {$photo} is missing from {$file}.");
            }
        }
    }

    /** @return list<string> */
    private static function column(PDO $db, string $asked): array
    {
        $answer = $db->query($asked);

        return $answer === false ? [] : array_map(static fn (mixed $value): string => is_scalar($value) ? (string) $value : '', array_values($answer->fetchAll(PDO::FETCH_COLUMN)));
    }
}
