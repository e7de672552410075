<?php

declare(strict_types=1);

namespace App\Models;

use Apalos\Core\Series\FactKind;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use LogicException;

/**
 * One fact of the weigh-up of a series. Rows are only ever added.
 *
 * @property int $id
 * @property int $series_id
 * @property string $key
 * @property FactKind $kind
 * @property CarbonImmutable $at
 * @property array{vessel?: string, line?: int, grams?: float|null, of?: int} $payload
 */
final class SeriesFact extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected function casts(): array
    {
        return ['kind' => FactKind::class, 'at' => 'immutable_datetime', 'payload' => 'array'];
    }

    protected static function booted(): void
    {
        $refuse = static fn (): never => throw new LogicException('A weigh-up is a list of facts: add one instead of changing one.');
        self::updating($refuse);
        self::deleting($refuse);
    }
}
