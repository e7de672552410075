<?php

declare(strict_types=1);

namespace App\Lists;

use Closure;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;

/**
 * Any part of a note or a name is found among a million as fast as among a thousand: the database itself keeps every three letters that
 * follow one another. SQLite forgets the triggers when a table is made anew: a migration that does so calls this again.
 */
final readonly class Letters
{
    /** What is looked for by a part of it. */
    private const KEPT = ['pours' => 'note', 'impressions' => 'name', 'jobs' => 'name'];

    /** Fewer letters stand nowhere by themselves. */
    private const LEAST = 3;

    public static function keep(): void
    {
        DB::getDriverName() === 'pgsql' && DB::unprepared('create extension if not exists pg_trgm');
        foreach (self::KEPT as $table => $column) {
            DB::getDriverName() === 'pgsql'
                ? DB::unprepared("create index if not exists {$table}_letters on {$table} using gin (lower({$column}) gin_trgm_ops)")
                : self::inSqlite($table, $column);
        }
    }

    private static function inSqlite(string $table, string $column): void
    {
        $kept = "{$table}_letters";
        $has = static fn (string $row): string => "{$row}.{$column} is not null and {$row}.{$column} <> ''";
        $add = "insert into {$kept} (rowid, {$column}) values (new.id, new.{$column});";
        $drop = "insert into {$kept} ({$kept}, rowid, {$column}) values ('delete', old.id, old.{$column});";
        DB::unprepared(
            "drop table if exists {$kept}; create virtual table {$kept} using fts5 ({$column}, content = '{$table}', content_rowid = 'id', tokenize = 'trigram')",
        );
        DB::unprepared("insert into {$kept} (rowid, {$column}) select id, {$column} from {$table} where {$has($table)}");
        foreach ([
            'new' => ["after insert on {$table} when {$has('new')}", $add],
            'deleted' => ["after delete on {$table} when {$has('old')}", $drop],
            'gone' => ["after update of {$column} on {$table} when {$has('old')} and old.{$column} is not new.{$column}", $drop],
            'come' => ["after update of {$column} on {$table} when {$has('new')} and old.{$column} is not new.{$column}", $add],
        ] as $name => [$when, $what]) {
            DB::unprepared("drop trigger if exists {$kept}_{$name}; create trigger {$kept}_{$name} {$when} begin {$what} end");
        }
    }

    public static function leave(): void
    {
        foreach (array_keys(self::KEPT) as $table) {
            if (DB::getDriverName() === 'pgsql') {
                DB::unprepared("drop index if exists {$table}_letters");

                continue;
            }
            foreach (['new', 'deleted', 'gone', 'come'] as $name) {
                DB::unprepared("drop trigger if exists {$table}_letters_{$name}");
            }
            DB::unprepared("drop table if exists {$table}_letters");
        }
    }

    /** Whether a part is long enough to be found by its letters. */
    public static function know(string $part): bool
    {
        return mb_strlen($part) >= self::LEAST;
    }

    /**
     * Whose note or name has this part in it, whatever its capitals: by its letters where there are enough of them, else by reading all.
     *
     * @param  key-of<self::KEPT>  $table
     * @return list<int>
     */
    public static function ids(string $table, string $part, int $shop, int $most): array
    {
        [$asked, $with] = self::asked($table, $part, $shop);

        return array_map(
            static fn (object $row): int => (int) current((array) $row), array_values(DB::select("{$asked} limit {$most}", $with)),
        );
    }

    /**
     * The same as a question within another one.
     *
     * @param  key-of<self::KEPT>  $table
     * @return array{string, list<string|int>}
     */
    public static function asked(string $table, string $part, int $shop): array
    {
        if (DB::getDriverName() === 'sqlite' && self::know($part)) {
            return [
                "select rowid from {$table}_letters where {$table}_letters match ? and exists (select 1 from {$table} where {$table}.id = {$table}_letters.rowid and {$table}.workshop_id = ?)",
                ['"'.str_replace('"', '""', $part).'"', $shop],
            ];
        }
        [$like, $pattern] = self::like($table, $part);

        return ["select id from {$table} where {$like} and workshop_id = ?", [...$pattern, $shop]];
    }

    /**
     * The same by reading one after the other: where so many have it that the first few are soon found.
     *
     * @param  key-of<self::KEPT>  $table
     * @return Closure(Builder<covariant \Illuminate\Database\Eloquent\Model>): mixed
     */
    public static function read(string $table, string $part): Closure
    {
        return static fn (Builder $query): Builder => $query->whereNotNull(self::KEPT[$table])->whereRaw(...self::like($table, $part));
    }

    /**
     * @param  key-of<self::KEPT>  $table
     * @return array{string, list<string>}
     */
    private static function like(string $table, string $part): array
    {
        return [sprintf("lower(%s) like ? escape '!'", self::KEPT[$table]), [Like::pattern($part)]];
    }
}
