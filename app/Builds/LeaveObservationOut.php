<?php

declare(strict_types=1);

namespace App\Builds;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use App\Models\Build;
use App\Models\Pour;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** Takes something that was watched out of what a clock rests on, or back in. What has begun keeps the clock it was begun with. */
final readonly class LeaveObservationOut
{
    public function __construct(private BuildOutcome $outcome) {}

    /** @throws BadInput where no gel of this pour was watched */
    public function gel(Pour $pour, bool $out): void
    {
        DB::transaction(static function () use ($pour, $out): void {
            $fresh = Pour::query()->lockForUpdate()->findOrFail($pour->id);
            $fresh->gel_min !== null || throw BadInput::at('pour', Phrase::of('bench.no_gel_pour_written'));
            $fresh->update(['gel_left_out' => $out]);
        }, 3);
    }

    /**
     * @param  string  $key  of the fact that tells the touch
     *
     * @throws BadInput where there is no such touch
     */
    public function touch(Build $build, string $key, bool $out, CarbonImmutable $now): void
    {
        DB::transaction(function () use ($build, $key, $out, $now): void {
            $fresh = Build::query()->with('impression.job')->lockForUpdate()->findOrFail($build->id);
            $recorded = RecordedBuild::of($fresh, $now);
            $touches = array_map(
                static fn ($felt): ?string => $recorded->fact($felt->fact)?->key, array_merge(...array_values($recorded->state->touches)),
            );
            if (! in_array($key, $touches, true)) {
                throw BadInput::at('key', Phrase::of('bench.no_such_touch_in'));
            }
            $others = array_values(array_diff($fresh->left_out_touches ?? [], [$key]));
            $fresh->update(['left_out_touches' => $out ? [...$others, $key] : $others]);
            $this->outcome->write(RecordedBuild::of($fresh, $now));
        }, 3);
    }
}
