<?php

declare(strict_types=1);

namespace App\Http\Rules;

use App\Contacts\ContactBook;
use Closure;
use Illuminate\Contracts\Validation\ValidationRule;

/** The id of a surface the library knows, or nothing. */
final class KnownSurface implements ValidationRule
{
    public function validate(string $attribute, mixed $value, Closure $fail): void
    {
        if ($value !== null && $value !== '' && (! is_string($value) || ! isset(app(ContactBook::class)->knowledge()->surfaces[$value]))) {
            $fail('That surface is not in the library. Choose one that is.');
        }
    }
}
