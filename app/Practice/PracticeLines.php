<?php

declare(strict_types=1);

namespace App\Practice;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Practice\PracticeBench;
use Apalos\Core\Practice\Situation;
use Apalos\Core\Practice\TrueClock;
use App\Devices\DeviceLost;
use App\Devices\SpokenLines;
use App\Models\PracticeTry;
use Carbon\CarbonImmutable;

/** The scale, the thermometer and the pot of a practice. */
final readonly class PracticeLines implements SpokenLines
{
    /** @param  float  $seconds  of the hand */
    public function __construct(private PracticeTry $try, private float $seconds) {}

    public function ask(string $line, string $device, int $longest = 128): string
    {
        $now = CarbonImmutable::now();
        if ($device === 'thermometer') {
            return sprintf('T,%+.1f,C', TrueClock::celsius($this->try->told(), $this->try->minute($now)));
        }
        $answer = app(PracticeDesk::class)->at($this->try, $this->seconds, $now, fn (
            PracticeBench $bench, Situation $at,
        ): ?string => match ($device) {
            'scale' => $bench->scale($line, $this->seconds, $at),
            'probe' => $bench->pot($line, $at),
            default => null,
        });

        return $answer ?? throw new DeviceLost(Phrase::of('bench.gone_quiet', ['device' => $device]));
    }
}
