<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Storage\Backup;
use App\Storage\BackupFailed;
use Carbon\CarbonImmutable;
use Illuminate\Console\Command;

/** Copies database and pictures while the bench runs, and looks whether the copy can be put back. */
final class TakeBackup extends Command
{
    protected $signature = 'backup:take {folder : where backups are kept} {--keep=14 : for so many days}';

    protected $description = 'Take a backup of database and pictures, checked by reading it back';

    public function handle(Backup $backup): int
    {
        $keep = filter_var($this->option('keep'), FILTER_VALIDATE_INT, ['options' => ['min_range' => 1, 'max_range' => 3650]]);
        if ($keep === false) {
            $this->error('--keep needs a number of days, from 1 to 3650.');

            return self::INVALID;
        }
        try {
            $file = $backup->take((string) $this->argument('folder'), CarbonImmutable::now());
            $gone = $backup->thin((string) $this->argument('folder'), $keep, CarbonImmutable::now());
        } catch (BackupFailed $failed) {
            $this->error($failed->getMessage());

            return self::FAILURE;
        }
        $this->line(sprintf('%s (%.1f MB), read back and whole.%s', $file, filesize($file) / 1e6, $gone === 0 ? '' : " {$gone} older ones are gone."));

        return self::SUCCESS;
    }
}
