<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Apalos\Core\Phrase\Phrasebook;
use App\Facts\Seals;
use App\Models\Workshop;
use Illuminate\Console\Command;

/** Looks the whole record through, fact by fact, and says whether it is as it was told. */
final class VerifyFacts extends Command
{
    protected $signature = 'facts:verify';

    protected $description = 'Say whether every fact is as it was told, or the first that is not: changed, missing, moved, slipped in';

    public function handle(Seals $seals, Phrasebook $words): int
    {
        $isWhole = true;
        foreach (Workshop::query()->orderBy('id')->get() as $shop) {
            $report = $seals->verify($shop->id);
            foreach ($report->says as $says) {
                $this->line("{$shop->name}: {$words->say($says)}");
            }
            $isWhole = $isWhole && $report->isWhole;
        }

        return $isWhole ? self::SUCCESS : self::FAILURE;
    }
}
