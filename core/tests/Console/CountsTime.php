<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Console;

/** Processor time, and how slow the machine is that a budget is held on. */
trait CountsTime
{
    /** How many times slower this machine counts just now than the one the budget is meant for: 7 ns a turn. Never under one. */
    private static function slowness(): float
    {
        $least = INF;
        for ($try = 0; $try < 3; $try++) {
            $before = self::processor();
            for ($i = 0; $i < 2_000_000; $i++) {
            }
            $least = min($least, self::processor() - $before);
        }

        return min(2.5, max(1.0, $least / 0.014));
    }

    private static function processor(): float
    {
        $used = getrusage();
        self::assertIsArray($used);

        return $used['ru_utime.tv_sec'] + $used['ru_stime.tv_sec'] + ($used['ru_utime.tv_usec'] + $used['ru_stime.tv_usec']) / 1e6;
    }
}
