<?php

declare(strict_types=1);

namespace App\Day;

use Apalos\Core\Day\DayRequest;
use Apalos\Core\Day\DayResult;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Units\Minutes;
use Carbon\CarbonImmutable;

/** What is to be done, when, and what of it has just moved. */
final readonly class PlannedDay
{
    /**
     * @param  list<DayWork>  $work
     * @param  DayRequest  $asked  what was planned: without the windows that cannot be met
     * @param  Phrase|null  $because  the window that cannot be met, and what would help
     * @param  list<array{id: string, title: string, name: string, from_min: float, to_min: float, told_ms: int}>  $moved
     */
    public function __construct(
        public CarbonImmutable $midnight,
        public array $work,
        public DayRequest $asked,
        public DayResult $result,
        public ?Phrase $because,
        public array $moved,
    ) {}

    public function ms(float $minutes): int
    {
        return (int) $this->midnight->getTimestampMs() + Minutes::ms($minutes);
    }

    public function starts(DayWork $work): ?float
    {
        return $work->operation->fixed ?? $this->result->starts[$work->operation->id] ?? null;
    }

    public function one(string $id): ?DayWork
    {
        foreach ($this->work as $work) {
            if ($work->operation->id === $id) {
                return $work;
            }
        }

        return null;
    }
}
