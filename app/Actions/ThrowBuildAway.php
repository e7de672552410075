<?php

declare(strict_types=1);

namespace App\Actions;

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
            Typed::query()->updateOrCreate(['screen' => self::kept($planned->id)], ['what' => [
                'build' => ['impression_id' => $planned->impression_id, 'kind' => $planned->kind, 'name' => $planned->name, 'plan' => $planned->plan, 'created_at' => $planned->created_at->toIso8601String()],
                'sheets' => $planned->pours->map(static fn (Pour $pour): array => ['operation' => $pour->operation, 'sheet' => $pour->sheet])->all(),
            ]]);
            $planned->delete();

            return true;
        }, 3);
    }

    /** The plan as it was, under a number of its own; null where nothing of it is kept, or another stands in its place. */
    public function back(int $build): ?Build
    {
        return DB::transaction(static function () use ($build): ?Build {
            $kept = Typed::query()->where('screen', self::kept($build))->lockForUpdate()->first();
            $link = $kept?->what['build']['impression_id'] ?? null;
            if ($kept === null || Build::query()->where('planned_of', $link)->exists()) {
                return null;
            }
            $back = Build::query()->create([...$kept->what['build'], 'planned_of' => $link]);
            foreach ($kept->what['sheets'] as $sheet) {
                $back->pours()->create([...$sheet, 'impression_id' => $link, 'state' => PourState::Draft]);
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
