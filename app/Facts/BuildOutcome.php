<?php

declare(strict_types=1);

namespace App\Facts;

use Apalos\Core\Build\OperationKind;
use Apalos\Core\Build\OperationState;
use Apalos\Core\Input\Fields;
use App\Keeping\CastKeeper;
use App\Models\PourState;
use App\Workshop\FrozenPlan;
use App\Workshop\RecordedBuild;
use App\Workshop\RecordedRun;
use App\Workshop\RoomTemperature;
use App\Workshop\Rows;
use Illuminate\Support\Facades\DB;

/** What lists and clocks need to know of a build, read off its facts each time one is written down. */
final readonly class BuildOutcome
{
    public function __construct(private RoomTemperature $room, private CastKeeper $casts) {}

    public function write(RecordedBuild $recorded): void
    {
        $state = $recorded->state;
        $over = $state->isOver();
        $recorded->build->update([
            'begun_at' => $state->hasBegun() ? ($recorded->build->begun_at ?? $recorded->now) : $recorded->build->begun_at,
            'planned_of' => $state->hasBegun() || $over ? null : $recorded->build->planned_of,
            'ended_at' => $over ? ($recorded->build->ended_at ?? $recorded->now) : null,
        ]);
        $this->main($recorded);
        $this->casts->over($recorded->build->id, $over);
        $this->fingers($recorded);
    }

    /** What it is made of came out of its mould with the last opening, and bears its grade. */
    private function main(RecordedBuild $recorded): void
    {
        $main = $recorded->pours[$recorded->state->plan->main()->id ?? ''] ?? null;
        if ($main === null || $main->poured_at === null) {
            return;
        }
        $opened = null;
        foreach ($recorded->state->operations as $stands) {
            $opened = $stands->operation->kind === OperationKind::Open && $stands->state === OperationState::Done ? $recorded->at($stands->endedAt) : $opened;
        }
        $grade = $recorded->state->grade === null ? null : Fields::of($recorded->state->grade);
        $main->fill([
            'opened_at' => $opened,
            'state' => $grade === null ? PourState::Laid : PourState::Graded,
            'grade' => $grade?->text('grade'),
            'faults' => $grade?->strings('faults'),
            'pieces' => $grade === null ? null : (int) $grade->number('pieces'),
            'note' => $grade?->textOrNull('note'),
        ])->save();
        $this->casts->settle(RecordedRun::of($main->load('impression.job', 'build')));
    }

    private function fingers(RecordedBuild $recorded): void
    {
        Rows::of('finger_tests')->where('build_id', $recorded->build->id)->delete();
        foreach ($recorded->state->touches as $operation => $touches) {
            $pour = $recorded->pours[$operation] ?? null;
            $laid = $recorded->at($recorded->state->operations[$operation]->endedAt ?? null);
            if ($pour?->base_code === null || $laid === null) {
                continue;
            }
            $clock = FrozenPlan::of($pour)->clock;
            foreach ($touches as $touch) {
                $at = $recorded->at($touch->at) ?? $laid;
                $minutes = $laid->diffInMilliseconds($at) / 60_000.0;
                if ($minutes > 0.0) {
                    DB::table('finger_tests')->insert([
                        'workshop_id' => $recorded->build->workshop_id, 'build_id' => $recorded->build->id, 'base_code' => $pour->base_code, 'finger' => $touch->finger->value,
                        'minutes' => $minutes / $clock->model->factorOfMass($clock->mass), 'room_c' => $this->room->at($laid)->degrees,
                        'pour_id' => $pour->id, 'fact_key' => $recorded->fact($touch->fact)?->key, 'at' => $at->utc()->format('Y-m-d H:i:s.v'), 'sure' => $touch->sure, 'left_out' => $touch->leftOut,
                    ]);
                }
            }
        }
    }
}
