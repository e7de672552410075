<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Library\Library;
use App\Machine\LastBackup;
use App\Storage\Backup;
use App\Storage\BackupFailed;
use Carbon\CarbonImmutable;
use Illuminate\Console\Command;

/** Copies database and pictures while the bench runs, and looks whether the copy can be put back. */
final class TakeBackup extends Command
{
    protected $signature = 'backup:take {folder : where backups are kept} {--keep=14 : of so many days the last} {--before-migration : only where the database is about to be changed}';

    protected $description = 'Take a backup of database and pictures, checked by reading it back';

    public function handle(Backup $backup, Library $library): int
    {
        $keep = filter_var($this->option('keep'), FILTER_VALIDATE_INT, ['options' => ['min_range' => 1, 'max_range' => 3650]]);
        if ($keep === false) {
            $this->error('--keep needs a number of days, from 1 to 3650.');

            return self::INVALID;
        }
        if ($this->option('before-migration') === true && ! $this->isChanging()) {
            return self::SUCCESS;
        }
        try {
            $file = $backup->take((string) $this->argument('folder'), CarbonImmutable::now());
            $gone = $backup->thin((string) $this->argument('folder'), $keep);
            LastBackup::wentWell(CarbonImmutable::now());
        } catch (BackupFailed $failed) {
            LastBackup::failed($library->words()->say($failed->says));
            $this->error($library->words()->say($failed->says));

            return self::FAILURE;
        }
        $this->line(
            sprintf(
                '%s (%.1f MB), proved part by part.%s', $file, filesize($file) / 1e6, $gone === 0 ? '' : " {$gone} older ones are gone.",
            ),
        );

        return self::SUCCESS;
    }

    /** Whether there is something in the database, and a migration that has not run. */
    private function isChanging(): bool
    {
        $migrator = app('migrator');
        $ran = $migrator->repositoryExists() ? $migrator->getRepository()->getRan() : [];

        return $ran !== [] && array_diff(array_keys($migrator->getMigrationFiles([database_path('migrations')])), $ran) !== [];
    }
}
