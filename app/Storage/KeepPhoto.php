<?php

declare(strict_types=1);

namespace App\Storage;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Phrasebook;
use App\Machine\Cage;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;

/**
 * Keeps a photo as it is looked at: upright, no larger than a screen, and without word of where and with what it was taken. Unpacked it
 * is a hundred times as large: one at a time, in a process of its own.
 */
final class KeepPhoto
{
    public const NOT_ONE = 'bench.photo_must_picture_8';

    private const LONGEST_PX = 2000;

    private const QUALITY = 85;

    /** Fifty million pixels unpacked, turned and made smaller. */
    private const MEGABYTES = 700;

    private const SECONDS = 20;

    private const LOOK_EVERY_US = 50_000;

    public function __construct(private readonly Phrasebook $words) {}

    /** @var array<string, string> JPEGs by the file they came in */
    private array $small = [];

    /**
     * @return string|null where it is kept; null where there is none
     *
     * @throws ValidationException for what cannot be unpacked, or where others are being unpacked all the while
     */
    public function __invoke(mixed $photo, string $folder): ?string
    {
        if (! $photo instanceof UploadedFile) {
            return null;
        }
        $path = "{$folder}/".Str::ulid().'.jpg';
        Storage::put($path, $this->small[$photo->getRealPath()] ?? $this->unpacked($photo));

        return $path;
    }

    /**
     * Unpacks one that will be kept, before anybody else has to wait for their turn to write.
     *
     * @throws ValidationException
     */
    public function unpack(UploadedFile $photo): void
    {
        $this->small[$photo->getRealPath()] = $this->unpacked($photo);
    }

    /** @throws ValidationException */
    private function unpacked(UploadedFile $photo): string
    {
        $lock = $this->lock();
        $small = (string) tempnam(sys_get_temp_dir(), 'apalos-photo');
        try {
            $cage = Cage::php(
                [base_path('bin/picture'), $photo->getRealPath(), $small, (string) self::LONGEST_PX, (string) self::QUALITY],
                self::MEGABYTES, self::SECONDS,
            );

            return $cage->run() === 0
                ? (string) file_get_contents($small)
                : throw ValidationException::withMessages(['photo' => $this->words->say(Phrase::of(self::NOT_ONE))]);
        } finally {
            fclose($lock);
            @unlink($small);
        }
    }

    /**
     * Held until it is closed, or until its process is no more.
     *
     * @return resource
     */
    private function lock()
    {
        $file = @fopen(
            storage_path('framework/cache/photo'), 'c',
        ) ?: (fopen('php://memory', 'r') ?: throw new \LogicException('No memory can be opened.'));
        $until = hrtime(true) + 1_000_000_000 * self::SECONDS;
        while (stream_get_meta_data($file)['stream_type'] !== 'MEMORY' && ! flock($file, LOCK_EX | LOCK_NB)) {
            if (hrtime(true) > $until) {
                throw ValidationException::withMessages([
                    'photo' => $this->words->say(Phrase::of('bench.other_photos_being_taken')),
                ]);
            }
            usleep(self::LOOK_EVERY_US);
        }

        return $file;
    }

    /** Of a photo whose place another has taken, once that is written down. */
    public static function forget(?string $path): void
    {
        $path === null || Storage::delete($path);
    }
}
