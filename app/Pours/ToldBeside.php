<?php

declare(strict_types=1);

namespace App\Pours;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Run\Outcome;
use Apalos\Core\Run\StepKind;
use App\Facts\StepHasMoved;
use App\Library\Library;
use App\Log\RecordedRun;
use App\Models\ImpressionKind;
use App\Models\Lot;
use App\Models\Mould;
use App\Models\PourState;
use App\Moulds\Rack;

/** What may be told beside the steps of a run: its moulds, its lots, what was wrong with it, its pieces one by one. */
final readonly class ToldBeside
{
    private const MOST_MOULDS = 40;

    private const MOST_PIECES = 2_000;

    public function __construct(private Library $library, private Rack $rack) {}

    /** @return array{moulds: list<int>} */
    public function moulded(Fields $in, RecordedRun $run): array
    {
        $in->only('moulds');
        if (! in_array($run->pour->impression->kind, [ImpressionKind::Cast, ImpressionKind::Copy], true)) {
            throw BadInput::at('moulds', Phrase::of('bench.pour_mould_goes_round'));
        }
        if (in_array($run->state->step->kind, [StepKind::Done, StepKind::GivenUp], true)) {
            throw new StepHasMoved(Phrase::of('bench.castings_are_told'));
        }
        $said = $in->toArray()['moulds'] ?? [];
        $moulds = array_values(array_unique(array_filter(is_array($said) ? $said : [], is_int(...))));
        if ($moulds === [] || ! is_array($said) || count($said) > self::MOST_MOULDS) {
            throw BadInput::at('moulds', Phrase::of('bench.say_which_mould_goes'));
        }
        $known = Mould::query()->whereKey($moulds)->orderBy('id')->lockForUpdate()->get()->keyBy('id');
        $filled = $this->rack->filledWith($moulds, $run->pour->id);
        foreach ($moulds as $id) {
            $mould = $known->get($id) ?? throw BadInput::at('moulds', Phrase::of('bench.no_such_mould_on_rack', ['id' => $id]));
            if ($mould->retired_at !== null) {
                throw BadInput::at('moulds', Phrase::of('bench.mould_is_retired', ['name' => $mould->name, 'code' => $mould->code()]));
            }
            if (isset($filled[$id])) {
                throw BadInput::at('moulds', Phrase::of('bench.mould_is_filled', [
                    'name' => $mould->name, 'code' => $mould->code(), 'job' => $filled[$id]['job'], 'link' => $filled[$id]['link'],
                ]));
            }
        }

        return ['moulds' => $moulds];
    }

    /** @return array{code: string, lot: int} */
    public function drawnFrom(Fields $in, RecordedRun $run): array
    {
        $in->only('code', 'lot');
        if (in_array($run->state->step->kind, [StepKind::Done, StepKind::GivenUp], true)) {
            throw new StepHasMoved(Phrase::of('bench.lots_are_told'));
        }
        $code = $in->text('code');
        $lot = Lot::query()->find((int) $in->number('lot', 1.0, 1e15));
        if ($lot === null || $lot->code !== $code) {
            throw BadInput::at('lot', Phrase::of('bench.lot_is_of_other_material'));
        }
        if ($lot->ended_at !== null) {
            throw BadInput::at('lot', Phrase::of('bench.lot_is_gone', ['label' => $lot->label()]));
        }

        return ['code' => $code, 'lot' => $lot->id];
    }

    /** @return array{cause: string, answers: array<string, bool|float|int|string>} */
    public function diagnosed(Fields $in, RecordedRun $run): array
    {
        $in->only('cause', 'answers');
        // A cast of a build bears the grade of that.
        if ($run->pour->state !== PourState::Graded || $run->pour->grade === null) {
            throw new StepHasMoved(Phrase::of('bench.say_first_how_came'));
        }
        $cause = $in->text('cause');
        if (! isset($this->library->faultBook()->causes[$cause])) {
            throw BadInput::at('cause', Phrase::of('bench.no_such_cause_in_library'));
        }
        $answers = [];
        foreach ($in->objectOrNull('answers')?->toArray() ?? [] as $fact => $value) {
            if (is_string($fact) && isset($this->library->faultBook()->questions[$fact]) && is_scalar($value)) {
                $answers[$fact] = is_string($value) ? mb_substr($value, 0, 40) : $value;
            }
        }

        return ['cause' => $cause, 'answers' => $answers];
    }

    /** @return list<array{outcome: string, fault: string|null}>|null */
    public function each(Fields $in): ?array
    {
        if (! $in->has('each')) {
            return null;
        }
        $each = [];
        foreach ($in->objects('each', self::MOST_PIECES) as $piece) {
            $piece->only('outcome', 'fault');
            $outcome = $piece->text('outcome');
            Outcome::tryFrom($outcome) ?? throw BadInput::at($piece->at('outcome'), Phrase::of('bench.what_a_piece_may_be'));
            $fault = $piece->textOrNull('fault');
            $fault === null
                || isset($this->library->faults()[$fault])
                || throw BadInput::at($piece->at('fault'), Phrase::of('bench.no_fault_in_list', ['fault' => $fault]));
            $each[] = ['outcome' => $outcome, 'fault' => $fault];
        }

        return $each === [] ? null : $each;
    }
}
