<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Facts\ChainReport;
use App\Facts\Seals;
use App\Models\Workshop;
use Carbon\CarbonImmutable;
use Illuminate\Console\Command;

/** Seals what stands in every shop's record into one figure, each night before the backup. */
final class AnchorFacts extends Command
{
    protected $signature = 'facts:anchor';

    protected $description = 'Seal the record of each shop as it stands into an anchor';

    public function handle(Seals $seals): int
    {
        foreach (Workshop::query()->orderBy('id')->get() as $shop) {
            $anchor = $seals->anchor($shop->id, CarbonImmutable::now());
            $this->line(
                $anchor === null
                    ? "{$shop->name}: nothing was told since the last."
                    : "{$shop->name}: {$anchor->facts} facts, ".ChainReport::inShort($anchor->seal).'.',
            );
        }

        return self::SUCCESS;
    }
}
