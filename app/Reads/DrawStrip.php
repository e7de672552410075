<?php

declare(strict_types=1);

namespace App\Reads;

use Apalos\Core\Cure\Milestone;
use Apalos\Core\Run\StepKind;
use App\Models\Pour;
use App\Models\PourState;
use App\Models\Workshop;
use App\Workshop\CureClock;
use App\Workshop\LiveWork;
use App\Workshop\RecordedRun;
use Carbon\CarbonImmutable;

/** Draws the day strip from what is live now. */
final readonly class DrawStrip
{
    /** How long before the end of pot life hands are called. */
    private const LAST_CALL_MIN = 3;

    /** What was begun longer ago is no longer on the strip of a day. */
    private const SHOWN_D = 30;

    private const STARTABLE = 12;

    /** A series nobody touched for so long is no longer live today. */
    private const IDLE_H = 12;

    public function __construct(private CureClock $clock, private LiveWork $work, private Workshop $workshop) {}

    public function __invoke(CarbonImmutable $now): StripView
    {
        $lozenges = [];
        $calls = [];
        foreach ($this->work->runs() as $run) {
            $pour = $run->pour;
            if ($pour->started_at?->lt($now->subDays(self::SHOWN_D)) === true) {
                continue;
            }
            $windows = $this->windows($pour, $run);
            $title = $pour->title();
            $lozenges[] = [
                'id' => "pour-{$pour->id}", 'href' => "/pours/{$pour->id}/run", 'job' => $pour->jobName(), 'title' => $title, 'state' => $pour->state->value,
                'hands' => $this->hands($pour, $run, $now), 'waits' => $this->waits($run), 'windows' => $windows,
            ];
            foreach ($this->calls($pour, $run, $windows) as [$at, $what]) {
                $calls[] = ['id' => "pour-{$pour->id}", 'at_ms' => (int) $at->getTimestampMs(), 'what' => $what, 'title' => $title, 'href' => "/pours/{$pour->id}/run"];
            }
        }
        foreach ($this->work->series() as $series) {
            if ($series->lastSeen()->lt($now->subHours(self::IDLE_H))) {
                continue;
            }
            [$id, $href, $title] = ["series-{$series->series->id}", "/swatches/series/{$series->series->id}", "Pucks · {$series->called()}"];
            [$met, $until] = [$series->metAt(), $series->fillsUntil($this->clock)];
            $lozenges[] = [
                'id' => $id, 'href' => $href, 'job' => 'Pucks', 'title' => $title, 'state' => PourState::Running->value, 'hands' => [self::span($series->series->begun_at, $now)], 'waits' => [],
                'windows' => $met === null || $until === null ? [] : [['kind' => 'pot_life', ...self::span($met, $until)]],
            ];
            if ($until !== null) {
                $calls[] = ['id' => $id, 'at_ms' => (int) $until->subMinutes(self::LAST_CALL_MIN)->getTimestampMs(), 'what' => 'Three minutes left to fill the last puck', 'title' => $title, 'href' => $href];
            }
        }
        foreach ($this->workshop->testPatches()->whereNull('passed')->get() as $patch) {
            $calls[] = ['id' => "patch-{$patch->id}", 'at_ms' => (int) $patch->due_at->getTimestampMs(), 'what' => 'The test patch is ready to read', 'title' => "{$patch->fresh} on {$patch->surface}", 'href' => '/contacts'];
        }
        usort($calls, static fn (array $a, array $b): int => $a['at_ms'] <=> $b['at_ms']);

        return new StripView($lozenges, $calls, $this->startable($now), (int) $now->getTimestampMs());
    }

    /** @return list<array{from_ms: int, to_ms: int}> */
    private function hands(Pour $pour, RecordedRun $run, CarbonImmutable $now): array
    {
        $spans = [self::span($pour->started_at ?? $now, $pour->poured_at ?? $now)];
        if ($pour->opened_at !== null) {
            $spans[] = self::span($pour->opened_at, $now);
        }

        return $spans;
    }

    /** @return list<array{from_ms: int, to_ms: int}> */
    private function waits(RecordedRun $run): array
    {
        $pour = $run->pour;
        $open = $run->reaches($this->clock, Milestone::Demould);

        return $pour->poured_at === null || $open === null ? [] : [self::span($pour->poured_at, $pour->opened_at ?? $open['likely'])];
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
                $windows[] = ['kind' => 'recoat', ...self::span($opens['likely'], $closes['likely'])];
            }
            $open = $run->reaches($this->clock, Milestone::Demould);
            if ($open !== null) {
                $windows[] = ['kind' => 'demould', ...self::span($open['likely'], $open['high'])];
            }
            $service = $run->reaches($this->clock, Milestone::Service);
            if ($service !== null) {
                $windows[] = ['kind' => 'service', ...self::span($service['likely'], $service['high'])];
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
            $calls[] = [$since->addMilliseconds((int) ($minutes * 60_000)), $step->kind === StepKind::Mix ? 'Mixing time is up' : 'Let the air back in'];
        }
        foreach ($step->kind === StepKind::Contacts ? $run->plan->checklist : [] as $item) {
            $begun = $run->at($run->state->begunAt[$item['id']] ?? null);
            if ($begun !== null && in_array($item['id'], $run->state->unchecked(), true)) {
                $calls[] = [$begun->addMilliseconds((int) ($item['minutes'] * 60_000)), 'The wait is over: look at the contact'];
            }
        }
        if ($pour->state === PourState::Running && ($ends = $run->potLifeEnds($this->clock)) !== null) {
            $calls[] = [$ends->subMinutes(self::LAST_CALL_MIN), 'Three minutes of pot life left'];
        }
        if ($pour->state === PourState::Waiting) {
            $words = ['recoat' => 'Ready for the next coat', 'demould' => 'Ready to open', 'service' => 'Ready for hot or harsh casting'];
            foreach ($windows as $window) {
                $calls[] = [CarbonImmutable::createFromTimestampMs($window['from_ms']), $words[$window['kind']] ?? $window['kind']];
            }
        }

        return $calls;
    }

    /** @return list<array{pour_id: int, title: string, open_ms: int}> planned pours that would be open before midnight */
    private function startable(CarbonImmutable $now): array
    {
        $startable = [];
        foreach (array_slice($this->work->planned(), 0, self::STARTABLE) as $pour) {
            $demould = $this->work->gist($pour)['demould_min'] ?? null;
            if ($demould !== null) {
                $startable[] = ['pour_id' => $pour->id, 'title' => $pour->title(), 'open_ms' => (int) $now->addMinutes((int) ceil($demould))->getTimestampMs()];
            }
        }

        return $startable;
    }

    /** @return array{from_ms: int, to_ms: int} */
    private static function span(CarbonImmutable $from, CarbonImmutable $to): array
    {
        return ['from_ms' => (int) $from->getTimestampMs(), 'to_ms' => (int) $to->getTimestampMs()];
    }
}
