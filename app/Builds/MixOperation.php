<?php

declare(strict_types=1);

namespace App\Builds;

use Apalos\Core\Build\Operation;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Phrasebook;
use App\Models\Build;
use App\Models\Pour;
use App\Models\PourState;
use App\PourSheets\PlanPour;
use App\PourSheets\PourSheetReckoner;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/**
 * Opens the sheet of an operation that mixes: the one begun before, or a new one with what the build knows of it.
 *
 * @phpstan-import-type Planned from OperationSheet
 */
final readonly class MixOperation
{
    public function __construct(
        private PlanPour $sheets,
        private PourSheetReckoner $reckoner,
        private OperationSheet $plans,
        private Phrasebook $words,
    ) {}

    /** @throws BadInput where there is nothing to mix */
    public function __invoke(Build $build, string $operation, CarbonImmutable $now): Pour
    {
        return DB::transaction(function () use ($build, $operation, $now): Pour {
            $recorded = RecordedBuild::of(Build::query()->with('impression.job')->lockForUpdate()->findOrFail($build->id), $now);
            $op = $recorded->state->plan->operation($operation);
            if ($op === null || $op->mixing === null) {
                throw BadInput::at('operation', Phrase::of('bench.operation_no_longer_in_plan'));
            }
            if (isset($recorded->pours[$operation])) {
                return $recorded->pours[$operation];
            }
            $planned = $this->plans->of($recorded, $op, $op->mixing);
            $turn = (int) $build->pours()->where('operation', $operation)->max('turn')
                + ($build->pours()->where('operation', $operation)->exists() ? 1 : 0);

            return $recorded->build->pours()->createOrFirst(
                ['build_id' => $build->id, 'operation' => $operation, 'turn' => $turn],
                [
                    'impression_id' => $build->impression_id,
                    'sheet' => $this->reckoner->fitted($this->sheet($recorded, $op, $planned))['sheet'], 'planned' => $planned,
                    'state' => PourState::Draft,
                ],
            );
        }, 3);
    }

    /**
     * @param  Planned  $planned
     * @return array<string, mixed>
     */
    private function sheet(RecordedBuild $recorded, Operation $operation, array $planned): array
    {
        $impression = $recorded->build->impression;
        $before = $this->plans->copyBefore($recorded->build, $operation);
        // Planned alike, it is mixed alike: what was changed by hand on the sheet of the copy before stands on this one too.
        if (
            $before !== null
            && $before->planned !== null
            && OperationSheet::says($before->planned, [
                'mix' => $planned['mix'], 'volume' => $planned['volume'], 'base' => $planned['base'],
            ])
        ) {
            return [...$before->sheet, 'carried' => $this->words->say(Phrase::of('bench.copy_before'))];
        }

        return [
            ...$this->sheets->fresh($impression->replicate()->setAttribute('material', $planned['base'])),
            'volume' => $planned['volume'],
            'formula' => ['base' => $planned['base'], 'additives' => $planned['additives']],
            'formula_name' => mb_substr("{$impression->job->name}, {$operation->name}", 0, 120),
        ];
    }
}
