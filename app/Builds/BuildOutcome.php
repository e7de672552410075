<?php

declare(strict_types=1);

namespace App\Builds;

use Apalos\Core\Build\Care;
use Apalos\Core\Build\Operation;
use Apalos\Core\Build\OperationKind;
use Apalos\Core\Build\OperationState;
use Apalos\Core\Input\Fields;
use App\Contacts\Dryness;
use App\Contacts\JobContacts;
use App\Contacts\JudgedContact;
use App\Lists\Rows;
use App\Log\FrozenPlan;
use App\Log\RecordedRun;
use App\Models\Impression;
use App\Models\Pour;
use App\Models\PourState;
use App\Moulds\CastKeeper;
use App\Room\RoomTemperature;
use Illuminate\Support\Facades\DB;

/** What lists and clocks need to know of a build, read off its facts each time one is written down. */
final readonly class BuildOutcome
{
    private const PRINT = 'print-resin';

    public function __construct(private RoomTemperature $room, private CastKeeper $casts, private JobContacts $contacts) {}

    public function write(RecordedBuild $recorded): void
    {
        $state = $recorded->state;
        $over = $state->isOver();
        $recorded->build->update([
            'begun_at' => $state->hasBegun() ? ($recorded->build->begun_at ?? $recorded->now) : $recorded->build->begun_at,
            'planned_of' => $state->hasBegun() || $over ? null : $recorded->build->planned_of,
            'ended_at' => $over ? ($recorded->build->ended_at ?? $recorded->now) : null,
        ]);
        $recorded->build->planned_of === null && $recorded->build->handPlanOn();
        $this->main($recorded);
        $this->casts->over($recorded->build->id, $over);
        $this->fingers($recorded);
        $this->sealed($recorded);
        $this->dried($recorded);
        $this->postCured($recorded);
    }

    /** A print that was washed, lit and warmed in the build is so for what is cast in it; taken back there, it is not. */
    private function postCured(RecordedBuild $recorded): void
    {
        $done = BuildCare::of($recorded)->doneAt(Care::PostCure->value) !== null;
        if (
            ! $done
            && ! array_filter(
                $recorded->state->plan->operations, static fn (Operation $one): bool => in_array(Care::PostCure, $one->care, true),
            )
        ) {
            return;
        }
        $link = $recorded->build->impression;
        $chain = $this->contacts->chain($link->job->loadMissing('impressions'));
        $contacts = $link->contacts ?? [];
        foreach ($this->contacts->of($link, $chain, $chain->link($link->id)) as $contact) {
            if ($contact->touch->surface->id === self::PRINT) {
                $contacts[$contact->touch->key] = [...$contacts[$contact->touch->key] ?? [], 'post_cured' => $done];
            }
        }
        $contacts == ($link->contacts ?? [])
            || Rows::of('impressions')->where('id', $link->id)->update(['contacts' => json_encode($contacts, JSON_THROW_ON_ERROR)]);
    }

    /**
     * What the scale proved in the build is so: of what was built, or, where it is looked at before anything is poured, of what it is
     * poured on.
     */
    private function dried(RecordedBuild $recorded): void
    {
        [$own, $touched] = [[], []];
        foreach ($recorded->state->weighings as $operation => $weighings) {
            in_array(Care::Dry, $recorded->state->plan->operation($operation)->care ?? [], true)
                ? $touched = [...$touched, ...$weighings]
                : $own = [...$own, ...$weighings];
        }
        $link = $recorded->build->impression;
        if ($own !== [] || $link->proved_dry_at !== null) {
            self::proved([$link->id], $recorded, $own, $recorded->main()?->loadMissing('snapshot'));
        }
        $looks = array_filter(
            $recorded->state->plan->operations,
            static fn (Operation $one): bool => $one->kind === OperationKind::Check && in_array(Care::Dry, $one->care, true),
        );
        if ($looks === []) {
            return;
        }
        $chain = $this->contacts->chain($link->job->loadMissing('impressions'));
        $on = array_filter(
            $this->contacts->of($link, $chain, $chain->link($link->id)),
            static fn (JudgedContact $contact): bool => $contact->touch->link !== null && $contact->touch->surface->holdsWater(),
        );
        // What another build has proved of it stays so where nothing was weighed here.
        $touched === []
            || self::proved(
                array_map(static fn (JudgedContact $contact): int => (int) $contact->touch->link, array_values($on)), $recorded, $touched,
                null,
            );
    }

    /**
     * @param  list<int>  $links
     * @param  list<array{at: float, mass_g: float, step_g?: float}>  $weighings
     */
    private static function proved(array $links, RecordedBuild $recorded, array $weighings, ?Pour $pour): void
    {
        usort($weighings, static fn (array $one, array $other): int => $one['at'] <=> $other['at']);
        $at = $recorded->at(Dryness::of($weighings, $pour)->provedAt());
        // It is no edition of its own: nobody typed it.
        Rows::of('impressions')->whereIn('id', $links)->update(['proved_dry_at' => $at?->format('Y-m-d H:i:s.v')]);
    }

    /** What it is made of came out of its mould with the last opening, and bears its grade. */
    private function main(RecordedBuild $recorded): void
    {
        $main = $recorded->main();
        if ($main === null) {
            return;
        }
        $opened = null;
        foreach ($recorded->state->operations as $stands) {
            $opened = $stands->operation->kind === OperationKind::Open && $stands->state === OperationState::Done
                ? $recorded->at($stands->endedAt)
                : $opened;
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

    /** What was sealed in the build is sealed for every contact that plans it; taken back there, it is only planned again. */
    private function sealed(RecordedBuild $recorded): void
    {
        $care = BuildCare::of($recorded);
        $here = $recorded->build->impression_id;
        foreach (Impression::query()->where(
            'job_id', $recorded->build->impression->job_id,
        )->whereNotNull('contacts')->get(['id', 'workshop_id', 'contacts']) as $link) {
            $contacts = $link->contacts ?? [];
            foreach ($contacts as $key => $chosen) {
                $act = $link->id === $here ? 'seal' : ($key === "link-{$here}" ? 'seal-itself' : null);
                $at = $act === null ? null : $recorded->at($care->doneAt($act));
                $by = $chosen['sealed_by'] ?? null;
                if (
                    $at !== null
                    && ($chosen['sealed_with'] ?? null) !== null
                    && (($chosen['sealed_at'] ?? null) === null || $by === $recorded->build->id)
                ) {
                    $contacts[$key] = [
                        ...$chosen, 'sealed_at' => $at->toIso8601ZuluString('millisecond'), 'sealed_by' => $recorded->build->id,
                    ];
                } elseif ($at === null && $act !== null && $by === $recorded->build->id) {
                    $contacts[$key] = array_diff_key([...$chosen, 'sealed_at' => null], ['sealed_by' => 0]);
                }
            }
            // As it was chosen nothing changes: it is done, and that is no edition of its own.
            $contacts == ($link->contacts ?? [])
                || Rows::of('impressions')->where('id', $link->id)->update(['contacts' => json_encode($contacts, JSON_THROW_ON_ERROR)]);
        }
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
                        'workshop_id' => $recorded->build->workshop_id, 'build_id' => $recorded->build->id, 'base_code' => $pour->base_code,
                        'finger' => $touch->finger->value,
                        'minutes' => $minutes / $clock->model->factorOfMass($clock->mass), 'room_c' => $this->room->at($laid)->degrees,
                        'pour_id' => $pour->id, 'fact_key' => $recorded->fact($touch->fact)?->key,
                        'at' => $at->utc()->format('Y-m-d H:i:s.v'), 'sure' => $touch->sure, 'left_out' => $touch->leftOut,
                    ]);
                }
            }
        }
    }
}
