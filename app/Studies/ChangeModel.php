<?php

declare(strict_types=1);

namespace App\Studies;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Mesh\LengthUnit;
use Apalos\Core\Piece\Sides;
use App\Models\Job;
use App\Models\ModelFile;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** The unit a model was drawn in, what its sides are called, and the job it is for: what is named of them is changed, or nothing is. */
final readonly class ChangeModel
{
    /**
     * @param  Fields  $said  of `unit`, `sides` and `job` those that change; one that is named and empty is taken away
     *
     * @throws BadInput
     */
    public function __invoke(ModelFile $model, Fields $said, CarbonImmutable $now): void
    {
        $names = $said->toArray();
        DB::transaction(static function () use ($model, $said, $names, $now): void {
            if (array_key_exists('unit', $names)) {
                $model->unit = $said->has('unit') ? $said->choice('unit', LengthUnit::class) : null;
            }
            if (array_key_exists('sides', $names)) {
                $model->sides = Sides::from($said->objectOrNull('sides'))->toArray();
            }
            if (array_key_exists('job', $names)) {
                $job = $said->has('job') ? Job::query()->findOrFail((int) $said->number('job', 1.0, 1e15)) : null;
                $job === null ? $model->jobs()->detach() : $model->serves($job, $now);
            }
            $model->save();
        });
    }
}
