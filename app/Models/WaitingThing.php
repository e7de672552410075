<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * A small thing that waits for left-over rubber: a key tray, a puck, a small open mould.
 *
 * @property int $id
 * @property int $workshop_id
 * @property string $name
 * @property float $ml
 */
final class WaitingThing extends Model
{
    use InWorkshop;

    public $timestamps = false;

    protected $table = 'waiting_things';

    protected $fillable = ['workshop_id', 'name', 'ml'];

    protected function casts(): array
    {
        return ['ml' => 'float'];
    }
}
