<?php

declare(strict_types=1);

namespace App\Machine;

use Apalos\Core\Phrase\Phrase;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Queue;

/**
 * How the bench computer keeps: free disk, last good backup, how long work waits for its worker, whether its clock went back. Looked at
 * once a minute by the clock of daily work and written down, so that a page only reads it.
 *
 * @phpstan-type Looked array{at_ms: int, waits_s: int, back_ms: int|null, noticed_ms: int|null}
 */
final readonly class Upkeep
{
    private const KEY = 'upkeep';

    /** Under so much it is time to make room. */
    private const LEAST_FREE_BYTES = 500_000_000;

    /** Work that waits longer has nobody to do it; a clock of daily work that says nothing for so long has stopped. In seconds. */
    private const LONGEST_WAIT_S = 900;

    /** Two nights without a backup. */
    private const OLDEST_BACKUP_H = 50;

    /** A clock that was set back by less was put right, in seconds. */
    private const SET_RIGHT_S = 90;

    /** For so long that is said: whoever set it knows by then. */
    private const TOLD_S = 6 * 3600;

    /** @param  bool  $isWatched  whether somebody looks once a minute, and takes a backup at night */
    public function __construct(private CarbonImmutable $now, private bool $isWatched) {}

    public static function at(CarbonImmutable $now): self
    {
        return new self($now, config('apalos.watched') === true);
    }

    /** Looks, and writes it down. */
    public function look(): void
    {
        $before = $this->looked();
        $ms = (int) $this->now->getTimestampMs();
        [$back, $noticed] = [$before['back_ms'] ?? null, $before['noticed_ms'] ?? null];
        if ($before !== null && $ms < $before['at_ms'] - 1000 * self::SET_RIGHT_S) {
            [$back, $noticed] = [max($before['at_ms'], $back ?? 0), $ms];
        } elseif ($back !== null && ($ms >= $back || $ms > ($noticed ?? 0) + 1000 * self::TOLD_S)) {
            [$back, $noticed] = [null, null];
        }
        // On a full disk nothing is written down, and the disk is what is said.
        Cache::forever(self::KEY, ['at_ms' => $ms, 'waits_s' => $this->waits(), 'back_ms' => $back, 'noticed_ms' => $noticed]);
    }

    /** What stands on every screen; null while all is well. Asks the disk and what is kept at hand, and no database. */
    public function trouble(): ?Phrase
    {
        $looked = $this->looked();
        $backup = LastBackup::known();
        $free = self::free();

        return match (true) {
            $free !== null
                && $free < self::LEAST_FREE_BYTES => Phrase::of('bench.disk_bench_computer_nearly', ['mb' => (int) ($free / 1e6)]),
            $backup->failed !== null => Phrase::of('bench.last_backup_could_not', ['why' => $backup->failed]),
            isset($looked['back_ms']) => Phrase::of('bench.clock_bench_computer_went', [
                'before' => self::said($looked['back_ms']), 'now' => self::said((int) $this->now->getTimestampMs()),
            ]),
            ! $this->isWatched => null,
            $looked !== null
                && $looked['at_ms'] < $this->now->getTimestampMs()
                    - 1000
                        * self::LONGEST_WAIT_S => Phrase::of('bench.clock_daily_work_stopped'),
            $looked !== null
                && $looked['waits_s'] > self::LONGEST_WAIT_S => Phrase::of('bench.what_worked_out_beside', [
                    'minutes' => intdiv($looked['waits_s'], 60),
                ]),
            $backup->well !== null
                && $backup->well < $this->now->subHours(self::OLDEST_BACKUP_H) => Phrase::of('bench.last_good_backup_days', [
                    'days' => (int) $backup->well->diffInDays($this->now),
                ]),
            default => null,
        };
    }

    /** @return list<string> for whoever watches from elsewhere, a line each */
    public function lines(): array
    {
        $looked = $this->looked();
        $backup = LastBackup::known();
        $free = self::free();

        return [
            'clock: '.(
                $looked === null
                ? 'nobody looks'
                : (
                    isset($looked['back_ms'])
                    ? 'went back from '.self::said($looked['back_ms']).' UTC'
                    : 'steady, looked at '.self::said($looked['at_ms']).' UTC'
                )
            ),
            "queue: the oldest waits {$this->waits()} s",
            'backup: '.(
                $backup->well === null ? 'none yet' : $backup->well->format('Y-m-d H:i').' UTC'
            ).($backup->failed === null ? '' : ', failed since'),
            'disk: '.($free === null ? 'unknown' : sprintf('%d MB free', (int) ($free / 1e6))),
        ];
    }

    /** Seconds the oldest piece of work has waited for a worker. */
    private function waits(): int
    {
        $oldest = array_filter(
            array_map(
                static fn (string $queue): mixed => Queue::connection()->creationTimeOfOldestPendingJob($queue), ['default', 'at-once'],
            ),
            is_numeric(...),
        );

        return $oldest === [] ? 0 : max(0, (int) $this->now->getTimestamp() - (int) min($oldest));
    }

    private static function free(): ?float
    {
        $free = @disk_free_space(storage_path());

        return $free === false ? null : $free;
    }

    /** @return Looked|null */
    private function looked(): ?array
    {
        $said = Cache::get(self::KEY);
        $number = static fn (mixed $value): ?int => is_int($value) ? $value : null;

        return is_array($said) && is_int($said['at_ms'] ?? null)
            ? [
                'at_ms' => $said['at_ms'], 'waits_s' => $number($said['waits_s'] ?? null) ?? 0,
                'back_ms' => $number($said['back_ms'] ?? null), 'noticed_ms' => $number($said['noticed_ms'] ?? null),
            ]
            : null;
    }

    private static function said(int $ms): string
    {
        return CarbonImmutable::createFromTimestampMs($ms, 'UTC')->format('Y-m-d H:i');
    }
}
