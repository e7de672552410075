<?php

declare(strict_types=1);

namespace App\Upgrades;

use App\Studies\InShort;
use Illuminate\Support\Facades\DB;

/** Studies of before say in short what a list shows of them. */
final readonly class LiftStudies
{
    public static function lift(): void
    {
        foreach (DB::table('studies')->whereNotNull('answer')->whereNull('in_short')->select([
            'id', 'answer',
        ])->orderBy('id')->lazyById(20) as $row) {
            $answer = json_decode((string) $row->answer, true);
            DB::table('studies')->where('id', $row->id)->update([
                'in_short' => json_encode(InShort::of(is_array($answer) ? $answer : []), JSON_THROW_ON_ERROR),
            ]);
        }
    }
}
