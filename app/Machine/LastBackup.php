<?php

declare(strict_types=1);

namespace App\Machine;

use Carbon\CarbonImmutable;

/** How the last backup went, and when one last went well: kept beside the cache, so that a night that failed is known in the morning. */
final readonly class LastBackup
{
    private function __construct(public ?CarbonImmutable $well, public ?string $failed) {}

    public static function known(): self
    {
        $said = is_file(self::path()) ? json_decode((string) file_get_contents(self::path()), true) : null;
        $well = is_array($said) && is_int($said['well_ms'] ?? null) ? CarbonImmutable::createFromTimestampMs($said['well_ms'], 'UTC') : null;

        return new self($well, is_array($said) && is_string($said['failed'] ?? null) ? $said['failed'] : null);
    }

    public static function wentWell(CarbonImmutable $now): void
    {
        self::note((int) $now->getTimestampMs(), null);
    }

    public static function failed(string $why): void
    {
        self::note(self::known()->well?->getTimestampMs(), mb_strcut($why, 0, 400));
    }

    private static function note(int|float|null $well, ?string $failed): void
    {
        // On a full disk it is not known either.
        @file_put_contents(self::path(), json_encode(['well_ms' => $well === null ? null : (int) $well, 'failed' => $failed]), LOCK_EX);
    }

    private static function path(): string
    {
        return storage_path('framework/last-backup.json');
    }
}
