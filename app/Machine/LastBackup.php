<?php

declare(strict_types=1);

namespace App\Machine;

use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Cache;

/** How the last backup went, and when one last went well: kept at hand, so that a night that failed is known in the morning. */
final readonly class LastBackup
{
    private const KEY = 'last-backup';

    private function __construct(public ?CarbonImmutable $well, public ?string $failed) {}

    public static function known(): self
    {
        $said = Cache::get(self::KEY);
        $well = is_array($said) && is_int($said['well_ms'] ?? null)
            ? CarbonImmutable::createFromTimestampMs($said['well_ms'], 'UTC')
            : null;

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
        Cache::forever(self::KEY, ['well_ms' => $well === null ? null : (int) $well, 'failed' => $failed]);
    }
}
