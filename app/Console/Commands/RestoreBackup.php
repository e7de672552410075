<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Library\Library;
use App\Storage\Backup;
use App\Storage\BackupFailed;
use Carbon\CarbonImmutable;
use Illuminate\Console\Command;

/** Puts a backup back in the place of what is here; what was here is kept beside it. */
final class RestoreBackup extends Command
{
    protected $signature = 'backup:restore {file : a backup that was taken before} {--unproved : put back one of before backups carried sums}';

    protected $description = 'Put a backup back; what was here is kept beside it';

    public function handle(Backup $backup, Library $library): int
    {
        try {
            $aside = $backup->restore((string) $this->argument('file'), CarbonImmutable::now(), $this->option('unproved') === true);
        } catch (BackupFailed $failed) {
            $this->error($library->words()->say($failed->says));

            return self::FAILURE;
        }
        $this->line('It is back. '.($aside === null ? 'There was nothing here before.' : "What was here before is kept in {$aside}."));

        return self::SUCCESS;
    }
}
