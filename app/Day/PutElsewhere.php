<?php

declare(strict_types=1);

namespace App\Day;

use Apalos\Core\Day\After;
use Apalos\Core\Day\DayOperation;
use Apalos\Core\Day\DayPlanner;
use Apalos\Core\Day\DayRequest;
use Apalos\Core\Phrase\Phrase;
use App\Models\Workshop;
use Carbon\CarbonImmutable;

/** What becomes of the day if an operation is put somewhere: where everything else goes, or why it cannot go there. */
final readonly class PutElsewhere
{
    public function __construct(private PlannedDay $day, private DayDesk $desk, private Workshop $workshop, private CarbonImmutable $now) {}

    /** @return array{ok: bool, why: Phrase|null, starts: array<string, int>} starts in ms */
    public function put(DayWork $work, float $at): array
    {
        $why = $this->against($work, $at);
        $starts = $why === null
            ? (new DayPlanner(thorough: false))->quick($this->request($work, $at), [
                ...$this->day->result->starts, $work->operation->id => $at,
            ])
            : null;
        if ($why !== null || $starts === null) {
            return [
                'ok' => false, 'why' => $why ?? Phrase::of('bench.with_window_something_else'), 'starts' => [],
            ];
        }
        $named = array_combine(array_map(static fn (DayWork $one): string => $one->operation->id, $this->day->work), $starts);
        $start = $named[$work->operation->id];

        return $start > $at + 1.0
            ? ['ok' => false, 'why' => $this->busy($work, $at, $start), 'starts' => []]
            : ['ok' => true, 'why' => null, 'starts' => array_map($this->day->ms(...), $named)];
    }

    /** What speaks against it whatever the others do; null where nothing does. */
    private function against(DayWork $work, float $at): ?Phrase
    {
        $minutes = $work->operation->minutes;
        if (! $work->moves) {
            return Phrase::of('bench.begun_does_not_move', ['name' => $work->name]);
        }
        if ($at < DayDesk::minutes($this->now, $this->day->midnight) - 1.0) {
            return Phrase::of('bench.is_over_already');
        }
        if ($work->step === 'open' && $work->opens !== null && $at < $work->opens - 0.5) {
            return Phrase::of('bench.cures_until_opened_earlier', ['at' => $this->said($work->opens)]);
        }
        foreach ($work->operation->after as $after) {
            $other = $this->day->one($after->operation);
            $start = $other === null ? null : $this->day->starts($other);
            if ($other === null || $start === null) {
                continue;
            }
            $end = $start + $other->operation->minutes;
            // What has not begun moves along; what has begun holds.
            if ($other->operation->fixed !== null && $at < $end + $after->from - 0.5) {
                return Phrase::of('bench.not_ready_for_before', ['name' => $other->name, 'at' => $this->said($end + $after->from)]);
            }
            if ($other->operation->fixed !== null && $after->until !== null && $at > $end + $after->until + 0.5) {
                return Phrase::of('bench.window_after_shuts_later', ['name' => $other->name, 'at' => $this->said($end + $after->until)]);
            }
        }
        if (
            in_array(DayOperation::HANDS, $work->operation->uses, true)
            && $this->desk->request([], $this->now)->hours->fit($at, $minutes) > $at + 0.5
        ) {
            return Phrase::of('bench.would_run_past_working');
        }

        return null;
    }

    private function busy(DayWork $work, float $at, float $start): Phrase
    {
        foreach ($this->day->work as $other) {
            $from = $this->day->starts($other);
            if (
                $other !== $work
                && $from !== null
                && ! $other->moves
                && array_intersect($other->operation->uses, $work->operation->uses) !== []
                && $from < $at + $work->operation->minutes
                && $from + $other->operation->minutes > $at
            ) {
                return Phrase::of('bench.hands_with_then_first', ['title' => $other->title, 'at' => $this->said($start)]);
            }
        }
        $waits = array_map(
            fn (After $after): string => $this->day->one($after->operation)->name ?? $after->operation, $work->operation->after,
        );

        return $waits === []
            ? Phrase::of('bench.nobody_free_for_before', ['at' => $this->said($start)])
            : Phrase::of('bench.waits_for_cannot_start', ['others' => $waits, 'at' => $this->said($start)]);
    }

    private function request(DayWork $work, float $at): DayRequest
    {
        $request = $this->day->asked;

        return $request->with(array_map(static fn (DayOperation $one): DayOperation => $one->id === $work->operation->id
            ? new DayOperation(
                $one->id, $one->minutes, $one->uses, $one->after, $at, $one->due, null, $one->name,
            ) : $one, $request->operations));
    }

    private function said(float $minutes): string
    {
        return $this->workshop->said(CarbonImmutable::createFromTimestampMs($this->day->ms($minutes), 'UTC'), $this->now);
    }
}
