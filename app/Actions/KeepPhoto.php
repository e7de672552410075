<?php

declare(strict_types=1);

namespace App\Actions;

use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use Intervention\Image\Drivers\Gd\Driver;
use Intervention\Image\Exceptions\RuntimeException;
use Intervention\Image\ImageManager;

/** Keeps a photo as it is looked at: upright, no larger than a screen, and without word of where and with what it was taken. */
final readonly class KeepPhoto
{
    public const NOT_ONE = 'The photo must be a picture of 8 MB at most, as JPEG, PNG or WebP.';

    private const LONGEST_PX = 2000;

    private const QUALITY = 85;

    /**
     * @return string|null where it is kept; null where there is none
     *
     * @throws ValidationException for what cannot be unpacked
     */
    public function __invoke(mixed $photo, string $folder): ?string
    {
        if (! $photo instanceof UploadedFile) {
            return null;
        }
        try {
            $picture = (new ImageManager(new Driver, autoOrientation: true, decodeAnimation: false, strip: true))->read($photo->getRealPath());
            $kept = (string) $picture->scaleDown(self::LONGEST_PX, self::LONGEST_PX)->toJpeg(self::QUALITY);
        } catch (RuntimeException) {
            throw ValidationException::withMessages(['photo' => self::NOT_ONE]);
        }
        $path = "{$folder}/".Str::ulid().'.jpg';
        Storage::put($path, $kept);

        return $path;
    }

    /** Of a photo whose place another has taken, once that is written down. */
    public static function forget(?string $path): void
    {
        $path === null || Storage::delete($path);
    }
}
