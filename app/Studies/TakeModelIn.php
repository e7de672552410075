<?php

declare(strict_types=1);

namespace App\Studies;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Mesh\Limits;
use Apalos\Core\Mesh\MeshFormat;
use Apalos\Core\Phrase\Phrase;
use App\Models\Job;
use App\Models\ModelFile;
use App\Models\Workshop;
use App\Storage\Files;
use Carbon\CarbonImmutable;

/** Takes a model's file in piece by piece, so that one sees how far it is and can stop; whole, it is kept under its own hash. */
final readonly class TakeModelIn
{
    /** Of one piece. */
    public const PIECE_BYTES = 4 * 1024 * 1024;

    /** What nobody finished by then is thrown away. */
    private const STALE_SECONDS = 86_400;

    /** Of one person; and of all, from when on those nobody goes on with make room. */
    private const MOST_AT_ONCE = 10;

    private const MOST_IN_ALL = 60;

    private const IDLE_SECONDS = 600;

    /** @param  string  $who  by whose hand it comes: what he leaves unfinished keeps nobody else waiting */
    public function __construct(private Workshop $workshop, private string $who = 'bench') {}

    /**
     * Lays a piece behind those that came before.
     *
     * @return int how many bytes are there now
     *
     * @throws BadInput for one that does not follow, or too much of it
     */
    public function piece(string $upload, int $at, string $bytes): int
    {
        $path = $this->path($upload);
        if ($at === 0) {
            $this->tidy();
        }
        if (strlen($bytes) > self::PIECE_BYTES) {
            throw BadInput::at('file', Phrase::of('bench.piece_file_too_large'));
        }
        try {
            Limits::bytes($at + strlen($bytes));
        } catch (BadInput $wrong) {
            $this->drop($upload);
            throw $wrong;
        }
        $disk = Files::disk();
        $there = $this->pieces($path);
        // Sent again after a lost answer, a piece lies where it lay, and what came after it comes again; one whose beginning never came
        // leaves nothing.
        $end = 0;
        foreach ($there as $from => $bytesOf) {
            $from !== $end || $from >= $at || $end += $bytesOf;
        }
        $end === $at || throw BadInput::at('file', Phrase::of('bench.piece_file_missing_choose'));
        foreach ($there as $from => $bytesOf) {
            $from < $at || $disk->delete(self::piecePath($path, $from, $bytesOf));
        }
        $disk->put(self::piecePath($path, $at, strlen($bytes)), $bytes)
            || throw BadInput::at('file', Phrase::of('bench.file_cannot_be_kept'));

        return $at + strlen($bytes);
    }

    /** @return array<int, int> how many bytes each piece has, by where it begins */
    private function pieces(string $path): array
    {
        $pieces = [];
        foreach (Files::disk()->files($path) as $file) {
            [$from, $bytes] = [...array_map(intval(...), explode('-', basename($file), 2)), 0];
            $pieces[$from] = $bytes;
        }
        ksort($pieces);

        return $pieces;
    }

    private static function piecePath(string $path, int $from, int $bytes): string
    {
        return "{$path}/{$from}-{$bytes}";
    }

    public function drop(string $upload): void
    {
        Files::disk()->deleteDirectory($this->path($upload));
    }

    /** @throws BadInput where there is nothing, or nothing the bench reads */
    public function whole(string $upload, string $name, ?Job $job, CarbonImmutable $now): ModelFile
    {
        $path = $this->path($upload);
        $pieces = $this->pieces($path);
        if (array_sum($pieces) === 0) {
            throw BadInput::at('file', Phrase::of('mesh.empty'));
        }
        $whole = Files::work();
        try {
            $format = MeshFormat::ofName($name);
            Limits::bytes((int) array_sum($pieces));
            $this->join($path, $pieces, $whole);
            $hash = (string) hash_file('sha256', $whole);
            $file = ModelFile::withTrashed()->createOrFirst(['workshop_id' => $this->workshop->id, 'hash' => $hash], [
                'name' => self::called($name), 'format' => $format, 'bytes' => (int) filesize($whole), 'job_id' => $job?->id,
                'created_at' => $now,
            ]);
            Files::disk()->exists($file->path()) || Files::take($whole, $file->path());
        } finally {
            @unlink($whole);
            $this->drop($upload);
        }
        if ($file->trashed()) {
            $file->restore();
        }
        $job === null || $file->serves($job, $now);

        return $file;
    }

    /** @param  array<int, int>  $pieces */
    private function join(string $path, array $pieces, string $whole): void
    {
        $out = fopen($whole, 'wb') ?: throw BadInput::at('file', Phrase::of('bench.file_cannot_be_kept'));
        $end = 0;
        foreach ($pieces as $from => $bytes) {
            $in = $from === $end ? Files::disk()->readStream(self::piecePath($path, $from, $bytes)) : null;
            $end += $in === null ? 0 : (int) stream_copy_to_stream($in, $out);
        }
        fclose($out);
        $end === array_sum($pieces) || throw BadInput::at('file', Phrase::of('bench.piece_file_missing_choose'));
    }

    /** The last part of whatever it was called, and nothing that could be a way to somewhere. */
    private static function called(string $name): string
    {
        $plain = preg_replace('/[\x00-\x1f\x7f]+/u', '', mb_scrub(basename(str_replace('\\', '/', $name)))) ?? '';

        return mb_substr($plain === '' ? 'model' : $plain, 0, 120);
    }

    private function path(string $upload): string
    {
        if (preg_match('/^[0-9a-zA-Z-]{8,64}$/', $upload) !== 1) {
            throw BadInput::at('file', Phrase::of('bench.choose_file_again'));
        }

        return "uploads/{$this->workshop->id}/{$this->who}/{$upload}";
    }

    private function tidy(): void
    {
        $disk = Files::disk();
        $now = CarbonImmutable::now()->getTimestamp();
        $newest = [];
        foreach ($disk->listContents("uploads/{$this->workshop->id}", true) as $piece) {
            $upload = dirname($piece->path());
            ! $piece->isFile() || $newest[$upload] = max($newest[$upload] ?? 0, (int) $piece->lastModified());
        }
        $longest = count($newest) > self::MOST_IN_ALL ? self::IDLE_SECONDS : self::STALE_SECONDS;
        foreach ($newest as $upload => $at) {
            $at >= $now - $longest || $disk->deleteDirectory($upload);
        }
        if (
            count(
                array_filter(
                    array_keys($newest),
                    fn (string $upload): bool => dirname($upload) === "uploads/{$this->workshop->id}/{$this->who}"
                        && $newest[$upload] >= $now - $longest,
                ),
            ) >= self::MOST_AT_ONCE
        ) {
            throw BadInput::at('file', Phrase::of('bench.many_files_on_their'));
        }
    }
}
