<?php

declare(strict_types=1);

namespace App\Reads;

use Closure;
use Illuminate\Database\Eloquent\Builder;

/** Looks for a part of a name, whatever the case of its letters, the Ü of Übermaß included. */
final readonly class Like
{
    /** @return Closure(Builder<covariant \Illuminate\Database\Eloquent\Model>): mixed */
    public static function of(string $column, string $part): Closure
    {
        return static fn (Builder $query): Builder => $query->whereRaw("lower({$column}) like ? escape '\\'", ['%'.addcslashes(mb_strtolower($part), '%_\\').'%']);
    }
}
