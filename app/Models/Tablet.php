<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * A tablet that an owner trusts to stand at the bench: whoever gives a PIN there works there.
 *
 * @property int $id
 * @property int $workshop_id
 * @property string $name
 * @property string $secret hash of what the tablet shows of itself
 * @property CarbonImmutable $trusted_at
 * @property CarbonImmutable|null $gone_at
 */
final class Tablet extends Model
{
    public const COOKIE = 'apalos_tablet';

    public $timestamps = false;

    protected $table = 'tablets';

    protected $fillable = ['workshop_id', 'name', 'secret', 'trusted_at', 'gone_at'];

    protected $attributes = ['gone_at' => null];

    protected $hidden = ['secret'];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected function casts(): array
    {
        return ['workshop_id' => 'integer', 'trusted_at' => 'immutable_datetime', 'gone_at' => 'immutable_datetime'];
    }

    public static function shown(string $secret): ?self
    {
        return strlen($secret) < 32 ? null : self::query()->where('secret', hash('sha256', $secret))->whereNull('gone_at')->first();
    }
}
