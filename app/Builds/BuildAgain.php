<?php

declare(strict_types=1);

namespace App\Builds;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use App\Models\Build;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/**
 * Builds the same again, so many times: more copies of it, planned as it was built in the end. Each takes formula, colours and sheets of
 * the one before.
 */
final readonly class BuildAgain
{
    private const MOST = 60;

    /**
     * @param  Fields  $in  `copies`, 1 to 60
     *
     * @throws BadInput where nothing of it has begun, or another build of its link is planned
     */
    public function __invoke(Build $build, Fields $in, CarbonImmutable $now): Build
    {
        $copies = $in->only('copies')->number('copies', 1.0, (float) self::MOST);
        if ($copies !== floor($copies)) {
            throw BadInput::at('copies', Phrase::of('bench.give_whole_number_copies'));
        }

        return DB::transaction(function () use ($build, $copies, $now): Build {
            $past = RecordedBuild::of(Build::query()->with('impression.job')->lockForUpdate()->findOrFail($build->id), $now);
            $of = $past->build;
            if ($of->begun_at === null) {
                throw BadInput::at('copies', Phrase::of('bench.nothing_has_begun_yet'));
            }
            if (Build::query()->where('planned_of', $of->impression_id)->exists()) {
                throw BadInput::at('copies', Phrase::of('bench.build_planned_already_build', [
                    'called_on_screen' => $of->impression->calledOnScreen(),
                ]));
            }
            $of->copies_of === null && $of->update(['copies_of' => $of->id]);
            $last = (int) $of->copies()->reorder()->max('copy');
            for ($i = 1; $i <= (int) $copies; $i++) {
                $made = $of->impression->builds()->create([
                    'kind' => $of->kind, 'name' => $of->name, 'plan' => $past->state->plan->toArray(), 'created_at' => $now,
                    'copies_of' => $of->copies_of, 'copy' => $last + $i, 'planned_of' => $i === 1 ? $of->impression_id : null,
                ]);
                $first ??= $made;
            }

            return $first ?? $of;
        }, 3);
    }
}
