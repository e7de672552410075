<?php

declare(strict_types=1);

namespace App\Exchange;

use Apalos\Core\Cure\ReadyResult;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Phrasebook;
use App\Day\PlannedDay;
use App\Models\Pour;
use App\Models\Workshop;
use Carbon\CarbonImmutable;
use Sabre\VObject\Component\VCalendar;

/**
 * The plan as iCalendar (RFC 5545): every operation that still needs hands, with its window and a call ten minutes before; and when what
 * cures is ready.
 */
final readonly class DayCalendar
{
    private const CALL_MIN = 10;

    public function __construct(private Workshop $workshop, private Phrasebook $words) {}

    /** @param  list<array{pour: Pour, ready: ReadyResult}>  $curing  what is on its way to being ready */
    public function of(PlannedDay $day, array $curing = []): string
    {
        $calendar = new VCalendar([
            'PRODID' => '-//Apalos//Day//EN', 'X-WR-CALNAME' => $this->workshop->name, 'REFRESH-INTERVAL;VALUE=DURATION' => 'PT15M',
            'X-PUBLISHED-TTL' => 'PT15M', 'METHOD' => 'PUBLISH',
        ]);
        foreach ($day->work as $work) {
            $start = $day->starts($work);
            if ($start === null || $work->state === 'done' || $work->operation->minutes <= 0.0) {
                continue;
            }
            $utc = static fn (float $minutes): \DateTimeImmutable => (
                new \DateTimeImmutable('@'.intdiv($day->ms($minutes), 1000))
            )->setTimezone(
                new \DateTimeZone('UTC'),
            );
            $event = $calendar->createComponent('VEVENT', [
                'UID' => "{$work->operation->id}@apalos.{$this->workshop->id}", 'SUMMARY' => "{$work->name} · {$work->title}",
                'DTSTAMP' => new \DateTimeImmutable('now', new \DateTimeZone('UTC')),
                'DTSTART' => $utc($start), 'DTEND' => $utc($start + $work->operation->minutes),
                'STATUS' => $work->state === 'live' ? 'CONFIRMED' : 'TENTATIVE',
                'DESCRIPTION' => $work->shuts === null
                    ? ''
                    : $this->words->say(Phrase::of('bench.window_shuts_at', [
                        'at' => $this->workshop->said(
                            CarbonImmutable::createFromTimestampMs($day->ms($work->shuts), 'UTC'), $day->midnight,
                        ),
                    ])),
                'URL' => url($work->href),
            ]);
            if ($work->state === 'planned') {
                $event->add($calendar->createComponent('VALARM', [
                    'TRIGGER' => '-PT'.self::CALL_MIN.'M', 'ACTION' => 'DISPLAY', 'DESCRIPTION' => $work->name,
                ]));
            }
            $calendar->add($event);
        }

        foreach ($curing as $one) {
            $this->ready($calendar, $one['pour'], $one['ready']);
        }

        return $calendar->serialize();
    }

    /**
     * A moment at which something can be used, beside the day it is wanted by.
     */
    private function ready(VCalendar $calendar, Pour $pour, ReadyResult $ready): void
    {
        $at = (new \DateTimeImmutable('@'.intdiv((int) $ready->readyMs, 1000)))->setTimezone(new \DateTimeZone('UTC'));
        $calendar->add('VEVENT', [
            'UID' => "ready-{$pour->id}@apalos.{$this->workshop->id}",
            'SUMMARY' => $this->words->say(Phrase::of($ready->isFull ? 'bench.fully_cured' : 'bench.ready_for_service', [
                'title' => "{$pour->impression->job->name} · {$pour->impression->name}",
            ])),
            'DTSTAMP' => new \DateTimeImmutable('now', new \DateTimeZone('UTC')), 'DTSTART' => $at, 'DTEND' => $at,
            'TRANSP' => 'TRANSPARENT',
            'DESCRIPTION' => $ready->wantedOn === null
                ? ''
                : $this->words->say(Phrase::of($ready->lateDays() > 0 ? 'bench.wanted_late' : 'bench.wanted', [
                    'day' => $ready->wantedOn, 'late' => $ready->lateDays(),
                ])),
            'URL' => url("/pours/{$pour->id}/run"),
        ]);
    }
}
