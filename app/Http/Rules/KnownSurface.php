<?php

declare(strict_types=1);

namespace App\Http\Rules;

use Apalos\Core\Phrase\Phrase;
use App\Contacts\ContactBook;
use App\Http\Reply;
use Closure;
use Illuminate\Contracts\Validation\ValidationRule;

/** The id of a surface the library knows, or nothing. */
final class KnownSurface implements ValidationRule
{
    public function validate(string $attribute, mixed $value, Closure $fail): void
    {
        if ($value !== null && $value !== '' && (! is_string($value) || ! isset(app(ContactBook::class)->knowledge()->surfaces[$value]))) {
            $fail(Reply::say(Phrase::of('bench.surface_not_library_choose')));
        }
    }
}
