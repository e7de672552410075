<?php

declare(strict_types=1);

namespace App\PourSheets;

use App\Models\Build;
use App\Models\Pour;
use App\Models\PourState;
use App\Models\Typed;
use Illuminate\Support\Facades\DB;

/** A plan nobody will pour: gone, and for two days it can be had back. */
final readonly class ThrowPlanAway
{
    /** @throws \App\Models\Outdated */
    public function __invoke(Pour $pour, int $edition): void
    {
        DB::transaction(static function () use ($pour, $edition): void {
            $pour = Pour::asShown($pour->id, $edition);
            Typed::query()->updateOrCreate(
                ['screen' => self::kept($pour->id)],
                [
                    'what' => [
                        'impression_id' => $pour->impression_id, 'sheet' => $pour->sheet,
                        ...$pour->build->plain
                            ? []
                            : ['build_id' => $pour->build_id, 'operation' => $pour->operation, 'turn' => $pour->turn],
                    ],
                ],
            );
            // Another screen may have begun it meanwhile: then it stays.
            Pour::query()->whereKey($pour->id)->where('state', PourState::Draft)->delete();
        }, 3);
    }

    /** The plan as it was, under a number of its own; null where nothing of it is kept any more. */
    public function back(int $pour): ?Pour
    {
        return DB::transaction(static function () use ($pour): ?Pour {
            $kept = Typed::query()->where('screen', self::kept($pour))->lockForUpdate()->first();
            if ($kept === null) {
                return null;
            }
            $kept->delete();

            // A build may have been thrown away, or have a sheet in its place, since: then it comes back beside it, as a sheet of its own.
            $isTaken = isset($kept->what['build_id'])
                && (
                    Build::query()->whereKey($kept->what['build_id'])->doesntExist()
                    || Pour::query()
                        ->where('build_id', $kept->what['build_id'])
                        ->where('operation', $kept->what['operation'])
                        ->where('turn', $kept->what['turn'])
                        ->exists()
                );

            return Pour::query()->create([
                ...$isTaken ? array_diff_key($kept->what, ['build_id' => 0, 'operation' => 0, 'turn' => 0]) : $kept->what,
                'state' => PourState::Draft,
            ]);
        }, 3);
    }

    private static function kept(int $pour): string
    {
        return "thrown/{$pour}";
    }
}
