<?php

declare(strict_types=1);

namespace App\Paper;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Run\Moment;
use Apalos\Core\Run\RunFactKind;
use Apalos\Core\Run\StepKind;
use Apalos\Core\Units\Minutes;
use App\Facts\AppendFact;
use App\Facts\HeldStream;
use App\Facts\ToldLate;
use App\Log\RecordedRun;
use App\Pours\RunStream;
use App\Room\CureClock;
use Carbon\CarbonImmutable;

/**
 * Walks a run by what stands on its card, step by step, each told at its own time; it ends where the card says nothing. What is far from
 * expected is asked about, once.
 */
final class CardWalk
{
    /** A line is asked about where it is off by so much of it, and by more than its scale can tell apart. */
    private const FAR = 0.1;

    private const FAR_STEPS = 3.0;

    /** So many times what it pours for, nobody pours. */
    private const LATE = 1.5;

    /** What is told of a step is told: a walk that takes more steps has lost its way. */
    private const MOST_STEPS = 4000;

    /** @var HeldStream<RunStream> */
    private readonly HeldStream $held;

    private RecordedRun $run;

    private int $told = 0;

    public function __construct(
        private readonly AppendFact $append,
        private readonly CureClock $clock,
        private readonly FilledCard $card,
        RunStream $stream,
        private CarbonImmutable $at,
    ) {
        $this->held = HeldStream::of($stream);
        $this->run = $stream->run;
    }

    /** @throws BadInput for what cannot have been, or is asked about */
    public function walk(): RecordedRun
    {
        for ($i = 0; $i < self::MOST_STEPS && $this->goesOn(); $i++);
        $this->ends();

        return $this->run;
    }

    /** Whether the card said what the step at hand asks. */
    private function goesOn(): bool
    {
        $step = $this->run->state->step;

        return match ($step->kind) {
            StepKind::Gear => $this->seen('gear', Phrase::of('bench.card_gear')) && $this->confirms($this->at),
            StepKind::Contacts => $this->ready(),
            StepKind::PreMix, StepKind::Tare => $this->isWeighed($step->batch) && $this->confirms($this->at),
            StepKind::Weigh => $this->weighs(),
            // What ran over by hand was left as it was: what was added for it would stand in the lines after it.
            StepKind::Rescue => $this->tell(RunFactKind::Kept, ['step' => $step->key()], $this->at),
            StepKind::Heat => $this->heats(),
            StepKind::Mix => $this->stirs($this->run->plan->mixing),
            StepKind::Degas => $this->stirs($this->run->plan->degassing),
            StepKind::Fill => $this->goesIn(),
            StepKind::Wait => $this->waits(),
            StepKind::Grade => $this->grades(),
            StepKind::Done, StepKind::GivenUp => false,
        };
    }

    /** @param  array<string, mixed>  $payload */
    private function tell(RunFactKind $kind, array $payload, CarbonImmutable $at): bool
    {
        $this->at = $this->at->max($at);
        $this->run = $this->held->goesOn(($this->append)(
            $this->held, $this->run->pour->id,
            Fields::of(['key' => "card/{$this->card->key}/{$this->told}", 'kind' => $kind->value, 'payload' => $payload]), $this->at,
        ))->run;
        $this->told++;

        return true;
    }

    /**
     * Told where something may be asked of it once.
     *
     * @param  array<string, mixed>  $payload
     */
    private function asks(string $of, RunFactKind $kind, array $payload, CarbonImmutable $at): bool
    {
        try {
            return $this->tell($kind, [...$payload, ...($this->card->isSure($of) ? ['sure' => true] : [])], $at);
        } catch (BadInput $asked) {
            throw $asked->field === 'sure' ? BadInput::at("sure.{$of}", $asked->says) : $asked;
        }
    }

    private function confirms(CarbonImmutable $at): bool
    {
        return $this->tell(RunFactKind::Confirmed, ['step' => $this->run->state->step->key()], $at);
    }

    private function seen(string $item, Phrase $what): bool
    {
        return in_array($item, $this->card->ticked, true)
            ? true
            : throw BadInput::at('ticked', Phrase::of('bench.card_no_tick', ['what' => $what]));
    }

    private function ready(): bool
    {
        $texts = array_column($this->run->plan->checklist, 'text', 'id');
        foreach ($this->run->state->unchecked() as $item) {
            $this->seen($item, Phrase::written($texts[$item] ?? $item));
            $this->tell(RunFactKind::Checked, ['item' => $item], $this->at);
        }

        return $this->confirms($this->at);
    }

    private function isWeighed(int $batch): bool
    {
        return array_filter($this->card->read[$batch] ?? [], static fn (?float $read): bool => $read !== null) !== [];
    }

    private function weighs(): bool
    {
        $step = $this->run->state->step;
        [$cup, $line] = [$this->run->state->cup(), $this->run->state->cup()->current()];
        $codes = array_map(strval(...), array_keys($this->run->plan->batches[$step->batch - 1] ?? []));
        $place = $line === null ? false : array_search($line['add'], $codes, true);
        $read = $this->card->read[$step->batch] ?? [];
        if ($line === null || $place === false || ($read[$place] ?? null) === null) {
            return false;
        }
        $field = 'cups.'.($step->batch - 1).".read.{$place}";
        // Whatever the display counted from, a line is what it grew by.
        $before = $place === 0 ? 0.0 : ($read[$place - 1] ?? array_sum($cup->poured));
        $grams = $read[$place] - $before - ($cup->poured[$line['add']] ?? 0.0);
        $division = $this->run->plan->division->g;
        if ($grams < -$division) {
            throw BadInput::at($field, Phrase::of('bench.card_reads_less', ['before' => Quantity::mass($before)]));
        }
        $of = "cup-{$step->batch}-{$place}";
        if (abs($grams - $line['grams']) > max(self::FAR * $line['grams'], self::FAR_STEPS * $division) && ! $this->card->isSure($of)) {
            throw BadInput::at("sure.{$of}", Phrase::of('bench.card_far', [
                'add' => $this->run->frozen->called($line['add']), 'cup' => $step->batch, 'grams' => Quantity::mass(max(0.0, $grams)),
                'meant' => Quantity::mass($line['grams']),
            ]));
        }
        $reading = round($cup->display + max(0.0, $grams), 6);
        $meets = $cup->metAt === null && $cup->weighed($reading, 0.0)->isMet();
        $met = $meets ? $this->meets($step->batch) : null;
        $this->tell(RunFactKind::Weighed, [
            'step' => $step->key(), 'reading_g' => $reading, 'by' => 'hand', 'stable' => true, 'short' => $reading < $line['from'],
        ], $met ?? $this->at);
        $met === null || $this->wasEarlier(Moment::Met, $step->batch, $met);

        return true;
    }

    /** When this cup met; of a one-part nothing meets, and its clock runs from the cup. */
    private function meets(int $batch): ?CarbonImmutable
    {
        $met = $this->card->at('met', $batch);
        $field = 'cups.'.($batch - 1).'.met_ms';
        if ($met === null) {
            return $this->run->plan->onePart
                ? null
                : throw BadInput::at($field, Phrase::of('bench.card_when_met', ['cup' => $batch]));
        }

        return $this->sinceBegun($met, $field);
    }

    private function sinceBegun(CarbonImmutable $at, string $field): CarbonImmutable
    {
        $began = $this->run->at(0.0) ?? $at;

        return $at->addMinute() > $began ? $at->max($began) : throw BadInput::at($field, Phrase::of('bench.card_before_begun'));
    }

    /** Two cups went side by side: what was told in the order of the steps was earlier than the step before it. */
    private function wasEarlier(Moment $what, int $batch, CarbonImmutable $at): void
    {
        $at >= $this->at
            || $this->tell(
                RunFactKind::Earlier, ['what' => $what->value, 'batch' => $batch, ToldLate::FIELD => (float) $at->getTimestampMs()],
                $this->at,
            );
    }

    private function stirs(Minutes $for): bool
    {
        $batch = $this->run->state->step->batch;
        $filled = $this->card->at('filled', $batch);
        if ($filled === null) {
            return false;
        }
        $until = $this->at->addMilliseconds(Minutes::ms($for->min));

        return $this->confirms($until->min($filled->max($this->at)));
    }

    private function heats(): bool
    {
        $batch = $this->run->state->step->batch;
        [$off, $c] = [$this->card->at('met', $batch), $this->card->heated[$batch] ?? null];
        if ($off === null) {
            return false;
        }
        $off = $this->sinceBegun($off, 'cups.'.($batch - 1).'.met_ms');
        $step = $this->run->state->step->key();
        $c === null || $this->tell(RunFactKind::Heated, ['step' => $step, 'c' => $c, 'by' => 'hand'], $off);

        return $this->asks("heat-{$batch}", RunFactKind::Confirmed, ['step' => $step], $off);
    }

    private function goesIn(): bool
    {
        $step = $this->run->state->step;
        [$filled, $met] = [$this->card->at('filled', $step->batch), $this->run->at($this->run->state->cup()->metAt)];
        if ($filled === null) {
            return false;
        }
        $field = 'cups.'.($step->batch - 1).'.filled_ms';
        $filled = $this->sinceBegun($filled, $field);
        if ($met !== null && $filled->addMinute() <= $met) {
            throw BadInput::at($field, Phrase::of('bench.card_in_before_met', ['cup' => $step->batch]));
        }
        $ends = $this->run->potLifeEnds($this->clock, $step->batch);
        $pours = $met === null || $ends === null ? null : $met->diffInMilliseconds($ends) / 60_000.0;
        $took = $met === null ? 0.0 : $met->diffInMilliseconds($filled) / 60_000.0;
        $of = "late-{$step->batch}";
        if ($pours !== null && $took > self::LATE * $pours && ! $this->card->isSure($of)) {
            throw BadInput::at("sure.{$of}", Phrase::of('bench.card_late', [
                'cup' => $step->batch, 'took' => Quantity::duration($took), 'pours' => Quantity::duration($pours),
            ]));
        }
        $this->asks("fill-{$step->batch}", RunFactKind::Confirmed, ['step' => $step->key()], $filled);
        $this->wasEarlier(Moment::Filled, $step->batch, $met === null ? $filled : $filled->max($met));

        return true;
    }

    private function waits(): bool
    {
        $this->leaves();
        $opened = $this->card->opened;
        if ($opened === null) {
            return false;
        }
        $this->opensAfterAll($opened);

        return $this->tell(
            RunFactKind::Opened, ['step' => $this->run->state->step->key(), ...$this->beforeNow($opened)], $opened,
        );
    }

    private function opensAfterAll(CarbonImmutable $opened): void
    {
        $in = $this->run->at(max([0.0, ...$this->run->state->filledAt]));
        $in === null || $opened->addMinute() > $in || throw BadInput::at('opened_ms', Phrase::of('bench.card_open_before_in'));
    }

    /** @return array<string, float> told at its own time, it needs no other; one that lies before the last thing told says which */
    private function beforeNow(CarbonImmutable $at): array
    {
        return $at >= $this->at ? [] : [ToldLate::FIELD => (float) $at->getTimestampMs()];
    }

    /** What was left in the cup, and when it gelled. */
    private function leaves(): void
    {
        if ($this->card->leftG !== null && $this->run->beside->leftG === null) {
            $this->tell(RunFactKind::LeftOver, ['left_g' => $this->card->leftG], $this->at);
        }
        $gelled = $this->card->gelled;
        if ($gelled !== null && $this->run->state->gelledAt === null && $this->run->state->lastMetAt() !== null) {
            $this->asks('gelled', RunFactKind::Gelled, $this->beforeNow($gelled), $gelled);
        }
    }

    private function grades(): bool
    {
        $grade = $this->card->grade;
        if ($grade === null || $grade->textOrNull('grade') === null) {
            return false;
        }
        $left = $this->run->beside->leftG ?? $this->card->leftG;
        $said = $grade->toArray();

        try {
            return $this->tell(RunFactKind::Graded, [
                'step' => $this->run->state->step->key(), ...$said, ...($left === null ? [] : ['left_g' => $left]),
                'used_g' => round($this->run->state->weighedGrams() - ($left ?? 0.0), 3),
            ], $this->at);
        } catch (BadInput $wrong) {
            throw BadInput::at(str_replace('payload.', 'grade.', $wrong->field), $wrong->says);
        }
    }

    /** A coat lies, and is over: what was left of it is said then. */
    private function ends(): void
    {
        if ($this->run->plan->endsLaid && $this->run->state->step->kind === StepKind::Done) {
            $this->leaves();
        }
    }
}
