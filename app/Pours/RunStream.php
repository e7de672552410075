<?php

declare(strict_types=1);

namespace App\Pours;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Run\Fate;
use Apalos\Core\Run\Grade;
use Apalos\Core\Run\Moment;
use Apalos\Core\Run\RunFactKind;
use Apalos\Core\Run\StepKind;
use Apalos\Core\Units\Minutes;
use Apalos\Core\Units\Temperature;
use Apalos\Core\Volume\VolumeEstimator;
use Apalos\Core\Volume\VolumeRequest;
use App\Builds\BuildStream;
use App\Facts\Happened;
use App\Facts\StepHasMoved;
use App\Facts\Stream;
use App\Facts\ToldLate;
use App\Library\Library;
use App\Log\RecordedRun;
use App\Models\Pour;
use App\Models\PourState;
use App\Room\RoomTemperature;
use App\Scale\ScaleDesk;
use App\Scale\ScaleWord;
use App\Stock\ScrapBook;
use Carbon\CarbonImmutable;
use LogicException;

/** A run: which fact fits which step, and what of it the lists need to know. */
final readonly class RunStream implements Stream
{
    /** By so little before its window nobody is asked. */
    private const EARLY_MIN = 0.5;

    private function __construct(private Library $library, private VolumeEstimator $volumes, private RoomTemperature $room, private ToldBeside $beside, public RecordedRun $run) {}

    /** With the turn taken to write to it. */
    public static function open(int $pour): self
    {
        $pour = Pour::query()->with('impression.job')->lockForUpdate()->findOrFail($pour);
        if ($pour->started_at === null) {
            throw BadInput::at('kind', Phrase::written('This pour has not begun. Start it from its sheet.'));
        }

        return new self(app(Library::class), new VolumeEstimator, app(RoomTemperature::class), app(ToldBeside::class), RecordedRun::of($pour));
    }

    public static function name(): string
    {
        return RecordedRun::STREAM;
    }

    public static function believedHours(): int
    {
        return 24;
    }

    public function id(): int
    {
        return $this->run->pour->id;
    }

    public function beganAt(): CarbonImmutable
    {
        return $this->run->pour->started_at ?? throw new LogicException('A run has begun.');
    }

    public function facts(): array
    {
        return $this->run->facts;
    }

    public function accepts(string $kind, Fields $payload, CarbonImmutable $now): array
    {
        return $this->checked(Fields::of(['kind' => $kind])->choice('kind', RunFactKind::class), $payload, $this->run, $now);
    }

    public function appended(Happened $told): static
    {
        $run = $this->run->and($told);
        $this->project($run);
        app(AfterRun::class)($run);
        if ($run->lastFactId() > 0 && $run->facts[count($run->facts) - 1]->kind === RunFactKind::Counted->value) {
            app(ScaleDesk::class)->settled(RunAtScale::of($run));
        }

        return new self($this->library, $this->volumes, $this->room, $this->beside, $run);
    }

    /** @return array<string, mixed> what is kept of the payload */
    private function checked(RunFactKind $kind, Fields $in, RecordedRun $run, CarbonImmutable $now): array
    {
        return match ($kind) {
            RunFactKind::Begun => [...$this->ticked($in->only('item', ToldLate::FIELD), $run), ...$this->told($in, $now)->kept()],
            RunFactKind::Checked => $this->ticked($in->only('item'), $run),
            RunFactKind::Confirmed => $this->confirmed($in->only('step', 'sure'), $run, $now),
            RunFactKind::Weighed => $this->weighed($in, $run),
            RunFactKind::Met => $run->state->step->kind === StepKind::Weigh && $run->state->cup()->meetsNow() ? [] : throw new StepHasMoved('The clock of this cup already runs.'),
            RunFactKind::Heated => $this->heated($in->only('step', 'c', 'by'), $run),
            RunFactKind::Reheated => $run->plan->heat !== null ? $this->atStep($in->only('step'), $run, StepKind::Fill) : throw new StepHasMoved('Only what was heated goes back on the heat.'),
            RunFactKind::Rescued, RunFactKind::Kept => $this->atStep($in->only('step'), $run, StepKind::Rescue),
            RunFactKind::Counted => $this->counted($in, $run),
            RunFactKind::Swapped => $this->swapped($in->only('step'), $run),
            RunFactKind::Earlier => $this->earlier($in, $run, $now),
            RunFactKind::Replanned => throw BadInput::at('kind', Phrase::written('Go back to the plan from the page of the run.')),
            RunFactKind::Noted => ['text' => mb_substr($in->only('text', 'fault')->textOrNull('text') ?? '', 0, 2000), 'fault' => $this->fault($in->textOrNull('fault'), $in)],
            RunFactKind::Moulded => $this->beside->moulded($in, $run),
            RunFactKind::DrawnFrom => $this->beside->drawnFrom($in, $run),
            RunFactKind::Diagnosed => $this->beside->diagnosed($in, $run),
            RunFactKind::LeftOver => $this->leftOver($in->only('left_g', 'batch'), $run),
            RunFactKind::Gelled => $this->gelled($in->only('sure', ToldLate::FIELD), $run, $now),
            RunFactKind::Opened => [...$this->atStep($in->only('step', ToldLate::FIELD), $run, StepKind::Wait), ...$this->told($in, $now)->notBefore($run->at(max([0.0, ...$run->state->filledAt])), 'It went in')->kept()],
            RunFactKind::Graded => $this->graded($in, $run),
            RunFactKind::GivenUp => $this->givenUp($in, $run),
            RunFactKind::Undone => $this->undone($in, $run),
        };
    }

    /** "It was at …", on the clock of this run. */
    private function told(Fields $in, CarbonImmutable $now): ToldLate
    {
        return ToldLate::read($in, $this->beganAt(), $now);
    }

    /** @return array{left_g: float, batch?: int} */
    private function leftOver(Fields $in, RecordedRun $run): array
    {
        if ($in->has('batch')) {
            // Each of several cups as it has been poured.
            $batch = (int) $in->number('batch', 1.0, (float) count($run->plan->batches));
            $cup = $run->state->cups[$batch] ?? null;
            if ($cup === null || $run->plan->endsLaid || ($run->state->step->kind === StepKind::Fill ? $batch > $run->state->step->batch : $run->state->step->kind !== StepKind::Wait)) {
                throw new StepHasMoved('What is left in a cup is said when it has been poured.');
            }

            return ['left_g' => $in->number('left_g', 0.0, array_sum($cup->poured)), 'batch' => $batch];
        }
        // A coat says it when it lies, a cast while it cures; its grade need not ask again.
        if ($run->state->step->kind !== ($run->plan->endsLaid ? StepKind::Done : StepKind::Wait)) {
            throw new StepHasMoved($run->plan->endsLaid ? 'What is left over is said when the coat lies.' : 'What is left over is said while it cures, or with its grade.');
        }

        return ['left_g' => $in->number('left_g', 0.0, $run->state->weighedGrams())];
    }

    /** @return array<string, mixed> */
    private function gelled(Fields $in, RecordedRun $run, CarbonImmutable $now): array
    {
        $met = $run->at($run->state->lastMetAt());
        if ($met === null || $run->state->gelledAt !== null) {
            throw new StepHasMoved('The gel of this pour is already written down, or nothing is mixed yet.');
        }
        $told = $this->told($in, $now)->notBefore($met, 'A met B');
        $sure = $in->has('sure') && $in->bool('sure');
        $expected = $sure ? null : $run->frozen->clock->unexpected(Minutes::of(max(0.01, $met->diffInMilliseconds($told->at) / 60_000.0)), $this->room->at($met));
        if ($expected !== null) {
            throw BadInput::at('sure', Phrase::of('bench.gel_far', ['after' => Quantity::duration($met->diffInMilliseconds($told->at) / 60_000.0), 'low' => Quantity::duration($expected->low), 'high' => Quantity::duration($expected->high)]));
        }

        return [...($sure ? ['sure' => true] : []), ...$told->kept()];
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

    /** @return array{step: string, sure?: true} */
    private function confirmed(Fields $in, RecordedRun $run, CarbonImmutable $now): array
    {
        $step = $this->atStep($in, $run, StepKind::Gear, StepKind::Contacts, StepKind::PreMix, StepKind::Tare, StepKind::Mix, StepKind::Heat, StepKind::Degas, StepKind::Fill);
        if ($run->state->step->kind === StepKind::Heat) {
            return [...$step, ...$this->offTheHeat($in, $run, $now)];
        }
        if ($run->state->step->kind === StepKind::Fill && ! ($in->has('sure') && $in->bool('sure'))) {
            $this->isReadyForIt($run, $now);
        }
        $left = $run->state->step->kind === StepKind::Contacts ? count($run->state->unchecked()) : 0;
        if ($left > 0) {
            throw BadInput::at('step', Phrase::written("Look at every contact and tick it first: {$left} still to go. This is where silicone is lost."));
        }

        return $step;
    }

    /** @throws BadInput where it was weighed up ahead, and what it goes onto is not ready yet: that is asked about once */
    private function isReadyForIt(RecordedRun $run, CarbonImmutable $now): void
    {
        $from = $run->frozen->laysFrom;
        $minutes = $from === null ? 0.0 : $from - $run->minutes($now);
        if ($minutes > self::EARLY_MIN) {
            throw BadInput::at('sure', Phrase::of('bench.not_ready_for_it', ['left' => Quantity::duration($minutes)]));
        }
    }

    /**
     * It comes off the heat: what nobody read, or was read elsewhere, is asked about once.
     *
     * @return array{sure?: true}
     */
    private function offTheHeat(Fields $in, RecordedRun $run, CarbonImmutable $now): array
    {
        $sure = $in->has('sure') && $in->bool('sure');
        $doubt = $run->plan->heat?->doubt($run->state->heated[$run->state->step->batch] ?? [], $this->beganAt()->diffInMilliseconds($now) / 60_000.0);

        return match (true) {
            $doubt === null => [],
            $sure => ['sure' => true],
            default => throw BadInput::at('sure', $doubt),
        };
    }

    /** @return array{step: string, c: float, by: string} */
    private function heated(Fields $in, RecordedRun $run): array
    {
        return [...$this->atStep($in, $run, StepKind::Heat), 'c' => Temperature::in($in, 'c')->degrees, 'by' => $in->textOrNull('by') === 'probe' ? 'probe' : 'hand'];
    }

    /** @return array{item: string} */
    private function ticked(Fields $in, RecordedRun $run): array
    {
        $item = $in->text('item');
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
        $reading = $in->number('reading_g', min(0.0, $run->state->cup()->display), 1_000_000.0);
        if ($in->textOrNull('by') === 'scale') {
            ScaleWord::believed(app(ScaleDesk::class), RunAtScale::of($run));
        }
        $cup = $run->state->cup();
        $line = $cup->current();
        if ($line === null || $reading < $cup->display - $run->plan->division->g) {
            throw BadInput::at('reading_g', Phrase::of('bench.read_more_before', ['before' => Quantity::mass($cup->display)]));
        }
        $short = $in->has('short') && $in->bool('short');
        if ($reading < $line['from'] - 1e-9 && ! $short) {
            throw BadInput::at('reading_g', Phrase::of('bench.still_short', ['short' => Quantity::mass($line['running'] - $reading), 'of' => Quantity::mass($line['running'])]));
        }

        return [...$step, 'reading_g' => $reading, 'by' => $in->textOrNull('by') === 'scale' ? 'scale' : 'hand', 'stable' => $in->has('stable') && $in->bool('stable'), 'short' => $short];
    }

    private function fault(?string $fault, Fields $in): ?string
    {
        if ($fault !== null && ! isset($this->library->faults()[$fault])) {
            throw BadInput::at($in->at('fault'), Phrase::written("There is no fault “{$fault}” in the list. Choose one, or write it in the note."));
        }

        return $fault;
    }

    /** @return array<string, mixed> */
    private function graded(Fields $in, RecordedRun $run): array
    {
        $in->only('step', 'grade', 'faults', 'used_g', 'left_g', 'pieces', 'each', 'note', 'scrap');
        $each = $this->beside->each($in);
        $this->atStep($in, $run, StepKind::Grade);
        $used = $in->positive('used_g');
        // It was part of what was weighed.
        $in->numberOrNull('left_g', 0.0, max(0.0, $run->state->weighedGrams()));
        foreach ($in->strings('faults') as $fault) {
            $this->fault($fault, $in);
        }

        return [
            'grade' => $in->choice('grade', Grade::class)->value,
            'faults' => $in->strings('faults'),
            'used_g' => $used,
            'pieces' => $each === null ? (int) ($in->numberOrNull('pieces', 0.0, 100_000.0) ?? 1.0) : count($each),
            ...($each === null ? [] : ['each' => $each]),
            'note' => $in->textOrNull('note') ?? '',
            ...($in->has('scrap') && ScrapBook::of($run->pour) !== null ? ['scrap' => $in->bool('scrap')] : []),
            // Where nobody said what was left, all that was weighed passes for used, and teaches nothing.
            'correction_pct' => $in->has('left_g') || abs($used - $run->state->weighedGrams()) > 0.05 ? $this->correction($run, $used) : null,
        ];
    }

    /** @return array{fate: string, note: string} */
    private function givenUp(Fields $in, RecordedRun $run): array
    {
        $in->only('fate', 'note');
        if (in_array($run->state->step->kind, [StepKind::Done, StepKind::GivenUp], true)) {
            throw new StepHasMoved('This pour has ended already, perhaps from another screen.');
        }
        $fate = $in->choice('fate', Fate::class);
        if ($fate === Fate::Back && $run->state->lastMetAt() !== null) {
            throw BadInput::at($in->at('fate'), Phrase::written($run->plan->heat === null ? 'A has met B: none of it goes back into a tub. Say whether it went into something else or is waste.' : 'It has been heated: none of it goes back into its bottle. Say whether it went into something else or is waste.'));
        }

        return ['fate' => $fate->value, 'note' => mb_substr($in->textOrNull('note') ?? '', 0, 2000)];
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

    /** @return array{of: int} */
    private function undone(Fields $in, RecordedRun $run): array
    {
        $of = (int) $in->only('of')->number('of', 0.0, 1e15);
        if ($run->state->takeBack !== $of) {
            throw new StepHasMoved('Only the last thing done can be taken back, and something else has happened since.');
        }
        if ($run->plan->endsLaid && $run->state->step->kind === StepKind::Done && ($on = BuildStream::laidOn($run->pour)) !== null) {
            throw new StepHasMoved("“{$on}” has begun on top of it since. Take that back first.");
        }

        return ['of' => $of];
    }

    /** @return array{step: string, reading_g: float, in_line_g: float} what the display reads, and how much of the line is in already */
    private function counted(Fields $in, RecordedRun $run): array
    {
        $in->only('step', 'reading_g', 'in_line_g');

        return [...$this->atStep(Fields::of(['step' => $in->text('step')]), $run, StepKind::Weigh), 'reading_g' => $in->number('reading_g', -100_000.0, 1_000_000.0), 'in_line_g' => $in->numberOrNull('in_line_g', 0.0, 1_000_000.0) ?? 0.0];
    }

    /** @return array{step: string} */
    private function swapped(Fields $in, RecordedRun $run): array
    {
        $step = $this->atStep($in, $run, StepKind::Weigh);

        return $run->state->cup()->mayBeSwapped() ? $step : throw new StepHasMoved('Both parts are in this cup already: look at what each of them weighs, and take the last one back if it is wrong.');
    }

    /** @return array{what: string, batch: int, done_min: float} */
    private function earlier(Fields $in, RecordedRun $run, CarbonImmutable $now): array
    {
        $what = $in->only('what', 'batch', ToldLate::FIELD)->choice('what', Moment::class);
        $batch = (int) $in->number('batch', 1.0, 1000.0);
        $in->number(ToldLate::FIELD, 0.0, 1e14);
        $at = $this->told($in, $now)->minutes();
        if (! $what->fits($run->state, $batch, $at)) {
            throw BadInput::at(ToldLate::FIELD, Phrase::written(match ($what) {
                Moment::Met => 'It cannot have met then: A meets B after the run began, and no later than it was said. Say when it was.',
                Moment::Filled => 'It cannot have gone in then: a cup goes in after A met B in it, and no later than it was said. Say when it was.',
                Moment::Gelled => 'It cannot have gelled then: that comes after A met B, and no later than it was said. Say when it was.',
                Moment::Opened => 'It cannot have been opened then: that comes after it went in, and no later than it was said. Say when it was.',
            }));
        }

        return ['what' => $what->value, 'batch' => $batch, 'done_min' => $at];
    }

    private function project(RecordedRun $run): void
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
        $watched = $met === null || $gelled === null || $gelled <= $met ? null : $run->frozen->clock->asBare(Minutes::of($met->diffInMilliseconds($gelled) / 60_000.0));
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
            'weighed_g' => $state->weighedGrams(),
            'used_g' => $isLaid ? $state->weighedGrams() - ($run->beside->leftG ?? 0.0) : $grade?->number('used_g'),
            'grade' => $grade?->text('grade'),
            'faults' => $grade?->strings('faults'),
            'cause' => $run->beside->diagnosis['cause'] ?? null,
            'pieces' => $grade === null ? null : (int) ($grade->numberOrNull('pieces') ?? 1.0),
            'note' => $grade?->textOrNull('note') ?? ($state->givenUp === null ? null : Fields::of($state->givenUp)->textOrNull('note')),
        ])->save();
    }
}
