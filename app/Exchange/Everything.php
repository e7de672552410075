<?php

declare(strict_types=1);

namespace App\Exchange;

use Apalos\Core\Phrase\Phrase;
use App\Lists\Rows;
use App\Models\Workshop;
use App\Storage\Files;
use App\Storage\NotWritten;
use Carbon\CarbonImmutable;
use ZipArchive;

/**
 * Everything a shop knows as one archive of open files: JSON Lines with a JSON Schema beside each, pictures and models as they were handed
 * in.
 */
final readonly class Everything
{
    public const FORMAT = 'apalos-everything';

    public const VERSION = 1;

    /** What of the files on disk belongs to the shop, and not to a question that was asked in passing. */
    public const FILES = ['swatches', 'formulas', 'patches', 'moulds', 'models', 'studies'];

    public function __construct(private Workshop $workshop) {}

    /** @return string where it was written */
    public function give(string $file, CarbonImmutable $now): string
    {
        $zip = new ZipArchive;
        if ($zip->open($file, ZipArchive::CREATE | ZipArchive::OVERWRITE) !== true) {
            throw new NotWritten(Phrase::of('bench.nothing_can_written_choose_another', ['file' => $file]));
        }
        $work = [];
        $parts = [];
        foreach (ArchiveParts::ALL as $part => [$table]) {
            $work[] = $lines = (string) tempnam(sys_get_temp_dir(), 'apalos');
            $rows = $this->write($table, $lines);
            $zip->addFile($lines, "{$part}.jsonl");
            $zip->addFromString("schemas/{$part}.schema.json", self::json(ArchiveParts::schema($part), JSON_PRETTY_PRINT));
            $parts[] = [
                'part' => $part, 'file' => "{$part}.jsonl", 'schema' => "schemas/{$part}.schema.json", 'rows' => $rows,
                'sha256' => hash_file('sha256', $lines),
            ];
        }
        $zip->addFromString(
            'manifest.json',
            self::json(
                [
                    'format' => self::FORMAT, 'version' => self::VERSION, 'shop' => $this->workshop->name, 'shop_id' => $this->workshop->id,
                    'written_at' => $now->toIso8601ZuluString(), 'parts' => $parts, 'files' => $this->files($zip),
                ],
                JSON_PRETTY_PRINT,
            ),
        );
        $zip->addFromString(
            'README.txt',
            "Everything of “{$this->workshop->name}”, written {$now->toIso8601ZuluString()}.\nEach .jsonl file holds one thing a line; what its fields are stands in schemas/. Pictures and models lie under files/.\nAn empty shop takes it in: bin/everything take FILE.\n",
        );
        $closed = $zip->close();
        array_map(unlink(...), $work);

        return $closed ? $file : throw new NotWritten(Phrase::of('bench.could_not_finished_room', ['file' => $file]));
    }

    private function write(string $table, string $file): int
    {
        $columns = ArchiveParts::columns($table);
        $out = fopen($file, 'w');
        $rows = 0;
        $query = $table === 'workshops'
            ? \Illuminate\Support\Facades\DB::table('workshops')->where('id', $this->workshop->id)
            : Rows::of($table)->when($table === 'practice_tries', static fn ($tries) => $tries->whereNotNull('ended_at'));
        $order = isset($columns['id']) ? ['id'] : array_slice(array_keys($columns), 0, 2);
        foreach ($order as $by) {
            $query->orderBy($by);
        }
        foreach ($query->cursor() as $row) {
            fwrite(
                $out === false ? throw new NotWritten(Phrase::of('bench.nothing_can_written_beside')) : $out,
                self::json(ArchiveParts::out($row, $columns))."\n",
            );
            $rows++;
        }
        $out === false || fclose($out);

        return $rows;
    }

    /** @return list<array{file: string, sha256: string}> */
    private function files(ZipArchive $zip): array
    {
        $files = [];
        foreach ([
            ...$this->pictures(), ...Files::disk()->allFiles("models/{$this->workshop->id}"),
            ...Files::disk()->allFiles("studies/{$this->workshop->id}"),
        ] as $path) {
            $file = Files::here($path);
            if ($file !== null) {
                $zip->addFile($file, "files/{$path}");
                $files[] = ['file' => "files/{$path}", 'sha256' => (string) hash_file('sha256', $file)];
            }
        }

        return $files;
    }

    /** @return list<string> the pictures that its own things name: those of another shop lie beside them */
    private function pictures(): array
    {
        $named = [];
        foreach (['swatches', 'formula_versions', 'test_patches', 'moulds'] as $table) {
            $named = [...$named, ...Rows::of($table)->whereNotNull('photo')->pluck('photo')->all()];
        }
        foreach (Rows::of('facts')->whereIn('stream', ['mould', 'patch'])->whereIn('kind', [
            'photographed', 'read',
        ])->orderBy('id')->pluck('payload') as $told) {
            $named[] = json_decode((string) $told, true)['photo'] ?? null;
        }
        $named = array_unique(array_filter($named, is_string(...)));
        sort($named);

        return $named;
    }

    /** @param  array<array-key, mixed>  $what */
    private static function json(array $what, int $flags = 0): string
    {
        return json_encode(
            $what, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION | $flags,
        );
    }
}
