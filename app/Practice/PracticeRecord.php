<?php

declare(strict_types=1);

namespace App\Practice;

use Apalos\Core\Practice\PracticedRun;
use App\Builds\RecordedBuild;
use App\Facts\Happened;
use App\Log\RecordedRun;
use App\Models\Build;
use App\Models\Impression;
use App\Models\Pour;
use App\Models\PracticeTry;
use Carbon\CarbonImmutable;

/**
 * What was told at a practice, as the debrief reads it and as it can be walked again: runs and build with their facts, minutes of the
 * practice.
 *
 * @phpstan-import-type ToldShape from PracticeTry
 * @phpstan-import-type RecordShape from PracticeTry
 */
final readonly class PracticeRecord
{
    /** @return RecordShape */
    public static function of(PracticeTry $try, CarbonImmutable $now): array
    {
        $runs = [];
        foreach (RecordedRun::all(
            array_values(
                Pour::query()->with('impression.job')->whereNotNull('started_at')->orderBy('started_at')->orderBy('id')->get()->all(),
            ),
        ) as $run) {
            $began = $run->pour->started_at ?? $now;
            $runs[] = [
                'of' => $run->pour->operation, 'plan' => $run->plan->toArray(), 'clock' => PracticeDesk::sheet($run)->toArray(),
                'family' => $run->frozen->family, 'began_min' => $try->minute($began),
                'facts' => self::facts($run->facts, (int) $began->getTimestampMs()),
            ];
        }
        $build = Build::query()->where('plain', false)->with('impression.job')->first();
        $recorded = $build === null ? null : RecordedBuild::of($build, $now);

        return [
            'runs' => $runs,
            'build' => $recorded === null
                ? null
                : [
                    'plan' => $recorded->state->plan->toArray(), 'began_min' => $try->minute($recorded->build->created_at),
                    'facts' => self::facts($recorded->facts, (int) $recorded->build->created_at->getTimestampMs()),
                ],
            'links' => array_values(
                Impression::query()->orderBy('position')->pluck('id')->map(static fn (mixed $id): int => (int) $id)->all(),
            ),
        ];
    }

    /**
     * @param  list<Happened>  $facts
     * @return list<ToldShape>
     */
    private static function facts(array $facts, int $beganMs): array
    {
        // Notes move nothing, and there may be more of them than anybody reads.
        $facts = array_slice(
            array_values(array_filter($facts, static fn (Happened $fact): bool => $fact->kind !== 'noted')), 0, PracticedRun::MOST_FACTS,
        );

        return array_map(
            static fn (Happened $fact): array => [
                'id' => $fact->id, 'at_min' => max(0.0, ($fact->atMs - $beganMs) / 60_000.0), 'kind' => $fact->kind,
                'payload' => $fact->payload,
            ],
            $facts,
        );
    }
}
