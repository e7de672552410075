<?php

declare(strict_types=1);

namespace App\Models;

use Apalos\Core\Run\EventKind;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use LogicException;

/**
 * One fact of a run. Rows are only ever added.
 *
 * @property int $id
 * @property int $pour_id
 * @property string $key
 * @property EventKind $kind
 * @property CarbonImmutable $at
 * @property array<string, mixed> $payload
 */
final class RunEvent extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected function casts(): array
    {
        return ['kind' => EventKind::class, 'at' => 'immutable_datetime', 'payload' => 'array'];
    }

    protected static function booted(): void
    {
        $refuse = static fn (): never => throw new LogicException('A run is a list of facts: add an event instead of changing one.');
        self::updating($refuse);
        self::deleting($refuse);
    }
}
