<?php

declare(strict_types=1);

namespace App\Actions;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Run\EventKind;
use Apalos\Core\Run\StepKind;
use Apalos\Core\Volume\VolumeEstimator;
use Apalos\Core\Volume\VolumeRequest;
use App\Models\Grade;
use App\Models\Pour;
use App\Models\PourState;
use App\Models\RunEvent;
use App\Workshop\Library;
use App\Workshop\RecordedRun;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/**
 * Records one fact of a run. The browser gives each fact a key of its own; a fact sent again, because the answer was lost
 * or the tablet woke up late, is recorded once. A fact that does not fit where the run stands is refused with the state.
 */
final readonly class RecordEvent
{
    /** How far a browser's clock may be believed into the past: a fact kept through a night without network. */
    private const OLDEST_H = 24;

    public function __construct(private Library $library, private VolumeEstimator $volumes) {}

    /**
     * @throws BadInput
     * @throws StepHasMoved
     */
    public function __invoke(Pour $pour, Fields $in, CarbonImmutable $now): RecordedRun
    {
        $in->only('key', 'kind', 'at_ms', 'payload');
        $key = $in->text('key');
        if (strlen($key) > 64) {
            throw BadInput::at('key', 'The key of an event has 64 characters at most.');
        }
        $kind = $in->choice('kind', EventKind::class);
        $payload = $in->objectOrNull('payload') ?? Fields::of([], 'payload');

        return DB::transaction(function () use ($pour, $in, $key, $kind, $payload, $now): RecordedRun {
            $pour = Pour::query()->with('impression.job')->lockForUpdate()->findOrFail($pour->id);
            if ($pour->started_at === null) {
                throw BadInput::at('kind', 'This pour has not begun. Start it from its sheet.');
            }
            $run = RecordedRun::of($pour);
            if (RunEvent::query()->where('pour_id', $pour->id)->where('key', $key)->exists()) {
                return $run;
            }
            RunEvent::query()->create([
                'pour_id' => $pour->id,
                'key' => $key,
                'kind' => $kind,
                'at' => $this->at($in, $run, $now),
                'payload' => $this->checked($kind, $payload, $run),
            ]);
            $run = RecordedRun::of($pour);
            $this->project($run);

            return $run;
        });
    }

    private function at(Fields $in, RecordedRun $run, CarbonImmutable $now): CarbonImmutable
    {
        if (! $in->has('at_ms')) {
            return $now;
        }
        $said = CarbonImmutable::createFromTimestampMs((int) $in->number('at_ms', 0.0, 1e14), $now->getTimezone());
        $earliest = $run->events === [] ? $run->pour->started_at : $run->events[count($run->events) - 1]->at;

        return $said->max($earliest ?? $now)->max($now->subHours(self::OLDEST_H))->min($now);
    }

    /** @return array<string, mixed> what is kept of the payload */
    private function checked(EventKind $kind, Fields $in, RecordedRun $run): array
    {
        return match ($kind) {
            EventKind::Begun, EventKind::Checked => $this->ticked($in, $run),
            EventKind::Confirmed => $this->confirmed($in->only('step'), $run),
            EventKind::Weighed => $this->weighed($in, $run),
            EventKind::Met => $run->state->step->kind === StepKind::Weigh && $run->state->cup()->meetsNow() ? [] : throw new StepHasMoved('The clock of this cup already runs.'),
            EventKind::Rescued, EventKind::Kept => $this->atStep($in->only('step'), $run, StepKind::Rescue),
            EventKind::Noted => ['text' => mb_substr($in->only('text', 'fault')->textOrNull('text') ?? '', 0, 2000), 'fault' => $this->fault($in->textOrNull('fault'), $in)],
            EventKind::Gelled => $run->state->lastMetAt() !== null && $run->state->gelledAt === null ? [] : throw new StepHasMoved('The gel of this pour is already written down, or nothing is mixed yet.'),
            EventKind::Opened => $this->atStep($in->only('step'), $run, StepKind::Wait),
            EventKind::Graded => $this->graded($in, $run),
            EventKind::Undone => $this->undone($in, $run),
        };
    }

    /** @return array{step: string} */
    private function atStep(Fields $in, RecordedRun $run, StepKind ...$kinds): array
    {
        $step = $in->text('step');
        if ($step !== $run->state->step->key() || ! in_array($run->state->step->kind, $kinds, true)) {
            throw new StepHasMoved('That step is already done, perhaps from another screen. This is where the pour stands now.');
        }

        return ['step' => $step];
    }

    /** @return array{step: string} */
    private function confirmed(Fields $in, RecordedRun $run): array
    {
        $step = $this->atStep($in, $run, StepKind::Gear, StepKind::Contacts, StepKind::PreMix, StepKind::Tare, StepKind::Mix, StepKind::Degas, StepKind::Fill);
        $left = $run->state->step->kind === StepKind::Contacts ? count($run->state->unchecked()) : 0;
        if ($left > 0) {
            throw BadInput::at('step', "Look at every contact and tick it first: {$left} still to go. This is where silicone is lost.");
        }

        return $step;
    }

    /** @return array{item: string} */
    private function ticked(Fields $in, RecordedRun $run): array
    {
        $item = $in->only('item')->text('item');
        if ($run->state->step->kind !== StepKind::Contacts || ! in_array($item, $run->state->unchecked(), true)) {
            throw new StepHasMoved('That contact is already ticked, or the list is done.');
        }

        return ['item' => $item];
    }

    /** @return array<string, mixed> */
    private function weighed(Fields $in, RecordedRun $run): array
    {
        $in->only('step', 'reading_g', 'by', 'stable', 'short');
        $step = $this->atStep($in, $run, StepKind::Weigh);
        $reading = $in->number('reading_g', 0.0, 1_000_000.0);
        $cup = $run->state->cup();
        $line = $cup->current();
        if ($line === null || $reading < $cup->display - $run->plan->division->g) {
            throw BadInput::at('reading_g', sprintf('The scale read %s g before; it cannot read less now. Check that the cup was not lifted or tared.', $cup->display));
        }
        $short = $in->has('short') && $in->bool('short');
        if ($reading < $line['from'] - 1e-9 && ! $short) {
            throw BadInput::at('reading_g', sprintf('Still %s g short of %s g. Pour on, or go on short if there is no more.', round($line['running'] - $reading, 2), $line['running']));
        }

        return [...$step, 'reading_g' => $reading, 'by' => $in->textOrNull('by') === 'scale' ? 'scale' : 'hand', 'stable' => $in->has('stable') && $in->bool('stable'), 'short' => $short];
    }

    private function fault(?string $fault, Fields $in): ?string
    {
        if ($fault !== null && ! isset($this->library->faults()[$fault])) {
            throw BadInput::at($in->at('fault'), "There is no fault “{$fault}” in the list. Choose one, or write it in the note.");
        }

        return $fault;
    }

    /** @return array<string, mixed> */
    private function graded(Fields $in, RecordedRun $run): array
    {
        $in->only('step', 'grade', 'faults', 'used_g', 'pieces', 'note');
        $this->atStep($in, $run, StepKind::Grade);
        $used = $in->positive('used_g');
        foreach ($in->strings('faults') as $fault) {
            $this->fault($fault, $in);
        }

        return [
            'grade' => $in->choice('grade', Grade::class)->value,
            'faults' => $in->strings('faults'),
            'used_g' => $used,
            'pieces' => (int) ($in->numberOrNull('pieces', 0.0, 100_000.0) ?? 1.0),
            'note' => $in->textOrNull('note') ?? '',
            'correction_pct' => $this->correction($run, $used),
        ];
    }

    /** What this pour teaches about the volume of the next one; null where the sheet asked by mass. */
    private function correction(RecordedRun $run, float $usedG): ?float
    {
        $volume = $run->pour->sheet['volume'] ?? null;
        if (! is_array($volume) || $run->pour->plan === null || ($run->pour->plan['likely_ml'] ?? null) === null) {
            return null;
        }
        $request = VolumeRequest::from(Fields::of([...$volume, 'used' => ['mass_g' => $usedG, 'sg' => $run->plan->density->gPerMl]], 'volume'));

        return $this->volumes->estimate($request)->reconciliation?->correctionPct;
    }

    /** @return array{event: int} */
    private function undone(Fields $in, RecordedRun $run): array
    {
        $event = (int) $in->only('event')->number('event', 0.0, 1e15);
        if ($run->state->takeBack !== $event) {
            throw new StepHasMoved('Only the last thing done can be taken back, and something else has happened since.');
        }

        return ['event' => $event];
    }

    private function project(RecordedRun $run): void
    {
        $state = $run->state;
        $grade = $state->grade === null ? null : Fields::of($state->grade);
        $last = $run->events[count($run->events) - 1]->at;
        $run->pour->fill([
            'state' => match ($state->step->kind) {
                StepKind::Wait => PourState::Waiting,
                StepKind::Grade => PourState::Opened,
                StepKind::Done => PourState::Graded,
                default => PourState::Running,
            },
            'met_at' => $run->at($state->lastMetAt()),
            'poured_at' => $state->isPoured() ? $run->at(max($state->filledAt ?: [0.0])) : null,
            'opened_at' => $run->at($state->openedAt),
            'graded_at' => $grade === null ? null : ($run->pour->graded_at ?? $last),
            'weighed_g' => $state->weighedGrams(),
            'used_g' => $grade?->number('used_g'),
            'grade' => $grade?->text('grade'),
            'faults' => $grade?->strings('faults'),
            'pieces' => $grade === null ? null : (int) ($grade->numberOrNull('pieces') ?? 1.0),
            'note' => $grade?->textOrNull('note'),
        ])->save();
    }
}
