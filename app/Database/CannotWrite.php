<?php

declare(strict_types=1);

namespace App\Database;

use PDOException;

/** Why nothing can be written down just now, in words; reading goes on. */
final readonly class CannotWrite
{
    private const FULL = 'The bench computer cannot write anything down: its disk is full. What is here can be read. Make room on it; what you confirm meanwhile is kept on this device and arrives by itself.';

    private const READ_ONLY = 'The bench computer cannot write anything down: its database may only be read. What is here can be read. Let it be written again; what you confirm meanwhile is kept on this device and arrives by itself.';

    private const BUSY = 'The bench computer is busy writing. What you confirm is kept on this device and arrives by itself; try again in a moment.';

    /** Below this nothing is certain to be written any more. */
    private const LEAST_FREE_BYTES = 4_000_000;

    private const LONGEST_WORD = 300;

    public static function because(PDOException $failed): ?string
    {
        // The driver's own word: what stands around it is as long as what was being written, and may say anything.
        $said = mb_strcut((string) ($failed->errorInfo[2] ?? ($failed->getPrevious() ?? $failed)->getMessage()), 0, self::LONGEST_WORD);

        return match (true) {
            preg_match('/database or disk is full|No space left|disk I\/O error|could not extend file/i', $said) === 1 => self::FULL,
            preg_match('/readonly database|read-only transaction|unable to open database file/i', $said) === 1 => self::READ_ONLY,
            preg_match('/database is locked|database table is locked/i', $said) === 1 => self::BUSY,
            default => null,
        };
    }

    /** What every screen says before anybody tries; null while all is well. */
    public static function now(): ?string
    {
        $file = config()->string('database.default') === 'sqlite'
            ? config()->string('database.connections.sqlite.database')
            : storage_path();
        if (! file_exists($file)) {
            return null;
        }
        $free = @disk_free_space(is_dir($file) ? $file : dirname($file));

        return match (true) {
            $free !== false && $free < self::LEAST_FREE_BYTES => self::FULL,
            ! is_writable($file) => self::READ_ONLY,
            default => null,
        };
    }
}
