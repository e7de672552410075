<?php

declare(strict_types=1);

use Illuminate\Support\Facades\Schedule;

// A backup a night where bin/serve keeps the clock; what is older than a fortnight goes.
Schedule::command('backup:take', [config()->string('apalos.backups') !== '' ? config()->string('apalos.backups') : dirname(storage_path()).'/backups', '--keep=14'])->dailyAt('03:10')->when(static fn (): bool => config('database.default') === 'sqlite')->withoutOverlapping();
// Models put away a month ago.
Schedule::command('models:clear')->dailyAt('03:30')->withoutOverlapping();
Schedule::command('queue:prune-failed', ['--hours=720'])->daily();
