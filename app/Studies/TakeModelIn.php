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
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Storage;

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
        $disk = Storage::disk('local');
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
        // Sent again after a lost answer, a piece lies where it lay; one whose beginning never came leaves nothing.
        if ($at > 0 && ! $disk->exists($path)) {
            throw BadInput::at('file', Phrase::of('bench.piece_file_missing_choose'));
        }
        $disk->makeDirectory(dirname($path));
        $file = @fopen($disk->path($path), 'c+b') ?: throw BadInput::at('file', Phrase::of('bench.file_cannot_be_kept'));
        try {
            flock($file, LOCK_EX);
            $there = (int) (fstat($file)['size'] ?? 0);
            if ($at > $there) {
                throw BadInput::at('file', Phrase::of('bench.piece_file_missing_choose'));
            }
            ftruncate($file, max(0, $at));
            fseek($file, $at);
            if (fwrite($file, $bytes) !== strlen($bytes)) {
                throw BadInput::at('file', Phrase::of('bench.file_cannot_be_kept'));
            }
        } finally {
            fclose($file);
        }

        return $at + strlen($bytes);
    }

    public function drop(string $upload): void
    {
        Storage::disk('local')->delete($this->path($upload));
    }

    /** @throws BadInput where there is nothing, or nothing the bench reads */
    public function whole(string $upload, string $name, ?Job $job, CarbonImmutable $now): ModelFile
    {
        $disk = Storage::disk('local');
        $path = $this->path($upload);
        if (! $disk->exists($path) || $disk->size($path) === 0) {
            throw BadInput::at('file', Phrase::of('mesh.empty'));
        }
        try {
            $format = MeshFormat::ofName($name);
            Limits::bytes($disk->size($path));
            $hash = (string) hash_file('sha256', $disk->path($path));
            $file = ModelFile::withTrashed()->createOrFirst(['workshop_id' => $this->workshop->id, 'hash' => $hash], [
                'name' => self::called($name), 'format' => $format, 'bytes' => $disk->size($path), 'job_id' => $job?->id, 'created_at' => $now,
            ]);
            if (! $disk->exists($file->path())) {
                $disk->makeDirectory(dirname($file->path()));
                $disk->move($path, $file->path());
            }
        } finally {
            $this->drop($upload);
        }
        if ($file->trashed()) {
            $file->restore();
        }
        $job === null || $file->serves($job, $now);

        return $file;
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
        $disk = Storage::disk('local');
        $all = $disk->allFiles("uploads/{$this->workshop->id}");
        $now = CarbonImmutable::now()->getTimestamp();
        $longest = count($all) > self::MOST_IN_ALL ? self::IDLE_SECONDS : self::STALE_SECONDS;
        foreach ($all as $path) {
            if ($disk->lastModified($path) < $now - $longest) {
                $disk->delete($path);
            }
        }
        if (count($disk->files("uploads/{$this->workshop->id}/{$this->who}")) >= self::MOST_AT_ONCE) {
            throw BadInput::at('file', Phrase::of('bench.many_files_on_their'));
        }
    }
}
