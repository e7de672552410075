<?php

declare(strict_types=1);

namespace App\Builds;

use App\Models\Build;
use App\Models\Pour;
use App\Models\PourState;
use App\Models\Typed;
use Illuminate\Support\Facades\DB;

/** A planned build of which nothing has begun: gone with its sheets, and for two days it can be had back with them. */
final readonly class ThrowBuildAway
{
    /** False where another screen has begun it meanwhile: then it stays. */
    public function __invoke(Build $build): bool
    {
        return DB::transaction(static function () use ($build): bool {
            $planned = Build::query()->whereKey($build->id)->where('plain', false)->whereNull('begun_at')->lockForUpdate()->first();
            if ($planned === null) {
                return false;
            }
            // Of several copies all go that have not begun: it was one plan.
            $all = $planned->copies_of === null
                ? [$planned]
                : $planned->copies()->whereNull('begun_at')->whereNull('ended_at')->with('pours')->lockForUpdate()->get()->all();
            Typed::query()->updateOrCreate([
                'screen' => self::kept($planned->id),
            ], ['what' => ['builds' => array_map(static fn (Build $build): array => [
                'build' => [
                    'impression_id' => $build->impression_id, 'kind' => $build->kind, 'name' => $build->name, 'plan' => $build->plan,
                    'created_at' => $build->created_at->toIso8601String(), 'copies_of' => $build->copies_of, 'copy' => $build->copy,
                    'wanted_on' => $build->wanted_on?->toDateString(),
                ],
                'sheets' => $build->pours->map(
                    static fn (Pour $pour): array => ['operation' => $pour->operation, 'sheet' => $pour->sheet],
                )->all(),
            ], $all)]]);
            Build::query()->whereKey(array_map(static fn (Build $build): int => $build->id, $all))->delete();

            return true;
        }, 3);
    }

    /** The plan as it was, under a number of its own; null where nothing of it is kept, or another stands in its place. */
    public function back(int $build): ?Build
    {
        return DB::transaction(static function () use ($build): ?Build {
            $kept = Typed::query()->where('screen', self::kept($build))->lockForUpdate()->first();
            // What was thrown away before there were copies is one of itself.
            $builds = $kept === null ? [] : ($kept->what['builds'] ?? [$kept->what]);
            $link = $builds[0]['build']['impression_id'] ?? null;
            if ($kept === null || $link === null || Build::query()->where('planned_of', $link)->exists()) {
                return null;
            }
            $back = null;
            foreach ($builds as $one) {
                $build = Build::query()->create([...$one['build'], 'planned_of' => $back === null ? $link : null]);
                $back ??= $build;
                foreach ($one['sheets'] as $sheet) {
                    $build->pours()->create([...$sheet, 'impression_id' => $link, 'state' => PourState::Draft]);
                }
            }
            $kept->delete();

            return $back;
        }, 3);
    }

    private static function kept(int $build): string
    {
        return "thrown-build/{$build}";
    }
}
