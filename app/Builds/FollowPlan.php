<?php

declare(strict_types=1);

namespace App\Builds;

use App\Models\Pour;
use App\Models\PourState;
use App\PourSheets\PourSheetReckoner;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/**
 * Until it is weighed, the sheet of an operation follows its plan: thickness, area, amount, base, tint, and the formula of the piece.
 * What the maker changed on it by hand stays.
 */
final readonly class FollowPlan
{
    private const PARTS = ['volume' => 'volume', 'base' => 'formula.base', 'additives' => 'formula.additives'];

    public function __construct(private OperationSheet $sheets, private PourSheetReckoner $reckoner) {}

    /** @return bool whether the sheet says something else now */
    public function __invoke(Pour $pour, CarbonImmutable $now): bool
    {
        if ($pour->state !== PourState::Draft || $pour->planned === null) {
            return false;
        }

        return DB::transaction(function () use ($pour, $now): bool {
            $fresh = Pour::query()->with('build.impression.job')->lockForUpdate()->findOrFail($pour->id);
            $recorded = RecordedBuild::of($fresh->build, $now);
            $operation = $recorded->state->plan->operation($fresh->operation);
            $before = $fresh->planned;
            if ($fresh->state !== PourState::Draft || $before === null || $operation?->mixing === null) {
                return false;
            }
            $plan = $this->sheets->of($recorded, $operation, $operation->mixing);
            $sheet = $fresh->sheet;
            foreach (self::PARTS as $part => $where) {
                $said = $before[$part] ?? null;
                $byHand = is_array($said) ? ! OperationSheet::says(data_get($sheet, $where), $said) : data_get($sheet, $where) !== $said;
                $byHand || data_set($sheet, $where, $plan[$part]);
            }
            $changed = $sheet != $fresh->sheet;
            $plan['first'] = $before['first'] ?? $before['mix'] ?? $plan['mix'];
            if ($changed || $plan != $before) {
                $fresh->update(['sheet' => $changed ? $this->reckoner->fitted($sheet)['sheet'] : $fresh->sheet, 'planned' => $plan]);
                $pour->refresh();
            }

            return $changed;
        }, 3);
    }
}
