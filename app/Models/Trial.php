<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * Some variants of one thing, tried in equal cups.
 *
 * @property int $id
 * @property int $workshop_id
 * @property string $name
 * @property string $about
 * @property string|null $base_code
 * @property string|null $note
 * @property list<array{
 *     name: string, release?: string|null, surface?: string|null, vacuum_min?: float|null, pot_min?: float|null,
 * }>  $variants
 * @property int $cups of each
 * @property string|null $counted what is counted in each cup; null where cups are graded
 * @property int|null $control the variant that is left alone
 * @property list<array{int, int}>|null $labels by the number on a cup, from nought: its variant and which of them it is
 * @property float $cup_g
 * @property CarbonImmutable $created_at
 * @property CarbonImmutable|null $ended_at
 * @property array<string, mixed>|null $became
 */
final class Trial extends Model
{
    use InWorkshop, PlainRecord;

    public $timestamps = false;

    protected $table = 'trials';

    protected $fillable = [
        'workshop_id', 'name', 'about', 'base_code', 'note', 'variants', 'cups', 'cup_g', 'created_at', 'ended_at', 'became', 'counted',
        'control', 'labels',
    ];

    protected $attributes = [
        'base_code' => null, 'note' => null, 'ended_at' => null, 'became' => null, 'counted' => null, 'control' => null, 'labels' => null,
    ];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected function casts(): array
    {
        return [
            'variants' => 'array', 'cups' => 'integer', 'cup_g' => 'float', 'created_at' => 'immutable_datetime',
            'ended_at' => 'immutable_datetime', 'became' => 'array', 'control' => 'integer', 'labels' => 'array',
        ];
    }
}
