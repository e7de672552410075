<?php

declare(strict_types=1);

namespace App\Pours;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Run\Fate;
use Apalos\Core\Run\Grade;
use Apalos\Core\Run\StepKind;
use Apalos\Core\Volume\VolumeEstimator;
use Apalos\Core\Volume\VolumeRequest;
use App\Facts\StepHasMoved;
use App\Library\Library;
use App\Log\RecordedRun;
use App\Stock\ScrapBook;

/** How a run ends: what is left, how it came out, or that it was given up. */
final readonly class RunEnds
{
    public function __construct(private Library $library, private ToldBeside $beside, private VolumeEstimator $volumes) {}

    /** @return array{left_g: float, batch?: int} */
    public function leftOver(Fields $in, RecordedRun $run): array
    {
        if ($in->has('batch')) {
            // Each of several cups as it has been poured.
            $batch = (int) $in->number('batch', 1.0, (float) count($run->plan->batches));
            $cup = $run->state->cups[$batch] ?? null;
            if (
                $cup === null
                || $run->plan->endsLaid
                || (
                    $run->state->step->kind === StepKind::Fill
                    ? $batch > $run->state->step->batch
                    : $run->state->step->kind !== StepKind::Wait
                )
            ) {
                throw new StepHasMoved(Phrase::of('bench.what_left_cup_said'));
            }

            return ['left_g' => $in->number('left_g', 0.0, array_sum($cup->poured)), 'batch' => $batch];
        }
        // A coat says it when it lies, a cast while it cures; its grade need not ask again.
        if ($run->state->step->kind !== ($run->plan->endsLaid ? StepKind::Done : StepKind::Wait)) {
            throw new StepHasMoved($run->plan->endsLaid
                    ? Phrase::of('bench.what_left_over_said') : Phrase::of('bench.what_left_over_said_while'));
        }

        return ['left_g' => $in->number('left_g', 0.0, $run->state->weighedGrams())];
    }

    /** @return array<string, mixed> */
    public function graded(Fields $in, RecordedRun $run): array
    {
        $in->only('step', 'grade', 'faults', 'used_g', 'left_g', 'pieces', 'each', 'note', 'scrap');
        $each = $this->beside->each($in);
        RunStream::atStep($in, $run, StepKind::Grade);
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
            'correction_pct' => $in->has('left_g') || abs($used - $run->state->weighedGrams()) > 0.05
                ? $this->correction($run, $used)
                : null,
        ];
    }

    /** @return array{fate: string, note: string} */
    public function givenUp(Fields $in, RecordedRun $run): array
    {
        $in->only('fate', 'note');
        if (in_array($run->state->step->kind, [StepKind::Done, StepKind::GivenUp], true)) {
            throw new StepHasMoved(Phrase::of('bench.pour_ended_already_perhaps'));
        }
        $fate = $in->choice('fate', Fate::class);
        if ($fate === Fate::Back && $run->state->lastMetAt() !== null) {
            throw BadInput::at(
                $in->at('fate'),
                $run->plan->heat === null
                    ? Phrase::of('bench.met_b_none_goes')
                    : Phrase::of('bench.been_heated'),
            );
        }

        return ['fate' => $fate->value, 'note' => mb_substr($in->textOrNull('note') ?? '', 0, 2000)];
    }

    /** @throws BadInput for one nobody has heard of */
    public function fault(?string $fault, Fields $in): ?string
    {
        if ($fault !== null && ! isset($this->library->faults()[$fault])) {
            throw BadInput::at($in->at('fault'), Phrase::of('bench.no_fault_in_list', ['fault' => $fault]));
        }

        return $fault;
    }

    /** What this pour teaches about the volume of the next one; null where the sheet asked by mass. */
    private function correction(RecordedRun $run, float $usedG): ?float
    {
        $volume = $run->pour->sheet['volume'] ?? null;
        if (! is_array($volume) || $run->pour->plan === null || ($run->pour->plan['likely_ml'] ?? null) === null) {
            return null;
        }
        $request = VolumeRequest::from(
            Fields::of([...$volume, 'used' => ['mass_g' => $usedG, 'sg' => $run->plan->density->gPerMl]], 'volume'),
        );

        return $this->volumes->estimate($request)->reconciliation?->correctionPct;
    }
}
