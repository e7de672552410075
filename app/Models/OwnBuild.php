<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * A build the shop has kept from one it made, to be taken again.
 *
 * @property int $id
 * @property int $workshop_id
 * @property string $name
 * @property array<string, mixed> $made as a ready-made build is written
 * @property CarbonImmutable $created_at
 */
final class OwnBuild extends Model
{
    use InWorkshop, PlainRecord;

    public $timestamps = false;

    protected $table = 'own_builds';

    protected $fillable = ['workshop_id', 'name', 'made', 'created_at'];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected function casts(): array
    {
        return ['made' => 'array', 'created_at' => 'immutable_datetime'];
    }
}
