<?php

declare(strict_types=1);

namespace App\Pours;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Run\Moment;
use Apalos\Core\Run\RunFactKind;
use Apalos\Core\Run\StepKind;
use Apalos\Core\Units\Minutes;
use Apalos\Core\Units\Temperature;
use App\Builds\BuildStream;
use App\Facts\Happened;
use App\Facts\StepHasMoved;
use App\Facts\Stream;
use App\Facts\ToldLate;
use App\Log\RecordedRun;
use App\Room\RoomTemperature;
use App\Scale\ScaleDesk;
use App\Scale\ScaleWord;
use Carbon\CarbonImmutable;
use LogicException;

/** A run: which fact fits which step, and what of it the lists need to know. */
final readonly class RunStream implements Stream
{
    /** By so little before its window nobody is asked. */
    private const EARLY_MIN = 0.5;

    public function __construct(
        private ToldBeside $beside,
        private RunEnds $ends,
        private RunOutcome $outcome,
        private AfterRun $after,
        private RoomTemperature $room,
        private ScaleDesk $scale,
        public RecordedRun $run,
    ) {}

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

    public function with(Happened $told): static
    {
        return new self(
            $this->beside, $this->ends, $this->outcome, $this->after, $this->room, $this->scale, $this->run->with($told),
        );
    }

    public function project(): void
    {
        $this->outcome->write($this->run);
        ($this->after)($this->run);
        if ($this->run->lastFactId() > 0 && $this->run->facts[count($this->run->facts) - 1]->kind === RunFactKind::Counted->value) {
            $this->scale->settled(RunAtScale::of($this->run));
        }
    }

    /** @return array<string, mixed> what is kept of the payload */
    private function checked(RunFactKind $kind, Fields $in, RecordedRun $run, CarbonImmutable $now): array
    {
        return match ($kind) {
            RunFactKind::Begun => [...$this->ticked($in->only('item', ToldLate::FIELD), $run), ...$this->told($in, $now)->kept()],
            RunFactKind::Checked => $this->ticked($in->only('item'), $run),
            RunFactKind::Confirmed => $this->confirmed($in->only('step', 'sure'), $run, $now),
            RunFactKind::Weighed => $this->weighed($in, $run),
            RunFactKind::Met => $run->state->step->kind === StepKind::Weigh && $run->state->cup()->meetsNow()
                ? []
                : throw new StepHasMoved(Phrase::of('bench.clock_cup_already_runs')),
            RunFactKind::Heated => $this->heated($in->only('step', 'c', 'by'), $run),
            RunFactKind::Reheated => $run->plan->heat !== null
                ? self::atStep($in->only('step'), $run, StepKind::Fill)
                : throw new StepHasMoved(Phrase::of('bench.only_what_heated_goes')),
            RunFactKind::Rescued, RunFactKind::Kept => self::atStep($in->only('step'), $run, StepKind::Rescue),
            RunFactKind::Counted => $this->counted($in, $run),
            RunFactKind::Swapped => $this->swapped($in->only('step'), $run),
            RunFactKind::Earlier => $this->earlier($in, $run, $now),
            RunFactKind::Replanned => throw BadInput::at('kind', Phrase::of('bench.back_to_plan_on_run_page')),
            RunFactKind::Noted => [
                'text' => mb_substr($in->only('text', 'fault')->textOrNull('text') ?? '', 0, 2000),
                'fault' => $this->ends->fault($in->textOrNull('fault'), $in),
            ],
            RunFactKind::Moulded => $this->beside->moulded($in, $run),
            RunFactKind::DrawnFrom => $this->beside->drawnFrom($in, $run),
            RunFactKind::Diagnosed => $this->beside->diagnosed($in, $run),
            RunFactKind::LeftOver => $this->ends->leftOver($in->only('left_g', 'batch'), $run),
            RunFactKind::Gelled => $this->gelled($in->only('sure', ToldLate::FIELD), $run, $now),
            RunFactKind::Opened => [
                ...self::atStep($in->only('step', ToldLate::FIELD), $run, StepKind::Wait),
                ...$this->told($in, $now)->notBefore(
                    $run->at(max([0.0, ...$run->state->filledAt])), Phrase::of('bench.it_went_in'),
                )->kept(),
            ],
            RunFactKind::Graded => $this->ends->graded($in, $run),
            RunFactKind::GivenUp => $this->ends->givenUp($in, $run),
            RunFactKind::Undone => $this->undone($in, $run),
        };
    }

    /** "It was at …", on the clock of this run. */
    private function told(Fields $in, CarbonImmutable $now): ToldLate
    {
        return ToldLate::read($in, $this->beganAt(), $now);
    }

    /** @return array<string, mixed> */
    private function gelled(Fields $in, RecordedRun $run, CarbonImmutable $now): array
    {
        $met = $run->at($run->state->lastMetAt());
        if ($met === null || $run->state->gelledAt !== null) {
            throw new StepHasMoved(Phrase::of('bench.gel_pour_already_written'));
        }
        $told = $this->told($in, $now)->notBefore($met, Phrase::of('bench.a_met_b'));
        $sure = $in->has('sure') && $in->bool('sure');
        $expected = $sure
            ? null
            : $run->frozen->clock->unexpected(
                Minutes::of(max(0.01, $met->diffInMilliseconds($told->at) / 60_000.0)), $this->room->at($met),
            );
        if ($expected !== null) {
            throw BadInput::at('sure', Phrase::of('bench.gel_far', [
                'after' => Quantity::duration($met->diffInMilliseconds($told->at) / 60_000.0), 'low' => Quantity::duration($expected->low),
                'high' => Quantity::duration($expected->high),
            ]));
        }

        return [...($sure ? ['sure' => true] : []), ...$told->kept()];
    }

    /** @return array{step: string} */
    public static function atStep(Fields $in, RecordedRun $run, StepKind ...$kinds): array
    {
        $step = $in->text('step');
        if ($step !== $run->state->step->key() || ! in_array($run->state->step->kind, $kinds, true)) {
            throw new StepHasMoved(Phrase::of('bench.step_already_done_perhaps'));
        }

        return ['step' => $step];
    }

    /** @return array{step: string, sure?: true} */
    private function confirmed(Fields $in, RecordedRun $run, CarbonImmutable $now): array
    {
        $step = self::atStep(
            $in, $run, StepKind::Gear, StepKind::Contacts, StepKind::PreMix, StepKind::Tare, StepKind::Mix, StepKind::Heat, StepKind::Degas,
            StepKind::Fill,
        );
        if ($run->state->step->kind === StepKind::Heat) {
            return [...$step, ...$this->offTheHeat($in, $run, $now)];
        }
        if ($run->state->step->kind === StepKind::Fill) {
            return [...$step, ...$this->isReadyForIt($in, $run, $now)];
        }
        $left = $run->state->step->kind === StepKind::Contacts ? count($run->state->unchecked()) : 0;
        if ($left > 0) {
            throw BadInput::at('step', Phrase::of('bench.look_at_every_contact', ['left' => $left]));
        }

        return $step;
    }

    /**
     * Weighed up ahead, it goes onto what is not ready yet: that is asked about once, and what was answered stands in the record.
     *
     * @return array{sure?: true}
     */
    private function isReadyForIt(Fields $in, RecordedRun $run, CarbonImmutable $now): array
    {
        $from = $run->frozen->laysFrom;
        $minutes = $from === null ? 0.0 : $from - $run->minutes($now);
        $sure = $in->has('sure') && $in->bool('sure');

        return match (true) {
            $minutes <= self::EARLY_MIN => [],
            $sure => ['sure' => true],
            default => throw BadInput::at('sure', Phrase::of('bench.not_ready_for_it', ['left' => Quantity::duration($minutes)])),
        };
    }

    /**
     * It comes off the heat: what nobody read, or was read elsewhere, is asked about once.
     *
     * @return array{sure?: true}
     */
    private function offTheHeat(Fields $in, RecordedRun $run, CarbonImmutable $now): array
    {
        $sure = $in->has('sure') && $in->bool('sure');
        $doubt = $run->plan->heat?->doubt(
            $run->state->heated[$run->state->step->batch] ?? [], $this->beganAt()->diffInMilliseconds($now) / 60_000.0,
        );

        return match (true) {
            $doubt === null => [],
            $sure => ['sure' => true],
            default => throw BadInput::at('sure', $doubt),
        };
    }

    /** @return array{step: string, c: float, by: string} */
    private function heated(Fields $in, RecordedRun $run): array
    {
        return [
            ...self::atStep($in, $run, StepKind::Heat), 'c' => Temperature::in($in, 'c')->degrees,
            'by' => $in->textOrNull('by') === 'probe' ? 'probe' : 'hand',
        ];
    }

    /** @return array{item: string} */
    private function ticked(Fields $in, RecordedRun $run): array
    {
        $item = $in->text('item');
        if ($run->state->step->kind !== StepKind::Contacts || ! in_array($item, $run->state->unchecked(), true)) {
            throw new StepHasMoved(Phrase::of('bench.contact_already_ticked_list'));
        }

        return ['item' => $item];
    }

    /** @return array<string, mixed> */
    private function weighed(Fields $in, RecordedRun $run): array
    {
        $in->only('step', 'reading_g', 'by', 'stable', 'short');
        $step = self::atStep($in, $run, StepKind::Weigh);
        $reading = $in->number('reading_g', min(0.0, $run->state->cup()->display), 1_000_000.0);
        if ($in->textOrNull('by') === 'scale') {
            ScaleWord::believed($this->scale, RunAtScale::of($run));
        }
        $cup = $run->state->cup();
        $line = $cup->current();
        if ($line === null || $reading < $cup->display - $run->plan->division->g) {
            throw BadInput::at('reading_g', Phrase::of('bench.read_more_before', ['before' => Quantity::mass($cup->display)]));
        }
        $short = $in->has('short') && $in->bool('short');
        if ($reading < $line['from'] - 1e-9 && ! $short) {
            throw BadInput::at('reading_g', Phrase::of('bench.still_short', [
                'short' => Quantity::mass($line['running'] - $reading), 'of' => Quantity::mass($line['running']),
            ]));
        }

        return [
            ...$step, 'reading_g' => $reading, 'by' => $in->textOrNull('by') === 'scale' ? 'scale' : 'hand',
            'stable' => $in->has('stable') && $in->bool('stable'), 'short' => $short,
        ];
    }

    /** @return array{of: int} */
    private function undone(Fields $in, RecordedRun $run): array
    {
        $of = $in->only('of', 'of_key')->has('of_key')
            ? Happened::numbered($run->facts, $in->text('of_key'))
            : (int) $in->number('of', 0.0, 1e15);
        if ($run->state->takeBack !== $of) {
            throw new StepHasMoved(Phrase::of('bench.only_last_thing_done'));
        }
        if ($run->plan->endsLaid && $run->state->step->kind === StepKind::Done && ($on = BuildStream::laidOn($run->pour)) !== null) {
            throw new StepHasMoved(Phrase::of('bench.begun_top_since_take', ['on' => $on]));
        }

        return ['of' => $of];
    }

    /** @return array{step: string, reading_g: float, in_line_g: float} what the display reads, and how much of the line is in already */
    private function counted(Fields $in, RecordedRun $run): array
    {
        $in->only('step', 'reading_g', 'in_line_g');

        return [
            ...self::atStep(Fields::of(['step' => $in->text('step')]), $run, StepKind::Weigh),
            'reading_g' => $in->number('reading_g', -100_000.0, 1_000_000.0),
            'in_line_g' => $in->numberOrNull('in_line_g', 0.0, 1_000_000.0) ?? 0.0,
        ];
    }

    /** @return array{step: string} */
    private function swapped(Fields $in, RecordedRun $run): array
    {
        $step = self::atStep($in, $run, StepKind::Weigh);

        return $run->state->cup()->mayBeSwapped()
            ? $step
            : throw new StepHasMoved(Phrase::of('bench.both_parts_cup_already'));
    }

    /** @return array{what: string, batch: int, done_min: float} */
    private function earlier(Fields $in, RecordedRun $run, CarbonImmutable $now): array
    {
        $what = $in->only('what', 'batch', ToldLate::FIELD)->choice('what', Moment::class);
        $batch = (int) $in->number('batch', 1.0, 1000.0);
        $in->number(ToldLate::FIELD, 0.0, 1e14);
        $at = $this->told($in, $now)->minutes();
        if (! $what->fits($run->state, $batch, $at)) {
            throw BadInput::at(ToldLate::FIELD, match ($what) {
                Moment::Met => Phrase::of('bench.cannot_have_met_then'),
                Moment::Filled => Phrase::of('bench.cannot_have_gone_then'),
                Moment::Gelled => Phrase::of('bench.cannot_have_gelled_then'),
                Moment::Opened => Phrase::of('bench.cannot_have_been_opened'),
            });
        }

        return ['what' => $what->value, 'batch' => $batch, 'done_min' => $at];
    }
}
