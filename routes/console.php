<?php

declare(strict_types=1);

use App\Exchange\ClearHalfImports;
use App\Labels\PrintQueue;
use App\Machine\Upkeep;
use App\People\ShopAtHand;
use App\Storage\Files;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schedule;
use Illuminate\Support\Facades\Session;

// The record as it stands, in one seal, which goes into the backup after it.
Schedule::command('facts:anchor')->dailyAt('03:05')->withoutOverlapping()->onOneServer();
// A backup a night where bin/serve keeps the clock; of fourteen days the last stays.
Schedule::command('backup:take', [
    config()->string('apalos.backups') !== '' ? config()->string('apalos.backups') : dirname(storage_path()).'/backups', '--keep=14',
])
    ->dailyAt('03:10')
    ->when(static fn (): bool => config('database.default') === 'sqlite')
    ->withoutOverlapping();
// How the bench computer keeps: what every screen says of it is read off here.
Schedule::call(static fn () => Upkeep::at(CarbonImmutable::now())->look())->everyMinute()->name('upkeep')->onOneServer();
// Copies of pictures and models of a store elsewhere: each server keeps its own.
Schedule::call(static fn () => Files::tidy(CarbonImmutable::now()->getTimestamp()))->hourly()->name('copies');
// A file that was half taken in when its worker died.
Schedule::call(static fn () => ShopAtHand::inEach(static fn () => app(ClearHalfImports::class)(CarbonImmutable::now())))
    ->everyFiveMinutes()
    ->name('imports')
    ->onOneServer();
// Labels that wait for paper.
Schedule::call(static fn () => ShopAtHand::inEach(static fn () => app(PrintQueue::class)->isWaitedFor() && app(PrintQueue::class)->drain()))
    ->everyMinute()
    ->name('labels')
    ->onOneServer();
// Models put away a month ago.
Schedule::command('models:clear')->dailyAt('03:30')->withoutOverlapping()->onOneServer();
Schedule::command('queue:prune-failed', ['--hours=720'])->daily()->onOneServer();
// Sessions that ended, and presses that nobody sends again.
Schedule::call(static fn () => Session::getHandler()->gc(60 * config()->integer('session.lifetime')))->dailyAt('03:40')->name('sessions');
Schedule::call(
    static fn () => DB::table('presses')->where(
        'pressed_at', '<', CarbonImmutable::now('UTC')->subDays(3)->format('Y-m-d H:i:s.v'),
    )->delete(),
)
    ->dailyAt('03:50')
    ->name('presses')
    ->onOneServer();
