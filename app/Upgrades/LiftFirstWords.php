<?php

declare(strict_types=1);

namespace App\Upgrades;

use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/**
 * What was a column to begin with becomes a fact as all that was said later is: the price a kit came with, what a mould was called, what a
 * kit of a sheet costs. Where a later word has covered it already, nobody knows it any more.
 */
final readonly class LiftFirstWords
{
    /** Before anything: a kit that was bought goes on outranking what was said of kits before moments were kept. */
    private const LONG_AGO = '2000-01-01 00:00:00.000';

    public static function lift(): void
    {
        self::told(
            'lots', 'lot', 'priced', static fn (\stdClass $lot): ?array => $lot->price === null ? null : ['price' => (string) $lot->price],
            static fn (\stdClass $lot): string => (string) $lot->created_at,
        );
        self::told(
            'moulds', 'mould', 'named', static fn (\stdClass $mould): array => ['name' => (string) $mould->name],
            static fn (\stdClass $mould): string => (string) $mould->made_at,
        );
        self::told(
            'kits', 'kit', 'priced',
            static fn (\stdClass $kit): ?array => $kit->price === null && $kit->mass_g === null
                ? null
                : [
                    'price' => $kit->price === null ? null : (string) $kit->price,
                    'mass_g' => $kit->mass_g === null ? null : (float) $kit->mass_g,
                ],
            static fn (): string => self::LONG_AGO,
        );
        self::told(
            'kits', 'kit', 'reordered',
            static fn (\stdClass $kit): ?array => $kit->reorder_g === null ? null : ['reorder_g' => (float) $kit->reorder_g],
            static fn (): string => self::LONG_AGO,
        );
        DB::table('kits')->whereNotNull('price')->update(['priced_at' => self::LONG_AGO]);
        self::patches();
        // How many came out of it, good or not: which of them are good is told piece by piece.
        DB::table('pours')->whereNotNull('pieces')->whereIn('id', DB::table('castings')->select('pour_id'))
            ->update(['pieces' => DB::raw('(select count(*) from castings where castings.pour_id = pours.id)')]);
    }

    /** What was read off a test patch. */
    private static function patches(): void
    {
        foreach (DB::table('test_patches')->whereNotNull('passed')->orderBy('id')->lazyById(500) as $patch) {
            self::write(
                (int) $patch->workshop_id, 'patch', (int) $patch->id, 'read', (string) ($patch->read_at ?? $patch->put_on_at),
                ['passed' => (bool) $patch->passed, 'note' => $patch->note, 'photo' => $patch->photo], isFirst: false,
            );
        }
    }

    /**
     * @param  callable(\stdClass): (array<string, mixed>|null)  $what
     * @param  callable(\stdClass): string  $when
     */
    private static function told(string $table, string $stream, string $kind, callable $what, callable $when): void
    {
        $covered = static fn (Builder $query): Builder => $query
            ->from('facts')
            ->whereColumn('facts.stream_id', "{$table}.id")
            ->where('facts.stream', $stream)
            ->where('facts.kind', $kind);
        foreach (DB::table($table)->whereNotExists($covered)->orderBy('id')->lazyById(500) as $row) {
            $payload = $what($row);
            $payload === null || self::write((int) $row->workshop_id, $stream, (int) $row->id, $kind, $when($row), $payload);
        }
    }

    /** @param  array<string, mixed>  $payload */
    private static function write(
        int $workshop,
        string $stream,
        int $id,
        string $kind,
        string $at,
        array $payload,
        bool $isFirst = true,
    ): void {
        DB::table('facts')->insertOrIgnore([
            'workshop_id' => $workshop, 'stream' => $stream, 'stream_id' => $id, 'key' => "first-{$kind}", 'kind' => $kind, 'at' => $at,
            'payload' => json_encode($isFirst ? [...$payload, 'first' => true] : $payload, JSON_THROW_ON_ERROR),
        ]);
    }
}
