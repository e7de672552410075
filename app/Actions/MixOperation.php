<?php

declare(strict_types=1);

namespace App\Actions;

use Apalos\Core\Build\Mixing;
use Apalos\Core\Build\Operation;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use App\Models\Build;
use App\Models\Pour;
use App\Models\PourState;
use App\Workshop\Library;
use App\Workshop\RecordedBuild;
use App\Workshop\SheetReckoner;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** Opens the sheet of an operation that mixes: the one begun before, or a new one with what the build knows of it. */
final readonly class MixOperation
{
    private const COATS_ALLOW_PCT = 12;

    private const TINT_PCT = 0.5;

    public function __construct(private PlanPour $sheets, private SheetReckoner $reckoner, private Library $library) {}

    /** @throws BadInput where there is nothing to mix */
    public function __invoke(Build $build, string $operation, CarbonImmutable $now): Pour
    {
        return DB::transaction(function () use ($build, $operation, $now): Pour {
            $recorded = RecordedBuild::of(Build::query()->with('impression.job')->lockForUpdate()->findOrFail($build->id), $now);
            $op = $recorded->state->plan->operation($operation);
            if ($op === null || $op->mixing === null) {
                throw BadInput::at('operation', Phrase::written('That operation is no longer in the plan, or mixes nothing. Look at the build again.'));
            }
            if (isset($recorded->pours[$operation])) {
                return $recorded->pours[$operation];
            }
            $turn = (int) $build->pours()->where('operation', $operation)->max('turn') + ($build->pours()->where('operation', $operation)->exists() ? 1 : 0);

            return $recorded->build->pours()->createOrFirst(
                ['build_id' => $build->id, 'operation' => $operation, 'turn' => $turn],
                ['impression_id' => $build->impression_id, 'sheet' => $this->reckoner->fitted($this->sheet($recorded, $op, $op->mixing))['sheet'], 'state' => PourState::Draft],
            );
        }, 3);
    }

    /** @return array<string, mixed> */
    private function sheet(RecordedBuild $recorded, Operation $operation, Mixing $mixing): array
    {
        $impression = $recorded->build->impression;
        $like = $impression->replicate()->setAttribute('material', $mixing->base ?? $impression->material);
        $sheet = $this->sheets->fresh($like);
        $coat = $mixing->thickness !== null;
        $volume = $mixing->volume();

        return [
            ...$sheet,
            'volume' => $coat && $mixing->area !== null && $mixing->ml === null
                ? ['method' => 'coats', 'area_mm2' => $mixing->area, 'coats' => [['thickness_mm' => $mixing->thickness]], 'allowance_pct' => self::COATS_ALLOW_PCT]
                : ['method' => 'capacity', 'capacity_ml' => $volume === null ? null : round($volume, 1), 'allowance_pct' => $coat ? self::COATS_ALLOW_PCT : 8],
            'formula' => ['base' => $like->material ?? '', 'additives' => $this->additives($like->material ?? '', $mixing)],
            'formula_name' => mb_substr("{$impression->job->name}, {$operation->name}", 0, 120),
        ];
    }

    /** @return list<array{code: string, amount: float, basis: string, into: string}> */
    private function additives(string $code, Mixing $mixing): array
    {
        $base = $this->library->shelf()->bases[$code] ?? null;
        $additives = [];
        if ($base === null) {
            return [];
        }
        foreach ($this->library->atHand()->additives as $sheet) {
            $amount = match (true) {
                ! in_array($base->family, $sheet->families, true) => null,
                $sheet->role->value === 'thickener' => $mixing->thickener,
                $sheet->role->value === 'pigment' && $mixing->tint !== null => $sheet->code === "pi-{$mixing->tint}" ? self::TINT_PCT : null,
                default => null,
            };
            if ($amount !== null && $amount > 0.0) {
                $additives[] = ['code' => $sheet->code, 'amount' => $amount, 'basis' => $sheet->role->value === 'thickener' ? 'pct_of_ab' : 'pct_of_total', 'into' => $sheet->role->value === 'thickener' ? 'after' : $sheet->into->value];
            }
        }

        return $additives;
    }
}
