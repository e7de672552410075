<?php

declare(strict_types=1);

namespace App\Http\Rules;

use Apalos\Core\Phrase\Phrase;
use App\Http\Reply;
use App\Storage\KeepPhoto;
use Closure;
use Illuminate\Contracts\Validation\ValidationRule;
use Illuminate\Http\UploadedFile;

/** A picture that can be read: of a kind we know, not larger than is promised, and not more of it than fits into memory. */
final class Picture implements ValidationRule
{
    private const MOST_BYTES = 8 * 1024 * 1024;

    private const MOST_PIXELS = 50_000_000;

    private const KINDS = [IMAGETYPE_JPEG, IMAGETYPE_PNG, IMAGETYPE_WEBP];

    public function validate(string $attribute, mixed $value, Closure $fail): void
    {
        if (! $value instanceof UploadedFile || ! $value->isValid() || $value->getSize() > self::MOST_BYTES) {
            $fail(Reply::say(Phrase::of(KeepPhoto::NOT_ONE)));

            return;
        }
        // Only its head is read: what it claims to be is known before anything is unpacked.
        $size = @getimagesize($value->getRealPath());
        if ($size === false || ! in_array($size[2], self::KINDS, true) || $size[0] < 1 || $size[1] < 1) {
            $fail(Reply::say(Phrase::of(KeepPhoto::NOT_ONE)));
        } elseif ($size[0] * $size[1] > self::MOST_PIXELS) {
            $fail(Reply::say(Phrase::of('bench.photo_pixels', ['wide' => $size[0], 'high' => $size[1]])));
        }
    }
}
