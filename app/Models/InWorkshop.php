<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;

/** A record of one workshop: every query and every address sees only those of the workshop at hand. */
trait InWorkshop
{
    protected static function bootInWorkshop(): void
    {
        static::addGlobalScope('workshop', static function (Builder $query): void {
            $query->where($query->getModel()->qualifyColumn('workshop_id'), app(Workshop::class)->id);
        });
        static::creating(static function (Model $record): void {
            $record->setAttribute('workshop_id', $record->getAttributes()['workshop_id'] ?? app(Workshop::class)->id);
        });
    }
}
