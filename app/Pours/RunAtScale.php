<?php

declare(strict_types=1);

namespace App\Pours;

use Apalos\Core\Run\StepKind;
use App\Log\RecordedRun;
use App\Models\Pour;
use App\Models\PourState;
use App\Scale\WeighsUp;
use App\Scale\WeighUpAtHand;

/** A run that is weighed. */
final readonly class RunAtScale implements WeighsUp
{
    public function find(int $id): ?WeighUpAtHand
    {
        $pour = Pour::query()->with('impression.job')->whereNotNull('started_at')->find($id);

        return $pour === null ? null : self::of(RecordedRun::of($pour));
    }

    public static function of(RecordedRun $run): WeighUpAtHand
    {
        $pour = $run->pour;
        $isWeighing = $pour->state === PourState::Running && in_array($run->state->step->kind, [StepKind::Weigh, StepKind::Rescue], true);

        return new WeighUpAtHand(
            RecordedRun::STREAM, $pour->id, "{$pour->impression->job->name} · {$pour->impression->name}", "/pours/{$pour->id}/run",
            $isWeighing, $isWeighing ? $run->expects() : null,
        );
    }
}
