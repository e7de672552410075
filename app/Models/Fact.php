<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use LogicException;

/**
 * One fact of a stream. Rows are only ever added.
 *
 * @property int $id
 * @property int $workshop_id
 * @property string $stream run or series
 * @property int $stream_id
 * @property string $key made by the browser, so that sending the same fact twice records it once
 * @property string $kind
 * @property CarbonImmutable $at
 * @property array<string, mixed> $payload
 * @property string|null $said what was sent, boiled down: the same key with another content is no repetition
 * @property CarbonImmutable|null $clock_at what the clock of the bench showed, where it had gone back behind the fact before
 * @property string|null $person who did it; empty until people sign in
 */
final class Fact extends Model
{
    use InWorkshop, KeepsMoments;

    public $timestamps = false;

    protected $table = 'facts';

    protected $fillable = ['workshop_id', 'stream', 'stream_id', 'key', 'kind', 'at', 'payload', 'said', 'person', 'clock_at'];

    protected $attributes = ['said' => null, 'person' => null, 'clock_at' => null];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected function casts(): array
    {
        return ['stream_id' => 'integer', 'at' => 'immutable_datetime', 'clock_at' => 'immutable_datetime', 'payload' => 'array'];
    }

    protected static function booted(): void
    {
        $refuse = static fn (): never => throw new LogicException('What happened is a list of facts: add one instead of changing one.');
        self::updating($refuse);
        self::deleting($refuse);
    }
}
