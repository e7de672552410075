<?php

declare(strict_types=1);

namespace App\Exchange;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use App\Facts\Seals;
use App\Lists\Rows;
use App\Models\Person;
use App\Models\Workshop;
use App\Storage\Files;
use Carbon\CarbonImmutable;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Illuminate\Support\Str;
use JsonException;
use ZipArchive;

/** Takes an archive of everything into a shop that is empty: all of it, or nothing. */
final readonly class TakeEverything
{
    /** In any of these a shop has something of its own already. */
    private const OWN = [
        'jobs' => 'jobs', 'formulas' => 'formulas', 'lots' => 'kits', 'moulds' => 'moulds', 'swatches' => 'swatches',
        'own_sheets' => 'sheets', 'own_rules' => 'rules',
    ];

    private const MOST_BYTES = 8_000_000_000;

    private const AT_ONCE = 100;

    public function __construct(private Workshop $workshop) {}

    /**
     * @return array<string, int> how many came of each part
     *
     * @throws BadInput where it is no such archive, is damaged, or the shop is not empty
     */
    public function __invoke(string $file): array
    {
        $zip = new ZipArchive;
        if ($zip->open($file, ZipArchive::RDONLY) !== true) {
            throw self::wrong(Phrase::of('bench.no_zip_archive_choose'));
        }
        try {
            $manifest = self::manifest($zip);
            $this->isEmpty();
            self::isWhole($zip, $manifest);
            try {
                $came = $this->rows($zip, $manifest);
            } catch (UniqueConstraintViolationException) {
                // Its numbers stand on moulds, kits and pucks: they are not changed on the way.
                throw BadInput::at('file', Phrase::of('bench.numbers_are_taken'));
            }
            $this->files($zip, $manifest);
        } finally {
            $zip->close();
        }

        return $came;
    }

    private function isEmpty(): void
    {
        $has = array_values(
            array_filter(self::OWN, static fn (string $words, string $table): bool => Rows::of($table)->exists(), ARRAY_FILTER_USE_BOTH),
        );
        if ($has !== []) {
            throw self::wrong(
                Phrase::of('bench.shop_is_not_empty', ['has' => $has]),
            );
        }
    }

    /**
     * @return array{
     *     shop_id: int, parts: array<string, array{file: string, sha256: string}>, files: list<array{file: string, sha256: string}>,
     * }
     */
    private static function manifest(ZipArchive $zip): array
    {
        $read = json_decode((string) $zip->getFromName('manifest.json'), true);
        if (! is_array($read) || ($read['format'] ?? null) !== Everything::FORMAT || ! is_array($read['parts'] ?? null)) {
            throw self::wrong(Phrase::of('bench.archive_none_everything'));
        }
        if (! is_int($read['version'] ?? null) || $read['version'] > Everything::VERSION) {
            throw self::wrong(Phrase::of('bench.archive_written_newer_version'));
        }
        [$parts, $files] = [[], []];
        foreach ($read['parts'] as $part) {
            if (is_array($part) && is_string($part['part'] ?? null) && isset(ArchiveParts::ALL[$part['part']])) {
                $parts[$part['part']] = [
                    'file' => "{$part['part']}.jsonl", 'sha256' => is_string($part['sha256'] ?? null) ? $part['sha256'] : '',
                ];
            }
        }
        foreach (is_array($read['files'] ?? null) ? $read['files'] : [] as $one) {
            // Only what lies where files of a shop lie, and nothing that climbs out of there.
            if (
                is_array($one)
                && is_string($one['file'] ?? null)
                && preg_match('#^files/(?:'.implode('|', Everything::FILES).')(?:/[0-9A-Za-z][0-9A-Za-z._-]*)+$#', $one['file']) === 1
                && ! str_contains($one['file'], '..')
            ) {
                $files[] = ['file' => $one['file'], 'sha256' => is_string($one['sha256'] ?? null) ? $one['sha256'] : ''];
            }
        }

        return ['shop_id' => is_int($read['shop_id'] ?? null) ? $read['shop_id'] : 0, 'parts' => $parts, 'files' => $files];
    }

    /**
     * @param  array{parts: array<string, array{file: string, sha256: string}>, files: list<array{file: string, sha256: string}>}  $manifest
     */
    private static function isWhole(ZipArchive $zip, array $manifest): void
    {
        $bytes = 0;
        foreach ([...array_values($manifest['parts']), ...$manifest['files']] as $one) {
            $stat = $zip->statName($one['file']);
            $bytes += is_array($stat) ? $stat['size'] : 0;
            if ($bytes > self::MOST_BYTES) {
                throw self::wrong(Phrase::of('bench.archive_unpacks_more_than'));
            }
            $in = $stat === false ? false : $zip->getStream($one['file']);
            $hash = hash_init('sha256');
            if ($in === false || hash_update_stream($hash, $in) < 0 || ! hash_equals($one['sha256'], hash_final($hash))) {
                throw self::wrong(
                    Phrase::of('bench.missing_from_archive_damaged', ['file' => $one['file']]),
                );
            }
        }
    }

    /**
     * @param  array{parts: array<string, array{file: string, sha256: string}>}  $manifest
     * @return array<string, int>
     */
    private function rows(ZipArchive $zip, array $manifest): array
    {
        return DB::transaction(function () use ($zip, $manifest): array {
            // What rests on another may come before it.
            DB::statement(DB::getDriverName() === 'sqlite' ? 'pragma defer_foreign_keys = on' : 'set constraints all deferred');
            // The first word of each kind is in the archive as the fact it is.
            Rows::of('room_readings')->delete();
            $came = [];
            foreach (array_intersect_key(ArchiveParts::ALL, $manifest['parts']) as $part => [$table]) {
                $came[$part] = $this->part($zip, $part, $table);
            }
            DB::getDriverName() === 'pgsql' && self::countOn(array_column(array_intersect_key(ArchiveParts::ALL, $manifest['parts']), 0));
            app(Seals::class)->sealTheOld($this->workshop->id, CarbonImmutable::now());
            $this->workshop->refresh()->update([
                'digest_stamp' => null, 'shelf_mark' => Rows::of('own_sheets')->exists() ? (string) Str::ulid() : null,
            ]);

            return $came;
        });
    }

    /**
     * What is written down next gets the number after the last: PostgreSQL counts by itself, and was not asked for those that came.
     *
     * @param  list<string>  $tables
     */
    private static function countOn(array $tables): void
    {
        foreach ($tables as $table) {
            $counter = DB::selectOne('select pg_get_serial_sequence(?, ?) as name', [
                $table, Schema::hasColumn($table, 'id') ? 'id' : 'workshop_id',
            ])?->name;
            $counter === null
                || DB::statement(
                    "select setval('{$counter}', greatest((select coalesce(max(id), 0) + 1 from {$table}), nextval('{$counter}')), false)",
                );
        }
    }

    private function part(ZipArchive $zip, string $part, string $table): int
    {
        $columns = ArchiveParts::columns($table);
        $in = $zip->getStream("{$part}.jsonl");
        [$rows, $line] = [[], 0];
        while ($in !== false && ($text = fgets($in)) !== false) {
            $line++;
            $row = $this->row($text, $columns, "{$part}.jsonl, line {$line}");
            if ($table === 'workshops') {
                DB::table('workshops')->where('id', $this->workshop->id)->update(array_diff_key($row, ['id' => 0, 'created_at' => 0]));

                continue;
            }
            if ($table === 'people') {
                $this->person($row);

                continue;
            }
            $rows[] = $row;
            if (count($rows) === self::AT_ONCE) {
                DB::table($table)->insert($rows);
                $rows = [];
            }
        }
        $rows === [] || DB::table($table)->insert($rows);

        return $line;
    }

    /**
     * Whoever worked there stands in the record, and comes in here only when an owner says so. Who is here already stays as they are.
     *
     * @param  array<string, mixed>  $row
     */
    private function person(array $row): void
    {
        $isTaken = Person::query()->where('workshop_id', $this->workshop->id)->where('name_key', $row['name_key'] ?? '')->exists();
        $last = is_string($row['id'] ?? null) ? strtolower(substr($row['id'], -4)) : '';
        DB::table('people')->insertOrIgnore([
            ...$row, 'left_at' => $row['left_at'] ?? CarbonImmutable::now('UTC')->format('Y-m-d H:i:s.v'),
            'sessions' => (string) Str::ulid(),
            ...(
                $isTaken && is_string($row['name'] ?? null) ? ['name' => "{$row['name']} ({$last})",
                    'name_key' => mb_strtolower("{$row['name']} ({$last})"
                    )] : []),
        ]);
    }

    /**
     * @param  array<string, array{type: string, null: bool}>  $columns
     * @return array<string, mixed> as it is inserted
     */
    private function row(string $text, array $columns, string $where): array
    {
        try {
            $read = json_decode($text, true, 128, JSON_THROW_ON_ERROR);
        } catch (JsonException) {
            throw self::wrong(Phrase::of('bench.no_json_nothing_taken', ['where' => $where]));
        }
        $row = [];
        foreach (is_array($read) ? $read : [] as $name => $value) {
            $column = $columns[$name] ?? throw self::wrong(
                Phrase::of('bench.no_version_nothing_taken', ['where' => $where, 'name' => $name]),
            );
            $fits = $value === null ? $column['null'] || $column['type'] === 'any' : match ($column['type']) {
                'any' => true,
                'integer' => is_int($value),
                'number' => is_int($value) || is_float($value),
                'boolean' => is_bool($value),
                default => is_string($value) && mb_check_encoding($value, 'UTF-8'),
            };
            if (! $fits) {
                throw self::wrong(Phrase::of('bench.no_nothing_taken', ['where' => $where, 'name' => $name, 'type' => $column['type']]));
            }
            $row[$name] = $column['type'] === 'any' && $value !== null
                ? json_encode($value, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION | JSON_UNESCAPED_UNICODE)
                : $value;
        }

        return isset($columns['workshop_id']) ? [...$row, 'workshop_id' => $this->workshop->id] : $row;
    }

    /** @param  array{shop_id: int, files: list<array{file: string, sha256: string}>}  $manifest */
    private function files(ZipArchive $zip, array $manifest): void
    {
        foreach ($manifest['files'] as ['file' => $name]) {
            $in = $zip->getStream($name);
            // Models lie by shop.
            $path = preg_replace(
                "#^(models|studies)/{$manifest['shop_id']}/#", "$1/{$this->workshop->id}/", substr($name, strlen('files/')),
            );
            // A picture of that name that is there already is somebody else's.
            $in === false || $path === null || Files::disk()->exists($path) || Files::disk()->writeStream($path, $in);
        }
    }

    private static function wrong(Phrase $says): BadInput
    {
        return BadInput::at('file', $says);
    }
}
