<?php

declare(strict_types=1);

namespace App\Practice;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Units\Minutes;
use App\Models\PracticeTry;
use Carbon\CarbonImmutable;

/** How the time of a practice runs: as it does, ten or sixty times as fast; and waits are jumped. */
final readonly class PracticeTime
{
    public const RATES = [1, 10, 60];

    /** @throws BadInput for another pace */
    public function runs(PracticeTry $try, int $rate, CarbonImmutable $real): void
    {
        in_array($rate, self::RATES, true) || throw BadInput::at('rate', Phrase::of('bench.practice_rates'));
        $try->update(['sim_at' => $try->clock($real), 'real_at' => $real, 'rate' => $rate]);
        CarbonImmutable::setTestNow($try->clock($real));
    }

    /** Somebody looks: from here on it runs. What is weighed is weighed at the pace of a hand. */
    public function looked(PracticeTry $try, bool $weighs, CarbonImmutable $real): void
    {
        $try->update(['sim_at' => $try->clock($real), 'real_at' => $real, ...($weighs ? ['rate' => 1] : [])]);
    }

    public function jumps(PracticeTry $try, float $minutes, CarbonImmutable $real): void
    {
        if ($minutes > 0.0) {
            $try->update(['sim_at' => $try->clock($real)->addMilliseconds(Minutes::ms($minutes)), 'real_at' => $real]);
            CarbonImmutable::setTestNow($try->clock($real));
        }
    }
}
