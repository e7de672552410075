<?php

declare(strict_types=1);

namespace App\Storage;

use Apalos\Core\Phrase\Phrase;
use Illuminate\Filesystem\Filesystem;
use ZipArchive;

/**
 * One backup in one file: a zip with a manifest that names every part with its SHA-256, and, as the comment at its end, the SHA-256 of all
 * that comes before it. So whatever was flipped, cut or put in is found: in a picture, in the database, in the zip's own head.
 *
 * @phpstan-type Part array{file: string, bytes: int, sha256: string}
 * @phpstan-type Manifest array{format: string, version: int, number: int, taken_at: string, parts: list<Part>, beside: list<Part>}
 */
final readonly class BackupFile
{
    public const DATABASE = 'apalos.sqlite';

    private const MANIFEST = 'manifest.json';

    private const FORMAT = 'apalos-backup';

    private const VERSION = 1;

    private const SEAL = 64;

    private const BLOCK = 1 << 20;

    /** Parts of one backup; more is none of ours. */
    private const MOST_PARTS = 500_000;

    public function __construct(public string $path) {}

    /**
     * Packs a folder.
     *
     * @param  list<Part>  $beside  what is kept once for all backups
     *
     * @throws BackupFailed
     */
    public function pack(Filesystem $files, string $folder, int $number, string $takenAt, array $beside): void
    {
        $zip = new ZipArchive;
        if ($zip->open($this->path, ZipArchive::CREATE | ZipArchive::OVERWRITE) !== true) {
            throw new BackupFailed(Phrase::of('bench.nothing_can_written', ['path' => $this->path]));
        }
        $parts = [];
        foreach ($files->allFiles($folder, true) as $part) {
            $name = str_replace('\\', '/', $part->getRelativePathname());
            $parts[] = ['file' => $name, 'bytes' => (int) $part->getSize(), 'sha256' => (string) hash_file('sha256', $part->getPathname())];
            $zip->addFile($part->getPathname(), $name);
            // A photo is packed already.
            $zip->setCompressionName($name, $name === self::DATABASE ? ZipArchive::CM_DEFLATE : ZipArchive::CM_STORE);
        }
        $zip->addFromString(
            self::MANIFEST,
            json_encode(
                [
                    'format' => self::FORMAT, 'version' => self::VERSION, 'number' => $number, 'taken_at' => $takenAt, 'parts' => $parts,
                    'beside' => $beside,
                ],
                JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES,
            ),
        );
        $zip->setArchiveComment(str_repeat('0', self::SEAL));
        if (! $zip->close()) {
            throw new BackupFailed(Phrase::of('bench.nothing_more_could_written', ['path' => $this->path]));
        }
        chmod($this->path, 0600);
        $this->seal();
    }

    private function seal(): void
    {
        $file = fopen($this->path, 'r+b') ?: throw new BackupFailed(Phrase::of('bench.nothing_can_written', ['path' => $this->path]));
        fseek($file, -self::SEAL, SEEK_END);
        if (fwrite($file, $this->sum()) !== self::SEAL || ! fflush($file) || ! fsync($file)) {
            throw new BackupFailed(Phrase::of('bench.nothing_more_could_written', ['path' => $this->path]));
        }
        fclose($file);
    }

    private function sum(): string
    {
        $file = fopen($this->path, 'rb') ?: throw new BackupFailed(Phrase::of('bench.backup_cannot_be_read', ['path' => $this->path]));
        $sum = hash_init('sha256');
        for ($left = (int) filesize($this->path) - self::SEAL; $left > 0; $left -= strlen($block)) {
            $block = (string) fread($file, max(1, min(self::BLOCK, $left)));
            if ($block === '') {
                break;
            }
            hash_update($sum, $block);
        }
        fclose($file);

        return hash_final($sum);
    }

    /**
     * Looks whether it is whole, part by part, without unpacking it.
     *
     * @return Manifest
     *
     * @throws BackupFailed
     */
    public function proved(): array
    {
        if (! $this->isSealed()) {
            throw new BackupFailed(Phrase::of('bench.not_as_when_taken', ['path' => $this->path]));
        }
        $zip = $this->opened();
        $manifest = $this->manifest($zip);
        $named = array_column($manifest['parts'], 'sha256', 'file');
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $name = (string) $zip->getNameIndex($i);
            if ($name !== self::MANIFEST && ! isset($named[$name])) {
                throw new BackupFailed(
                    Phrase::of('bench.holds_manifest_does_not', [
                        'path' => $this->path, 'name' => mb_strimwidth(mb_scrub($name), 0, 80, '…'),
                    ]),
                );
            }
        }
        foreach ($manifest['parts'] as $part) {
            $in = $zip->getStream($part['file']);
            $sum = hash_init('sha256');
            if ($in === false || hash_update_stream($sum, $in) !== $part['bytes'] || hash_final($sum) !== $part['sha256']) {
                throw new BackupFailed(Phrase::of('bench.damaged_take_another_backup', ['file' => $part['file'], 'path' => $this->path]));
            }
            fclose($in);
        }
        $zip->close();

        return $manifest;
    }

    /** Whether it says of itself that nothing of it was changed. */
    private function isSealed(): bool
    {
        return is_file($this->path) && filesize($this->path) > self::SEAL
            && hash_equals($this->sum(), (string) file_get_contents($this->path, offset: (int) filesize($this->path) - self::SEAL));
    }

    /** @throws BackupFailed for what cannot be unpacked, or lies somewhere else than under its folder */
    public function unpack(string $into): void
    {
        $zip = $this->opened();
        for ($i = 0; $i < $zip->numFiles; $i++) {
            if (preg_match('#(^/|(^|/)\.\.(/|$))#', (string) $zip->getNameIndex($i)) === 1) {
                throw new BackupFailed(Phrase::of('bench.no_backup_apalos', ['path' => $this->path]));
            }
        }
        if (! $zip->extractTo($into)) {
            throw new BackupFailed(Phrase::of('bench.could_not_unpacked_disk', ['path' => $this->path]));
        }
        $zip->close();
        @unlink("{$into}/".self::MANIFEST);
    }

    /** Puts the database alone somewhere, to be looked at. */
    public function database(string $into): void
    {
        $zip = $this->opened();
        $in = $zip->getStream(self::DATABASE);
        $out = fopen($into, 'wb');
        if ($in === false || $out === false || stream_copy_to_stream($in, $out) === false) {
            throw new BackupFailed(Phrase::of('bench.could_not_unpacked_disk', ['path' => $this->path]));
        }
        fclose($out);
        $zip->close();
    }

    /** What it takes unpacked. */
    public function bytes(): int
    {
        $zip = $this->opened();
        $bytes = 0;
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $bytes += (int) ($zip->statIndex($i)['size'] ?? 0);
        }

        return $bytes;
    }

    private function opened(): ZipArchive
    {
        $zip = new ZipArchive;
        if (
            $zip->open($this->path, ZipArchive::RDONLY | ZipArchive::CHECKCONS) !== true
            || $zip->locateName(self::DATABASE) === false
            || $zip->numFiles > self::MOST_PARTS
        ) {
            throw new BackupFailed(Phrase::of('bench.no_backup_apalos_not', ['path' => $this->path]));
        }

        return $zip;
    }

    /** @return list<Part> what it says lies beside it; nothing where it cannot be read */
    public function beside(): array
    {
        $zip = $this->opened();

        return $this->manifest($zip)['beside'];
    }

    /**
     * @return Manifest
     *
     * @throws BackupFailed
     */
    private function manifest(ZipArchive $zip): array
    {
        $said = json_decode((string) $zip->getFromName(self::MANIFEST), true, 8);
        if (
            ! is_array($said)
            || ($said['format'] ?? null) !== self::FORMAT
            || ! is_int($said['version'] ?? null)
            || ! self::isParts($said['parts'] ?? null)
            || ! self::isParts($said['beside'] ?? null)
        ) {
            throw new BackupFailed(Phrase::of('bench.no_manifest', ['path' => $this->path]));
        }
        if ($said['version'] > self::VERSION) {
            throw new BackupFailed(Phrase::of('bench.taken_newer_apalos', ['path' => $this->path]));
        }

        /** @var Manifest $said */
        return $said;
    }

    private static function isParts(mixed $said): bool
    {
        return is_array($said)
            && array_is_list($said)
            && array_filter(
                $said,
                static fn (mixed $part): bool => ! is_array($part)
                    || ! is_string($part['file'] ?? null)
                    || ! is_int($part['bytes'] ?? null)
                    || ! is_string($part['sha256'] ?? null),
            ) === [];
    }
}
