<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * Whose weigh-up a scale serves.
 *
 * @property int $workshop_id
 * @property string $scale which one; that of the shop has no name
 * @property string $stream run or series
 * @property int $stream_id
 * @property CarbonImmutable $since
 * @property array<string, array{anchor: float, in_g: float}>|null  $left what others had poured of their line when they lost the scale, by
 *   weigh-up
 * @property string $watch what the watch over this hold is kept under
 */
final class ScaleHold extends Model
{
    use InWorkshop, PlainRecord;

    public $timestamps = false;

    public $incrementing = false;

    protected $primaryKey = 'workshop_id';

    protected $table = 'scale_holds';

    protected $fillable = ['workshop_id', 'scale', 'stream', 'stream_id', 'since', 'watch', 'left'];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected function casts(): array
    {
        return ['stream_id' => 'integer', 'since' => 'immutable_datetime', 'left' => 'array'];
    }
}
