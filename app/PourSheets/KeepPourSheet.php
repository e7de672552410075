<?php

declare(strict_types=1);

namespace App\PourSheets;

use App\Models\Outdated;
use App\Models\Pour;
use App\Models\PourState;
use Illuminate\Support\Facades\DB;

/** Keeps a pour's sheet as it is typed, right or wrong. */
final readonly class KeepPourSheet
{
    /**
     * @param  array<string, mixed>  $sheet
     * @param  int  $edition  of the sheet it was typed on
     * @return Pour as it stands now
     *
     * @throws Outdated when another screen has changed it since, or begun it: then this word comes too late and changes nothing
     */
    public function __invoke(Pour $pour, array $sheet, int $edition): Pour
    {
        return DB::transaction(static function () use ($pour, $sheet, $edition): Pour {
            $shown = Pour::asShown($pour->id, $edition);
            if ($shown->state !== PourState::Draft) {
                throw Outdated::of($shown);
            }
            $shown->update(['sheet' => $sheet]);

            return $shown;
        }, 3);
    }
}
