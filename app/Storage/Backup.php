<?php

declare(strict_types=1);

namespace App\Storage;

use Apalos\Core\Phrase\Phrase;
use Carbon\CarbonImmutable;
use ErrorException;
use Illuminate\Database\QueryException;
use Illuminate\Filesystem\Filesystem;
use Illuminate\Support\Facades\DB;
use PDO;
use PDOException;

/**
 * Database and pictures in one file that proves itself. The database is copied by itself, whole as of one moment, while others write; the
 * pictures once before and once after it, so that whatever it names is there.
 *
 * @phpstan-import-type Part from BackupFile
 */
final readonly class Backup
{
    private const PICTURES = 'app';

    /** What is on its way in is nobody's yet. */
    private const PASSING = ['private/uploads', 'private/imports'];

    /** What is large and never changes. */
    private const KEPT_ONCE = ['private/models', 'private/studies'];

    public function __construct(private Filesystem $files) {}

    /**
     * @return string the file it is in
     *
     * @throws BackupFailed
     */
    public function take(string $path, CarbonImmutable $now): string
    {
        $database = self::database();
        if (! is_file($database)) {
            throw new BackupFailed(Phrase::of('bench.no_database_yet', ['database' => $database]));
        }
        $folder = new BackupFolder($this->files, $path);
        $umask = umask(077);
        try {
            $folder->open();
            $this->roomFor($folder, $database);
            $file = $folder->next($now);
            $work = "{$path}/.taking-".bin2hex(random_bytes(4));
            mkdir($work, 0700);
            $this->pictures($work);
            DB::statement('vacuum into ?', ["{$work}/".BackupFile::DATABASE]);
            $this->pictures($work);
            $beside = $this->beside($folder);
            $part = new BackupFile("{$file}.part");
            $part->pack($this->files, $work, $folder->number() + 1, $now->toIso8601ZuluString(), $beside);
            $folder->prove($part->proved()['beside']);
            $part->database("{$work}/again");
            self::look("{$work}/again", $file, fn (string $photo): bool => is_file("{$work}/".self::PICTURES."/private/{$photo}"));
            rename("{$file}.part", $file);
        } catch (ErrorException|QueryException $failed) {
            throw new BackupFailed(Phrase::of('bench.backup_could_not_taken', ['why' => mb_strcut($failed->getMessage(), 0, 300)]));
        } finally {
            ! isset($work) || $this->files->deleteDirectory($work);
            ! isset($file) || $this->files->delete("{$file}.part");
            $folder->close();
            umask($umask);
        }

        return $file;
    }

    private function roomFor(BackupFolder $folder, string $database): void
    {
        $all = is_dir(storage_path(self::PICTURES)) ? $this->files->allFiles(storage_path(self::PICTURES)) : [];
        $pictures = $new = 0;
        foreach ($all as $one) {
            $isKept = self::under($one->getRelativePathname(), self::KEPT_ONCE);
            $isKept ? $new += (int) $one->getSize() : $pictures += (int) $one->getSize();
        }
        // The copy, what it is packed into, and the copy that is looked at; of models those that are not there yet, at worst all of them
        // once.
        $folder->roomFor(3 * (int) filesize($database) + 2 * $pictures + ($folder->all() === [] ? $new : 0));
    }

    /** When the newest in a folder was taken, by the clock of the disk; null where there is none. */
    public function newest(string $path): ?CarbonImmutable
    {
        $all = (new BackupFolder($this->files, $path))->all();

        return $all === [] ? null : CarbonImmutable::createFromTimestampUTC((int) filemtime("{$path}/".end($all)));
    }

    /** Lets go of the oldest; see {@see BackupFolder::thin()}. */
    public function thin(string $path, int $days): int
    {
        return (new BackupFolder($this->files, $path))->thin($days);
    }

    /**
     * @param  bool  $unproved  one of before backups had sums is put back all the same
     * @return string|null where what was here before is kept; null where nothing was
     *
     * @throws BackupFailed
     */
    public function restore(string $path, CarbonImmutable $now, bool $unproved = false): ?string
    {
        if (! is_file($path)) {
            throw new BackupFailed(Phrase::of('bench.no_file', ['path' => $path]));
        }
        $database = self::database();
        $file = new BackupFile($path);
        $folder = new BackupFolder($this->files, dirname($path));
        $beside = $unproved ? [] : $file->proved()['beside'];
        $folder->prove($beside);
        $work = dirname($database).'/.restoring-'.bin2hex(random_bytes(4));
        try {
            foreach (glob(dirname($database).'/.restoring-*') ?: [] as $left) {
                $this->files->deleteDirectory($left);
            }
            (new BackupFolder($this->files, dirname($database)))->roomFor($file->bytes() + (int) array_sum(array_column($beside, 'bytes')));
            $file->unpack($work);
            self::look(
                "{$work}/".BackupFile::DATABASE, $path, fn (string $photo): bool => is_file("{$work}/".self::PICTURES."/private/{$photo}"),
            );
            DB::purge();
            $aside = is_file($database) ? dirname($database)."/before-{$now->format('Y-m-d-His')}" : null;
            if ($aside !== null) {
                $aside .= is_dir($aside) ? '-'.bin2hex(random_bytes(2)) : '';
                mkdir($aside, 0700);
                foreach (['', '-wal', '-shm'] as $part) {
                    ! is_file($database.$part) || rename($database.$part, "{$aside}/".basename($database).$part);
                }
                ! is_dir(storage_path(self::PICTURES))
                    || $this->files->moveDirectory(storage_path(self::PICTURES), "{$aside}/".self::PICTURES);
            }
            rename("{$work}/".BackupFile::DATABASE, $database);
            (new PDO("sqlite:{$database}"))->exec('pragma journal_mode = wal');
            $this->files->ensureDirectoryExists(storage_path(self::PICTURES));
            ! is_dir("{$work}/".self::PICTURES) || $this->files->copyDirectory("{$work}/".self::PICTURES, storage_path(self::PICTURES));
            foreach ($beside as $part) {
                $to = storage_path(self::PICTURES."/{$part['file']}");
                if (self::under($part['file'], self::KEPT_ONCE) && ! str_contains($part['file'], '..')) {
                    $this->files->ensureDirectoryExists(dirname($to));
                    copy($folder->kept($part['sha256']), $to);
                }
            }
            // What was kept at hand of the other database says nothing of this one.
            $this->files->cleanDirectory(storage_path('framework/cache/data'));
        } catch (ErrorException $failed) {
            throw new BackupFailed(Phrase::of('bench.backup_could_not_put', ['why' => mb_strcut($failed->getMessage(), 0, 300)]));
        } finally {
            $this->files->deleteDirectory($work);
        }

        return $aside;
    }

    private static function database(): string
    {
        $connection = config()->string('database.default');
        if (config()->string("database.connections.{$connection}.driver") !== 'sqlite') {
            throw new BackupFailed(Phrase::of('bench.bench_keeps_records_postgresql'));
        }

        return config()->string("database.connections.{$connection}.database");
    }

    /** @param  list<string>  $folders */
    private static function under(string $name, array $folders): bool
    {
        return array_filter($folders, static fn (string $folder): bool => str_starts_with($name, "{$folder}/")) !== [];
    }

    /** What changes; a picture never does once it is written, so that another name for it is as good as a copy. */
    private function pictures(string $work): void
    {
        if (! is_dir(storage_path(self::PICTURES))) {
            return;
        }
        foreach ($this->files->allFiles(storage_path(self::PICTURES), true) as $one) {
            $name = $one->getRelativePathname();
            $to = "{$work}/".self::PICTURES."/{$name}";
            if (self::under($name, [...self::PASSING, ...self::KEPT_ONCE]) || is_file($to)) {
                continue;
            }
            $this->files->ensureDirectoryExists(dirname($to), 0700);
            // One that was put away while we look is missed by nobody.
            @link($one->getPathname(), $to) || @copy($one->getPathname(), $to);
        }
    }

    /** @return list<Part> */
    private function beside(BackupFolder $folder): array
    {
        $parts = [];
        foreach (is_dir(storage_path(self::PICTURES)) ? $this->files->allFiles(storage_path(self::PICTURES), true) : [] as $one) {
            if (self::under($one->getRelativePathname(), self::KEPT_ONCE)) {
                $sum = (string) hash_file('sha256', $one->getPathname());
                $folder->keep($one->getPathname(), $sum);
                $parts[] = ['file' => $one->getRelativePathname(), 'bytes' => (int) $one->getSize(), 'sha256' => $sum];
            }
        }

        return $parts;
    }

    /**
     * Whether a database is sound, and every picture it names is there.
     *
     * @param  callable(string): bool  $isThere
     */
    private static function look(string $database, string $file, callable $isThere): void
    {
        try {
            $db = new PDO("sqlite:{$database}", options: [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION]);
            $sound = self::column($db, 'pragma integrity_check');
            $loose = self::column($db, 'pragma foreign_key_check');
            $named = self::column(
                $db,
                'select photo from swatches where photo is not null union all select photo from formula_versions where photo is not null union all select photo from test_patches where photo is not null',
            );
            // A backup of before there was a rack has none.
            $rack = self::column($db, "select name from sqlite_master where type = 'table' and name = 'moulds'");
            $named = $rack === [] ? $named : [...$named, ...self::column($db, 'select photo from moulds where photo is not null')];
        } catch (PDOException $broken) {
            throw new BackupFailed(Phrase::of('bench.database_cannot_read', ['file' => $file, 'why' => $broken->getMessage()]));
        }
        if ($sound !== ['ok'] || $loose !== []) {
            throw new BackupFailed(Phrase::of('bench.database_damaged', ['file' => $file]));
        }
        foreach ($named as $photo) {
            // A picture that was lost before the backup was taken is no reason to have none.
            if (is_file(storage_path(self::PICTURES."/private/{$photo}")) && ! $isThere($photo)) {
                throw new BackupFailed(Phrase::of('bench.picture_missing_from', ['photo' => $photo, 'file' => $file]));
            }
        }
    }

    /** @return list<string> */
    private static function column(PDO $db, string $asked): array
    {
        $answer = $db->query($asked);

        return $answer === false
            ? []
            : array_map(
                static fn (mixed $value): string => is_scalar($value) ? (string) $value : '',
                array_values($answer->fetchAll(PDO::FETCH_COLUMN)),
            );
    }
}
