<?php

declare(strict_types=1);

namespace App\Builds;

use Apalos\Core\Input\Fields;
use App\Facts\AppendFact;
use App\Facts\Happened;
use App\Models\Build;
use Carbon\CarbonImmutable;

/** A change of plan holds for every copy that has not begun: several copies are one plan. */
final readonly class ChangeCopies
{
    public function __construct(private AppendFact $append, private BuildStreams $builds, private FollowPlan $follow) {}

    /** @param  Fields  $told  the change, as it was told of the one */
    public function __invoke(Build $build, Fields $told, CarbonImmutable $now): void
    {
        $others = $build->copies_of === null
            ? []
            : $build->copies()->whereKeyNot($build->id)->whereNull('begun_at')->whereNull('ended_at')->with('impression.job')->get()->all();
        foreach ($others as $other) {
            $key = mb_substr(hash('sha256', "{$told->text('key')}/{$other->id}"), 0, 40);
            $stands = RecordedBuild::of($other, $now);
            if (in_array($key, array_map(static fn (Happened $fact): string => $fact->key, $stands->facts), true)) {
                continue;
            }
            $stream = ($this->append)($this->builds, $other->id, Fields::of([
                'key' => $key, 'kind' => $told->text('kind'),
                'payload' => ['operations' => $told->object('payload')->toArray()['operations'] ?? null, 'was' => $stands->state->edition],
            ]), $now);
            foreach ($stream->recorded->pours as $pour) {
                ($this->follow)($pour, $now);
            }
        }
    }
}
