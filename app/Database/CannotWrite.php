<?php

declare(strict_types=1);

namespace App\Database;

use Apalos\Core\Phrase\Phrase;
use PDOException;

/** Why nothing can be written down just now, in words; reading goes on. */
final readonly class CannotWrite
{
    private const FULL = 'bench.bench_computer_cannot_write';

    private const READ_ONLY = 'bench.bench_computer_cannot_write_anything';

    private const BUSY = 'bench.bench_computer_busy_writing';

    /** Below this nothing is certain to be written any more. */
    private const LEAST_FREE_BYTES = 4_000_000;

    private const LONGEST_WORD = 300;

    public static function because(PDOException $failed): ?Phrase
    {
        // The driver's own word: what stands around it is as long as what was being written, and may say anything.
        $said = mb_strcut((string) ($failed->errorInfo[2] ?? ($failed->getPrevious() ?? $failed)->getMessage()), 0, self::LONGEST_WORD);

        return match (true) {
            preg_match('/database or disk is full|No space left|disk I\/O error|could not extend file/i', $said) === 1 => Phrase::of(self::FULL),
            preg_match('/readonly database|read-only transaction|unable to open database file/i', $said) === 1 => Phrase::of(self::READ_ONLY),
            preg_match('/database is locked|database table is locked/i', $said) === 1 => Phrase::of(self::BUSY),
            default => null,
        };
    }

    /** What every screen says before anybody tries; null while all is well. */
    public static function now(): ?Phrase
    {
        $file = config()->string('database.default') === 'sqlite'
            ? config()->string('database.connections.sqlite.database')
            : storage_path();
        if (! file_exists($file)) {
            return null;
        }
        $free = @disk_free_space(is_dir($file) ? $file : dirname($file));

        return match (true) {
            $free !== false && $free < self::LEAST_FREE_BYTES => Phrase::of(self::FULL),
            ! is_writable($file) => Phrase::of(self::READ_ONLY),
            default => null,
        };
    }
}
