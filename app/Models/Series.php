<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\SoftDeletes;

/**
 * A series of pucks on the bench, from its first cup until its pucks are labelled. What was asked for does not change any more.
 *
 * @property int $id
 * @property int $workshop_id
 * @property array<string, mixed> $question
 * @property array<string, mixed> $plan what it is weighed up by: frozen when it was begun
 * @property float|null $thickness_mm
 * @property CarbonImmutable $begun_at
 * @property CarbonImmutable|null $labelled_at
 */
final class Series extends Model
{
    use InWorkshop, PlainRecord, SoftDeletes;

    public $timestamps = false;

    protected $table = 'series';

    protected $fillable = ['workshop_id', 'question', 'thickness_mm', 'begun_at', 'labelled_at', 'plan'];

    protected $attributes = ['thickness_mm' => null, 'labelled_at' => null];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected function casts(): array
    {
        return [
            'question' => 'array', 'plan' => 'array', 'thickness_mm' => 'float', 'begun_at' => 'immutable_datetime',
            'labelled_at' => 'immutable_datetime',
        ];
    }

    /** @param  Builder<self>  $query */
    public function scopeLive(Builder $query): void
    {
        $query->whereNull('labelled_at');
    }
}
