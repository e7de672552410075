<?php

declare(strict_types=1);

namespace App\Day;

use Apalos\Core\Cure\Milestone;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Phrasebook;
use Apalos\Core\Run\StepKind;
use Apalos\Core\Units\Minutes;
use App\Contacts\PatchClock;
use App\Lists\Rows;
use App\Log\RecordedRun;
use App\Models\Pour;
use App\Models\PourState;
use App\Room\CureClock;
use Carbon\CarbonImmutable;
use LogicException;

/**
 * Draws the day strip from what is live. What goes on until now has no end yet, and what is no longer shown after a while says
 * when: so a drawing holds until something happens ({@see FrameLook}).
 *
 * @phpstan-type Span array{from_ms: int, to_ms: int}
 * @phpstan-type DrawnStrip array{
 *     lozenges: list<array{
 *         until_ms: int,
 *         shown: array{
 *             id: string, href: string, job: string, title: string, state: string, hands: list<array{from_ms: int, to_ms: int|null}>,
 *             waits: list<Span>, windows: list<array{kind: string, from_ms: int, to_ms: int}>,
 *         },
 *     }>,
 *     calls: list<array{
 *         until_ms: int,
 *         shown: array{id: string, at_ms: int, what: string, event: string|null, event_ms: int|null, title: string, href: string},
 *     }>,
 *     startable: list<array{pour_id: int, title: string, demould_min: float}>,
 *     plans: list<array{
 *         id: string, href: string, job: string, title: string, name: string, from_ms: int, to_ms: int, moves: bool, live: bool,
 *         opens_ms: int|null, shuts_ms: int|null,
 *     }>
 * }
 */
final readonly class DrawStrip
{
    /** How long before the end of pot life hands are called. */
    private const LAST_CALL_MIN = 3;

    /** What was begun longer ago is no longer on the strip of a day. */
    private const SHOWN_D = 30;

    /** When hands are called for an operation of a build, in minutes before. */
    private const BEFORE_MIN = [10, 3, 0];

    /** How long before a recoat window shuts hands are called. */
    private const CLOSING_CALL_MIN = 10.0;

    private const STARTABLE = 12;

    private const MOST_PATCHES = 60;

    /** A series nobody touched for so long is no longer live today. */
    private const IDLE_H = 12;

    public function __construct(
        private CureClock $clock,
        private LiveWork $work,
        private DayLook $day,
        private PatchClock $patchClock,
        private Phrasebook $words,
    ) {}

    /** @return DrawnStrip */
    public function __invoke(): array
    {
        [$lozenges, $calls] = [[], []];
        foreach ($this->work->runs() as $run) {
            $pour = $run->pour;
            $begun = $pour->started_at ?? throw new LogicException('What is live has begun.');
            $windows = $this->windows($pour, $run);
            [$title, $until] = [$pour->title(), (int) $begun->addDays(self::SHOWN_D)->getTimestampMs()];
            $lozenges[] = ['until_ms' => $until, 'shown' => [
                'id' => "pour-{$pour->id}", 'href' => "/pours/{$pour->id}/run", 'job' => $pour->jobName(), 'title' => $title,
                'state' => $pour->state->value,
                'hands' => $this->hands($pour, $begun), 'waits' => $this->waits($run), 'windows' => $windows,
            ]];
            foreach ($this->calls($pour, $run, $windows) as [$at, $what]) {
                $calls[] = [
                    'until_ms' => $until,
                    'shown' => [
                        'id' => "pour-{$pour->id}", 'at_ms' => (int) $at->getTimestampMs(), 'what' => $what, 'event' => null,
                        'event_ms' => null, 'title' => $title, 'href' => "/pours/{$pour->id}/run",
                    ],
                ];
            }
        }
        foreach ($this->work->series() as $series) {
            [$id, $href, $title] = [
                "series-{$series->series->id}", "/swatches/series/{$series->series->id}", "Pucks · {$series->called()}",
            ];
            [$met, $fills, $until] = [
                $series->metAt(), $series->fillsUntil($this->clock), (int) $series->lastSeen()->addHours(self::IDLE_H)->getTimestampMs(),
            ];
            $lozenges[] = ['until_ms' => $until, 'shown' => [
                'id' => $id, 'href' => $href, 'job' => 'Pucks', 'title' => $title, 'state' => PourState::Running->value,
                'hands' => [self::untilNow($series->series->begun_at)], 'waits' => [],
                'windows' => $met === null || $fills === null ? [] : [['kind' => 'pot_life', ...self::span($met, $fills)]],
            ]];
            if ($fills !== null) {
                $calls[] = [
                    'until_ms' => $until,
                    'shown' => [
                        'id' => $id, 'at_ms' => (int) $fills->subMinutes(self::LAST_CALL_MIN)->getTimestampMs(),
                        'what' => $this->say('bench.three_minutes_left_fill'), 'event' => null, 'event_ms' => null, 'title' => $title,
                        'href' => $href,
                    ],
                ];
            }
        }
        foreach (Rows::of('test_patches')->whereNull('passed')->orderBy('due_at')->limit(self::MOST_PATCHES)->get([
            'id', 'put_on_at', 'base', 'fresh', 'surface',
        ]) as $patch) {
            $due = $this->patchClock->due(
                $patch->base === null ? null : (string) $patch->base, CarbonImmutable::parse((string) $patch->put_on_at, 'UTC'),
            );
            $calls[] = [
                'until_ms' => PHP_INT_MAX,
                'shown' => [
                    'id' => "patch-{$patch->id}", 'at_ms' => (int) $due->getTimestampMs(),
                    'what' => $this->say('bench.test_patch_ready_read'),
                    'event' => null, 'event_ms' => null, 'title' => "{$patch->fresh} on {$patch->surface}", 'href' => '/contacts',
                ],
            ];
        }
        $day = $this->day->at(CarbonImmutable::now());
        [$plans, $calls] = [$this->plans($day), [...$calls, ...$this->buildCalls($day)]];
        usort($calls, static fn (array $a, array $b): int => $a['shown']['at_ms'] <=> $b['shown']['at_ms']);

        return ['lozenges' => $lozenges, 'calls' => $calls, 'startable' => $this->startable(), 'plans' => $plans];
    }

    /** @return list<array{from_ms: int, to_ms: int|null}> */
    private function hands(Pour $pour, CarbonImmutable $begun): array
    {
        $spans = [$pour->poured_at === null ? self::untilNow($begun) : self::span($begun, $pour->poured_at)];
        if ($pour->opened_at !== null) {
            $spans[] = self::untilNow($pour->opened_at);
        }

        return $spans;
    }

    /** @return list<array{from_ms: int, to_ms: int}> */
    private function waits(RecordedRun $run): array
    {
        $pour = $run->pour;
        $open = $run->reaches($this->clock, Milestone::Demould);

        return $pour->poured_at === null || $open === null ? [] : [self::span($pour->poured_at, $pour->opened_at ?? $open->likely())];
    }

    /** @return list<array{kind: string, from_ms: int, to_ms: int}> */
    private function windows(Pour $pour, RecordedRun $run): array
    {
        $windows = [];
        $met = $run->at($run->state->cup()->metAt);
        if ($pour->state === PourState::Running && $met !== null && ($ends = $run->potLifeEnds($this->clock)) !== null) {
            $windows[] = ['kind' => 'pot_life', ...self::span($met, $ends)];
        }
        if ($pour->state === PourState::Waiting) {
            $brushed = $run->frozen->brushed;
            $opens = $brushed ? $run->reaches($this->clock, Milestone::RecoatOpen) : null;
            $closes = $brushed ? $run->reaches($this->clock, Milestone::RecoatClose) : null;
            if ($opens !== null && $closes !== null) {
                $windows[] = ['kind' => 'recoat', ...self::span($opens->likely(), $closes->likely())];
            }
            $open = $run->reaches($this->clock, Milestone::Demould);
            if ($open !== null) {
                $windows[] = ['kind' => 'demould', ...self::span($open->likely(), $open->high())];
            }
            $service = $run->reaches($this->clock, Milestone::Service);
            if ($service !== null) {
                $windows[] = ['kind' => 'service', ...self::span($service->likely(), $service->high())];
            }
        }

        return $windows;
    }

    /**
     * @param  list<array{kind: string, from_ms: int, to_ms: int}>  $windows
     * @return list<array{CarbonImmutable, string}> the moments at which somebody is needed
     */
    private function calls(Pour $pour, RecordedRun $run, array $windows): array
    {
        $calls = [];
        $step = $run->state->step;
        if ($step->kind === StepKind::Mix || $step->kind === StepKind::Degas) {
            $since = $run->at($run->state->since) ?? $run->facts[0]->at();
            $minutes = $step->kind === StepKind::Mix ? $run->plan->mixing->min : $run->plan->degassing->min;
            $calls[] = [
                $since->addMilliseconds(Minutes::ms($minutes)),
                $step->kind === StepKind::Mix ? $this->say('bench.mixing_time_up') : $this->say('bench.let_air_back'),
            ];
        }
        if ($step->kind === StepKind::Heat && $run->plan->heat !== null) {
            $readings = $run->state->heated[$step->batch] ?? [];
            $calls[] = [
                (
                    $run->at($readings === [] ? $run->state->since : $readings[count($readings) - 1]['at']) ?? $run->facts[0]->at()
                )->addMilliseconds(
                    (int) (1000.0 * $run->plan->heat->stepSeconds),
                ),
                $this->say('bench.stir_read_how_warm'),
            ];
        }
        foreach ($step->kind === StepKind::Contacts ? $run->plan->checklist : [] as $item) {
            $begun = $run->at($run->state->begunAt[$item['id']] ?? null);
            if ($begun !== null && in_array($item['id'], $run->state->unchecked(), true)) {
                $calls[] = [$begun->addMilliseconds(Minutes::ms($item['minutes'])), $this->say('bench.wait_over_look_contact')];
            }
        }
        if ($pour->state === PourState::Running && ($ends = $run->potLifeEnds($this->clock)) !== null) {
            $calls[] = [$ends->subMinutes(self::LAST_CALL_MIN), $this->say('bench.three_minutes_pot_life')];
        }
        if ($pour->state === PourState::Waiting) {
            $words = [
                'recoat' => $this->say('bench.ready_for_next_coat'), 'demould' => $this->say('bench.call_ready_to_open'),
                'service' => $this->say('bench.ready_for_hot_harsh'),
            ];
            foreach ($windows as $window) {
                $calls[] = [CarbonImmutable::createFromTimestampMs($window['from_ms']), $words[$window['kind']] ?? $window['kind']];
            }
        }

        return $calls;
    }

    /**
     * @return list<array{
     *     id: string, href: string, job: string, title: string, name: string, from_ms: int, to_ms: int, moves: bool, live: bool,
     *     opens_ms: int|null, shuts_ms: int|null,
     * }> what is planned, as outlines, and what of a build is under way
     */
    private function plans(PlannedDay $day): array
    {
        $plans = [];
        foreach ($day->work as $work) {
            $start = $day->starts($work);
            if ($start === null || $work->state === 'done' || ($work->state === 'live' && ! str_starts_with($work->operation->id, 'b'))) {
                continue;
            }
            $plans[] = [
                'id' => $work->operation->id, 'href' => $work->href, 'job' => explode(' · ', $work->title)[0], 'title' => $work->title,
                'name' => $work->name, 'from_ms' => $day->ms($start), 'to_ms' => $day->ms($start + $work->operation->minutes),
                'moves' => $work->moves, 'live' => $work->state === 'live',
                'opens_ms' => $work->opens === null ? null : $day->ms($work->opens),
                'shuts_ms' => $work->shuts === null ? null : $day->ms($work->shuts),
            ];
        }

        return $plans;
    }

    /**
     * @return list<array{
     *     until_ms: int,
     *     shown: array{id: string, at_ms: int, what: string, event: string|null, event_ms: int|null, title: string, href: string},
     * }> windows that open, and that are about to shut
     */
    private function buildCalls(PlannedDay $day): array
    {
        $calls = [];
        $now = DayDesk::minutes(CarbonImmutable::now(), $day->midnight);
        foreach ($day->work as $work) {
            if (! $work->moves || ! str_starts_with($work->operation->id, 'b')) {
                continue;
            }
            $call = static fn (float $at, string $what, string $event, float $then): array => [
                'until_ms' => PHP_INT_MAX,
                'shown' => [
                    'id' => $work->operation->id, 'at_ms' => $day->ms($at), 'what' => $what, 'event' => $event,
                    'event_ms' => $day->ms($then), 'title' => $work->title, 'href' => $work->href,
                ],
            ];
            $gloves = $work->gloves === '' ? '' : ' ('.mb_strtolower($work->gloves).')';
            // What could have been begun long ago calls nobody.
            if ($work->opens !== null && $work->opens > $now && ! $work->missed) {
                foreach (self::BEFORE_MIN as $minutes) {
                    $said = Phrase::of(match ($minutes) {
                        10 => 'bench.call_in_ten_minutes',
                        3 => 'bench.call_in_three_minutes',
                        default => 'bench.call_now',
                    }, ['work' => $work->name, 'gloves' => $gloves]);
                    $calls[] = $call($work->opens - $minutes, $this->words->say($said), "{$work->name}{$gloves}", $work->opens);
                }
            }
            if ($work->shuts !== null && ! $work->missed) {
                $calls[] = $call(
                    $work->shuts - self::CLOSING_CALL_MIN,
                    $this->say('bench.ten_minutes_until_window', ['work' => $work->name, 'gloves' => $gloves]),
                    $this->say('bench.call_window_shuts', ['work' => $work->name, 'gloves' => $gloves]), $work->shuts,
                );
            }
        }

        return $calls;
    }

    /**
     * @return list<array{pour_id: int, title: string, demould_min: float}> planned pours, and how long they would take until they can be
     *   opened
     */
    private function startable(): array
    {
        $startable = [];
        foreach (array_slice($this->work->planned(), 0, self::STARTABLE) as $pour) {
            $demould = $this->work->gist($pour)['demould_min'] ?? null;
            if ($demould !== null) {
                $startable[] = ['pour_id' => $pour->id, 'title' => $pour->title(), 'demould_min' => $demould];
            }
        }

        return $startable;
    }

    /** @return array{from_ms: int, to_ms: null} */
    private static function untilNow(CarbonImmutable $from): array
    {
        return ['from_ms' => (int) $from->getTimestampMs(), 'to_ms' => null];
    }

    /** @return array{from_ms: int, to_ms: int} */
    private static function span(CarbonImmutable $from, CarbonImmutable $to): array
    {
        return ['from_ms' => (int) $from->getTimestampMs(), 'to_ms' => (int) $to->getTimestampMs()];
    }

    /** @param  array<string, float|int|string>  $values */
    private function say(string $code, array $values = []): string
    {
        return $this->words->say(Phrase::of($code, $values));
    }
}
