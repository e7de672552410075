<?php

declare(strict_types=1);

namespace App\Storage;

use Apalos\Core\Phrase\Phrase;
use Illuminate\Filesystem\FilesystemAdapter;
use Illuminate\Filesystem\LocalFilesystemAdapter;
use Illuminate\Support\Facades\Storage;

/**
 * Pictures and models where all servers of a workshop find them: on the disk beside the bench, or in a store that speaks S3. What has to be
 * a file here, to be studied or sent, is fetched once and kept beside for a while; under one name there is never anything else.
 */
final readonly class Files
{
    private const COPIES = 'framework/cache/files';

    private const KEPT_S = 2 * 86_400;

    public static function disk(): FilesystemAdapter
    {
        return Storage::disk();
    }

    /** Where it can be read on this machine. */
    public static function here(string $path): ?string
    {
        $disk = self::disk();
        if ($disk instanceof LocalFilesystemAdapter) {
            return is_file($disk->path($path)) ? $disk->path($path) : null;
        }
        $copy = storage_path(self::COPIES.'/'.hash('xxh128', $path).'.'.pathinfo($path, PATHINFO_EXTENSION));
        if (is_file($copy) && $disk->size($path) === filesize($copy)) {
            touch($copy);

            return $copy;
        }
        $in = $disk->exists($path) ? $disk->readStream($path) : null;
        if ($in === null) {
            return null;
        }
        // Whole or not at all: another may be fetching it at the same time.
        $new = self::work();
        file_put_contents($new, $in);
        rename($new, $copy);

        return $copy;
    }

    /** Takes a file that was made here into the store. */
    public static function take(string $file, string $path): void
    {
        $disk = self::disk();
        if ($disk instanceof LocalFilesystemAdapter) {
            $disk->makeDirectory(dirname($path));
            rename($file, $disk->path($path));

            return;
        }
        $in = fopen($file, 'rb') ?: throw new NotWritten(Phrase::of('bench.file_cannot_be_read', ['file' => $file]));
        $disk->writeStream($path, $in);
        is_resource($in) && fclose($in);
        unlink($file);
    }

    /** A file to work in, on the same disk as the store where that is here. */
    public static function work(): string
    {
        is_dir($folder = storage_path(self::COPIES)) || mkdir($folder, 0700, true);

        return tempnam($folder, 'w') ?: throw new NotWritten(Phrase::of('bench.nothing_can_written_room', ['folder' => $folder]));
    }

    /** Copies nobody asked for in a while. */
    public static function tidy(int $now): void
    {
        foreach (glob(storage_path(self::COPIES.'/*')) ?: [] as $copy) {
            (filemtime($copy) ?: $now) < $now - self::KEPT_S && @unlink($copy);
        }
    }
}
