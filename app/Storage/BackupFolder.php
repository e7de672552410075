<?php

declare(strict_types=1);

namespace App\Storage;

use Apalos\Core\Phrase\Phrase;
use Carbon\CarbonImmutable;
use Illuminate\Filesystem\Filesystem;

/**
 * Where backups lie: numbered in the order in which they were taken, one writer at a time, with what is large and never changes (models,
 * the pictures of their studies) kept once beside them under its own sum. What may go is decided by number and count: no clock, however
 * wrong, takes a backup away.
 *
 * @phpstan-import-type Part from BackupFile
 */
final class BackupFolder
{
    /** By number; one of before they had numbers counts as older than all. */
    private const NAMED = '/^apalos-(?:(\d{6})-)?(\d{4}-\d\d-\d\d)-\d{6}\.zip$/';

    private const KEPT = 'kept';

    /** The last so many stay, of whatever day. */
    private const LAST = 3;

    private const LEAST_FREE_BYTES = 64 * 1024 * 1024;

    /** @var resource|null */
    private $lock = null;

    public function __construct(private readonly Filesystem $files, public readonly string $path) {}

    /**
     * Takes the lock, and clears what one that was killed has left.
     *
     * @throws BackupFailed where another is being taken
     */
    public function open(): void
    {
        if (! is_dir($this->path) && ! @mkdir($this->path, 0700, true)) {
            throw new BackupFailed(Phrase::of('bench.nothing_can_written_choose', ['path' => $this->path]));
        }
        $lock = @fopen("{$this->path}/.turn", 'c') ?: throw new BackupFailed(
            Phrase::of('bench.nothing_can_written_choose', ['path' => $this->path]),
        );
        if (! flock($lock, LOCK_EX | LOCK_NB)) {
            throw new BackupFailed(Phrase::of('bench.another_backup_being_taken'));
        }
        $this->lock = $lock;
        foreach ([
            ...(glob("{$this->path}/.taking-*") ?: []), ...(glob("{$this->path}/*.part") ?: []),
            ...(glob("{$this->path}/".self::KEPT.'/*/*.part') ?: []),
        ] as $left) {
            is_dir($left) ? $this->files->deleteDirectory($left) : $this->files->delete($left);
        }
    }

    public function close(): void
    {
        $this->lock === null || fclose($this->lock);
        $this->lock = null;
    }

    /** @throws BackupFailed where it would not fit */
    public function roomFor(int $bytes): void
    {
        $free = @disk_free_space($this->path);
        if ($free !== false && $free < $bytes + self::LEAST_FREE_BYTES) {
            throw new BackupFailed(
                Phrase::of('bench.room_for_mb_backup', [
                    'free' => (int) round(max(0.0, $free - self::LEAST_FREE_BYTES) / 1e6), 'path' => $this->path,
                    'most' => (int) round($bytes / 1e6),
                ]),
            );
        }
    }

    public function next(CarbonImmutable $now): string
    {
        return sprintf('%s/apalos-%06d-%s.zip', $this->path, $this->number() + 1, $now->format('Y-m-d-His'));
    }

    /** Of the last one. */
    public function number(): int
    {
        return array_reduce(
            $this->all(),
            static fn (int $most, string $name): int => preg_match(self::NAMED, $name, $on) === 1 ? max($most, (int) $on[1]) : $most, 0,
        );
    }

    /** @return list<string> names, the newest last */
    public function all(): array
    {
        $all = [];
        foreach (is_dir($this->path) ? $this->files->files($this->path) : [] as $file) {
            if (preg_match(self::NAMED, $file->getFilename(), $on) === 1) {
                $all[$file->getFilename()] = [(int) $on[1], $file->getFilename()];
            }
        }
        asort($all);

        return array_keys($all);
    }

    /**
     * Lets go of the oldest: the last few stay, and of so many days the last of each. Days are counted as they follow each other, not by
     * the calendar: one taken in a wrong year is one more day.
     *
     * @return int how many are gone
     */
    public function thin(int $days): int
    {
        $gone = 0;
        $seen = [];
        foreach (array_reverse($this->all()) as $i => $name) {
            $day = preg_match(self::NAMED, $name, $on) === 1 ? $on[2] : '';
            $isLastOfDay = ! isset($seen[$day]) && count($seen) < $days;
            $seen += $isLastOfDay ? [$day => true] : [];
            if ($i >= self::LAST && ! $isLastOfDay) {
                $gone += (int) $this->files->delete("{$this->path}/{$name}");
            }
        }
        $gone === 0 || $this->clearKept();

        return $gone;
    }

    /** Keeps a file under its own sum, once. */
    public function keep(string $from, string $sum): void
    {
        $there = $this->kept($sum);
        if (is_file($there) && filesize($there) === filesize($from)) {
            return;
        }
        is_dir(dirname($there)) || mkdir(dirname($there), 0700, true);
        if (! copy($from, "{$there}.part") || hash_file('sha256', "{$there}.part") !== $sum || ! rename("{$there}.part", $there)) {
            throw new BackupFailed(Phrase::of('bench.nothing_more_could_written', ['path' => $this->path]));
        }
        chmod($there, 0600);
    }

    public function kept(string $sum): string
    {
        return sprintf('%s/%s/%s/%s', $this->path, self::KEPT, substr($sum, 0, 2), $sum);
    }

    /**
     * @param  list<Part>  $parts
     *
     * @throws BackupFailed for what is missing or not as it was
     */
    public function prove(array $parts): void
    {
        foreach ($parts as $part) {
            $file = $this->kept($part['sha256']);
            if (preg_match('/^[0-9a-f]{64}$/', $part['sha256']) !== 1 || ! is_file($file)) {
                throw new BackupFailed(
                    Phrase::of('bench.not_put_folder_back', ['file' => $part['file'], 'folder' => "{$this->path}/".self::KEPT]),
                );
            }
            if (hash_file('sha256', $file) !== $part['sha256']) {
                throw new BackupFailed(
                    Phrase::of('bench.part_is_damaged', ['file' => $part['file'], 'folder' => "{$this->path}/".self::KEPT]),
                );
            }
        }
    }

    /** What no backup names any more; where one of them cannot be read, all of it stays. */
    private function clearKept(): void
    {
        $named = [];
        try {
            foreach ($this->all() as $name) {
                $named += array_flip(array_column((new BackupFile("{$this->path}/{$name}"))->beside(), 'sha256'));
            }
        } catch (BackupFailed) {
            return;
        }
        foreach (glob("{$this->path}/".self::KEPT.'/*/*') ?: [] as $file) {
            isset($named[basename($file)]) || $this->files->delete($file);
        }
    }
}
