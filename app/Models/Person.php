<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Auth\Authenticatable;
use Illuminate\Contracts\Auth\Authenticatable as SignsIn;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Str;
use Laravel\Sanctum\HasApiTokens;

/**
 * Somebody who works in a shop. What they told stays when they leave; whoever is forgotten leaves a number where a name stood.
 *
 * @property string $id the same wherever the record is taken
 * @property int $workshop_id
 * @property string $name
 * @property string $name_key the same in small letters, once in a shop
 * @property Role $role
 * @property string $colour of their mark
 * @property string|null $passphrase a hash; null where they come in at the bench alone
 * @property string|null $pin a hash of 4 to 8 figures; null where they never stand at the bench
 * @property int $pin_tries wrong ones in a row
 * @property string $sessions sessions that carry another mark than this are over
 * @property CarbonImmutable $created_at
 * @property CarbonImmutable|null $left_at
 * @property CarbonImmutable|null $forgotten_at
 */
final class Person extends Model implements SignsIn
{
    use Authenticatable, HasApiTokens, HasUlids, PlainRecord;

    /** So many wrong PINs in a row, and somebody who may has to open it again. */
    public const MOST_TRIES = 10;

    public const MOST_NAME = 40;

    public $timestamps = false;

    protected $table = 'people';

    protected $fillable = [
        'workshop_id', 'name', 'name_key', 'role', 'colour', 'passphrase', 'pin', 'pin_tries', 'sessions', 'created_at', 'left_at',
        'forgotten_at',
    ];

    protected $attributes = ['passphrase' => null, 'pin' => null, 'pin_tries' => 0, 'left_at' => null, 'forgotten_at' => null];

    protected $hidden = ['passphrase', 'pin', 'sessions'];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected function casts(): array
    {
        return [
            'workshop_id' => 'integer', 'role' => Role::class, 'pin_tries' => 'integer', 'created_at' => 'immutable_datetime',
            'left_at' => 'immutable_datetime', 'forgotten_at' => 'immutable_datetime',
        ];
    }

    protected static function booted(): void
    {
        self::creating(static function (self $person): void {
            $person->sessions = (string) Str::ulid();
            $person->created_at ??= CarbonImmutable::now();
        });
        self::saving(static function (self $person): void {
            $person->name_key = mb_strtolower($person->name);
        });
    }

    /** @return Builder<self> who works in this shop now */
    public static function here(Workshop $workshop): Builder
    {
        return self::query()->where('workshop_id', $workshop->id)->whereNull('left_at')->orderBy('created_at')->orderBy('id');
    }

    public function getAuthPasswordName(): string
    {
        return 'passphrase';
    }

    /** Nobody is remembered past the session. */
    public function getRememberTokenName(): string
    {
        return '';
    }

    public function isLocked(): bool
    {
        return $this->pin_tries >= self::MOST_TRIES;
    }
}
