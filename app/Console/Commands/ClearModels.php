<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\People\ShopAtHand;
use App\Studies\ClearPutAway;
use Carbon\CarbonImmutable;
use Illuminate\Console\Command;

/** Clears models that were put away a month ago, with their studies and files. */
final class ClearModels extends Command
{
    protected $signature = 'models:clear';

    protected $description = 'Clear models that were put away a month ago';

    public function handle(): int
    {
        $cleared = 0;
        ShopAtHand::inEach(static function () use (&$cleared): void {
            $cleared += app(ClearPutAway::class)(CarbonImmutable::now());
        });
        $this->info("{$cleared} cleared.");

        return self::SUCCESS;
    }
}
