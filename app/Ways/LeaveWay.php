<?php

declare(strict_types=1);

namespace App\Ways;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use App\Builds\ThrowBuildAway;
use App\Models\Build;
use App\Models\Impression;
use App\Models\Job;
use App\Models\Pour;
use App\Models\PourState;
use App\Models\TakenWay;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** Takes back that a way was taken: the job stands as it stood, as long as nothing of the way has begun. */
final readonly class LeaveWay
{
    public function __construct(private ThrowBuildAway $throw) {}

    /** @throws BadInput where something of it has begun */
    public function __invoke(Job $job, int $taken, CarbonImmutable $now): void
    {
        DB::transaction(function () use ($job, $taken, $now): void {
            $way = TakenWay::query()->where('job_id', $job->id)->lockForUpdate()->findOrFail($taken);
            if ($way->undone_at !== null) {
                return;
            }
            $this->untouched($way);
            foreach (Build::query()->whereKey($way->made['builds'])->get() as $build) {
                ($this->throw)($build);
            }
            Pour::query()->whereKey($way->made['sheets'])->where('state', PourState::Draft)->delete();
            foreach (Impression::query()->whereKey($way->made['links'])->get() as $link) {
                // Whatever took its shape from it takes it as it did before.
                Impression::query()->where('from_id', $link->id)->update(['from_id' => null]);
                $link->delete();
            }
            Impression::onlyTrashed()->whereKey($way->made['replaced'])->restore();
            foreach ($way->made['casts'] as $cast) {
                Impression::query()->find($cast['id'])?->update(['material' => $cast['material']]);
            }
            foreach ($way->made['contacts'] as $link) {
                Impression::query()->find($link['id'])?->update(['contacts' => $link['contacts']]);
            }
            $this->inOrder($job);
            DB::table('job_wants')->where('taken_way_id', $way->id)->delete();
            $way->update(['undone_at' => $now]);
            $job->update(['taken_way_id' => TakenWay::query()->where('job_id', $job->id)->whereNull('undone_at')->max('id')]);
        }, 3);
    }

    /** @throws BadInput */
    private function untouched(TakenWay $way): void
    {
        $begun = Pour::query()->whereIn('impression_id', $way->made['links'])->whereNot('state', PourState::Draft)->exists()
            || Build::query()->whereKey($way->made['builds'])->whereNotNull('begun_at')->exists()
            || Pour::query()->whereKey($way->made['sheets'])->whereNot('state', PourState::Draft)->exists();
        $begun && throw BadInput::at('way', Phrase::of('bench.way_has_begun'));
    }

    private function inOrder(Job $job): void
    {
        foreach ($job->impressions()->get()->values() as $position => $link) {
            $link->position === $position || $link->update(['position' => $position]);
        }
    }
}
