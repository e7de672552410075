<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * What the room's temperature was from a moment on.
 *
 * @property int $id
 * @property int $workshop_id
 * @property CarbonImmutable $at
 * @property float $celsius
 * @property string $source
 */
final class RoomReading extends Model
{
    use InWorkshop, PlainRecord;

    public $timestamps = false;

    protected $table = 'room_readings';

    protected $fillable = ['workshop_id', 'at', 'celsius', 'source'];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected function casts(): array
    {
        return ['at' => 'immutable_datetime', 'celsius' => 'float'];
    }
}
