<?php

declare(strict_types=1);

namespace App\Upgrades;

use App\Library\Library;
use App\Models\ImpressionKind;
use Illuminate\Support\Facades\DB;

/**
 * Plans of before said in their names, and in English, what they are: that a check is one the scale answers, and of which kind a mould is.
 * From now on they carry it.
 */
final readonly class LiftPlans
{
    private const AT_ONCE = 500;

    public static function lift(Library $library): void
    {
        self::checks('builds', 'plan');
        self::checks('own_builds', 'made');
        self::kinds($library);
    }

    private static function checks(string $table, string $column): void
    {
        foreach (DB::table($table)->whereNotNull($column)->select(['id', $column])->lazyById(self::AT_ONCE) as $row) {
            $was = json_decode((string) $row->{$column}, true);
            if (! is_array($was) || ! is_array($was['operations'] ?? null)) {
                continue;
            }
            $is = [...$was, 'operations' => array_map(self::weighed(...), $was['operations'])];
            $is === $was || DB::table($table)->where('id', $row->id)->update([
                $column => json_encode($is, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION | JSON_UNESCAPED_UNICODE),
            ]);
        }
    }

    private static function weighed(mixed $operation): mixed
    {
        return is_array($operation)
            && ($operation['kind'] ?? null) === 'check'
            && ! in_array('dry', (array) ($operation['care'] ?? []), true)
            && preg_match('/\bdry\b/i', is_string($operation['name'] ?? null) ? $operation['name'] : '') === 1
                ? [...$operation, 'weighed' => true]
                : $operation;
    }

    private static function kinds(Library $library): void
    {
        foreach ($library->moulds()->kinds as $id => $kind) {
            DB::table('impressions')
                ->where('kind', ImpressionKind::Mould->value)
                ->whereNull('mould_kind')
                ->whereRaw('lower(name) like ?', [mb_strtolower($kind->name).'%'])
                ->update(['mould_kind' => $id]);
        }
    }
}
