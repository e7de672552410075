<?php

declare(strict_types=1);

namespace App\Pours;

use Apalos\Core\Input\Fields;
use Apalos\Core\Run\RunFactKind;
use Apalos\Core\Run\StepKind;
use Apalos\Core\Units\Minutes;
use App\Log\RecordedRun;
use App\Models\PourState;
use App\Room\RoomTemperature;

/** What lists and clocks need to know of a run, read off its facts each time one is written down. */
final readonly class RunOutcome
{
    public function __construct(private RoomTemperature $room) {}

    public function write(RecordedRun $run): void
    {
        $state = $run->state;
        $grade = $state->grade === null ? null : Fields::of($state->grade);
        $last = $run->facts[count($run->facts) - 1]->at();
        $isLaid = $run->plan->endsLaid && $state->step->kind === StepKind::Done;
        if ($isLaid && $run->pour->state === PourState::Graded) {
            // How it came out is told by its build; only what was behind it is told here.
            $run->pour->update(['cause' => $run->beside->diagnosis['cause'] ?? null]);

            return;
        }
        [$met, $gelled] = [$run->at($state->lastMetAt()), $run->at($state->gelledAt)];
        $watched = $met === null || $gelled === null || $gelled <= $met
            ? null
            : $run->frozen->clock->asBare(Minutes::of($met->diffInMilliseconds($gelled) / 60_000.0));
        $run->pour->fill([
            'state' => match ($state->step->kind) {
                StepKind::Wait => PourState::Waiting,
                StepKind::Grade => PourState::Opened,
                StepKind::Done => $run->plan->endsLaid ? PourState::Laid : PourState::Graded,
                StepKind::GivenUp => PourState::GivenUp,
                default => PourState::Running,
            },
            'met_at' => $met,
            'gel_min' => $watched?->min,
            'gel_sure' => $watched !== null && $state->gelIsSure,
            'gel_room_c' => $watched === null ? null : $this->room->at($met)->degrees,
            'poured_at' => $state->isPoured() ? $run->at(max($state->filledAt ?: [0.0])) : null,
            'opened_at' => $run->at($state->openedAt),
            'graded_at' => $grade === null && $state->givenUp === null && ! $isLaid ? null : ($run->pour->graded_at ?? $last),
            'graded_by' => $grade === null && $state->givenUp === null && ! $isLaid ? null : self::endedBy($run),
            'weighed_g' => $state->weighedGrams(),
            'used_g' => $isLaid ? $state->weighedGrams() - ($run->beside->leftG ?? 0.0) : $grade?->number('used_g'),
            'grade' => $grade?->text('grade'),
            'faults' => $grade?->strings('faults'),
            'cause' => $run->beside->diagnosis['cause'] ?? null,
            'pieces' => $grade === null ? null : (int) ($grade->numberOrNull('pieces') ?? 1.0),
            'note' => $grade?->textOrNull('note') ?? ($state->givenUp === null ? null : Fields::of($state->givenUp)->textOrNull('note')),
        ])->save();
    }

    /** Whoever said how it came out; of what is laid on whoever did the last of it. */
    private static function endedBy(RecordedRun $run): ?string
    {
        $by = $run->facts[count($run->facts) - 1]->person;
        foreach ($run->facts as $fact) {
            $by = in_array($fact->kind, [RunFactKind::Graded->value, RunFactKind::GivenUp->value], true) ? $fact->person : $by;
        }

        return $by;
    }
}
