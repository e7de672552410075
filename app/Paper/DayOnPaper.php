<?php

declare(strict_types=1);

namespace App\Paper;

use App\Day\DayDesk;
use App\Day\DayLook;
use App\Day\DayView;
use App\Models\Workshop;
use Carbon\CarbonImmutable;

/** The day on the wall: what, when, until when, and room for a tick. */
final readonly class DayOnPaper
{
    public function __construct(private DayLook $kept, private DayDesk $desk, private Workshop $shop) {}

    public function of(CarbonImmutable $now): Paper
    {
        $day = (new DayView($this->kept->at($now), $this->desk, $this->shop, $now))->toArray();
        $items = array_values(
            array_filter($day['items'], static fn (array $item): bool => $item['state'] !== 'done' && $item['from_ms'] < $day['to_ms']),
        );
        usort($items, static fn (array $one, array $other): int => $one['from_ms'] <=> $other['from_ms']);

        return new Paper(
            'day-sheet', $now->setTimezone($this->shop->zone())->format('l j F Y'),
            'day-'.$now->setTimezone($this->shop->zone())->format('Y-m-d'), '/day',
            [
                'items' => $items, 'because' => $day['because'], 'late' => $day['late'], 'anchor' => $day['anchor'],
                'now_ms' => (int) $now->getTimestampMs(),
            ],
        );
    }
}
