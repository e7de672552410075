<?php

declare(strict_types=1);

namespace App\Lists;

use Closure;
use Illuminate\Database\Eloquent\Builder;

/** Looks for a part of a name, whatever the case of its letters, the Ü of Übermaß included. */
final readonly class Like
{
    /**
     * What stands somewhere in a text, in small letters; an exclamation mark takes their meaning from the signs of the pattern, for a
     * backslash has one of its own.
     */
    public static function pattern(string $part): string
    {
        return '%'.str_replace(['!', '%', '_'], ['!!', '!%', '!_'], mb_strtolower($part)).'%';
    }

    /** @return Closure(Builder<covariant \Illuminate\Database\Eloquent\Model>): mixed */
    public static function of(string $column, string $part): Closure
    {
        return static fn (Builder $query): Builder => $query->whereRaw("lower({$column}) like ? escape '!'", [self::pattern($part)]);
    }
}
