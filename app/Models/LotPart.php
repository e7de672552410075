<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One part of a kit, and how much of it is left by the book.
 *
 * @property int $id
 * @property int $workshop_id
 * @property int $lot_id
 * @property string $part `A` or `B` of a base, `A` of anything in one tub
 * @property string|null $maker_number
 * @property float $got_g
 * @property float $left_g
 * @property Lot $lot
 */
final class LotPart extends Model
{
    use InWorkshop;

    public $timestamps = false;

    protected $table = 'lot_parts';

    protected $fillable = ['workshop_id', 'lot_id', 'part', 'maker_number', 'got_g', 'left_g'];

    protected $attributes = ['maker_number' => null];

    protected function casts(): array
    {
        return ['lot_id' => 'integer', 'got_g' => 'float', 'left_g' => 'float'];
    }

    /** @return BelongsTo<Lot, $this> */
    public function lot(): BelongsTo
    {
        return $this->belongsTo(Lot::class);
    }
}
