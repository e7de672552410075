<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Studies\ClearPutAway;
use Carbon\CarbonImmutable;
use Illuminate\Console\Command;

/** Clears models that were put away a month ago, with their studies and files. */
final class ClearModels extends Command
{
    protected $signature = 'models:clear';

    protected $description = 'Clear models that were put away a month ago';

    public function handle(ClearPutAway $clear): int
    {
        $this->info(sprintf('%d cleared.', $clear(CarbonImmutable::now())));

        return self::SUCCESS;
    }
}
