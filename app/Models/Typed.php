<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * What somebody has typed on a screen and not handed in yet.
 *
 * @property int $id
 * @property int $workshop_id
 * @property string $screen
 * @property array<string, mixed> $what
 */
final class Typed extends Model
{
    use InWorkshop, PlainRecord;

    protected $table = 'typed';

    protected $fillable = ['workshop_id', 'screen', 'what'];

    protected function casts(): array
    {
        return ['what' => 'array'];
    }
}
