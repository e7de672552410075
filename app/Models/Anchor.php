<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * The heads of all streams as they stood one night, in one seal: what goes into the backup and onto the day sheet.
 *
 * @property int $id
 * @property int $workshop_id
 * @property CarbonImmutable $at
 * @property int $up_to number of the last fact that is in it
 * @property int $facts how many there were in all
 * @property list<array{string, int, int, string}>|null  $heads stream, its number, place and seal of its last fact, of those that went on
 *   since the anchor before; null where it is of all
 * @property string $seal
 * @property string|null $note what has to be said of it
 */
final class Anchor extends Model
{
    use InWorkshop;

    public $timestamps = false;

    protected $table = 'anchors';

    protected $fillable = ['workshop_id', 'at', 'up_to', 'facts', 'heads', 'seal', 'note'];

    protected $attributes = ['note' => null, 'heads' => null];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected function casts(): array
    {
        return ['workshop_id' => 'integer', 'at' => 'immutable_datetime', 'up_to' => 'integer', 'facts' => 'integer', 'heads' => 'array'];
    }
}
