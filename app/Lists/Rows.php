<?php

declare(strict_types=1);

namespace App\Lists;

use App\Models\Workshop;
use DateTimeImmutable;
use DateTimeZone;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** Bare rows of this workshop, for what is looked at again and again and needs no record around it. */
final readonly class Rows
{
    public static function of(string $table): Builder
    {
        return DB::table($table)->where("{$table}.workshop_id", app(Workshop::class)->id);
    }

    /** A moment of a bare row, in ms; null where there is none. */
    public static function ms(mixed $moment): ?int
    {
        return is_string($moment) && $moment !== '' ? (int) (new DateTimeImmutable($moment, new DateTimeZone('UTC')))->format('Uv') : null;
    }
}
