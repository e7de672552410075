<?php

declare(strict_types=1);

namespace App\Models;

use Apalos\Core\Harden\PuckReading;
use Apalos\Core\Tint\Lab;
use Apalos\Core\Units\ShoreScale;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use LogicException;

/**
 * What was read of a swatch: its hardness at several places, or its colour over a card. A fact; it can be left out, not changed.
 *
 * @property int $id
 * @property int $workshop_id
 * @property int $swatch_id
 * @property string $kind hardness or colour
 * @property CarbonImmutable $at
 * @property string|null $scale
 * @property list<float>|null $readings
 * @property string|null $backing white or black
 * @property array{float, float, float}|null $lab
 * @property array{float, float, float}|null $card_lab
 * @property string|null $source instrument or photo
 * @property float|null $within_delta_e
 * @property bool $left_out
 * @property Swatch $swatch
 */
final class SwatchReading extends Model
{
    use InWorkshop, PlainRecord;

    protected $table = 'swatch_readings';

    protected $fillable = [
        'swatch_id', 'kind', 'at', 'scale', 'readings', 'backing', 'lab', 'card_lab', 'source', 'within_delta_e', 'left_out', 'workshop_id',
    ];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected $attributes = [
        'left_out' => false, 'scale' => null, 'readings' => null, 'backing' => null, 'lab' => null, 'card_lab' => null, 'source' => null,
        'within_delta_e' => null,
    ];

    protected function casts(): array
    {
        return [
            'at' => 'immutable_datetime', 'readings' => 'array', 'lab' => 'array', 'card_lab' => 'array', 'within_delta_e' => 'float',
            'left_out' => 'boolean',
        ];
    }

    protected static function booted(): void
    {
        self::updating(static function (self $reading): void {
            if (array_diff(array_keys($reading->getDirty()), ['left_out', 'updated_at']) !== []) {
                throw new LogicException('A reading is a fact and does not change. Leave it out and read again.');
            }
        });
    }

    /** @return BelongsTo<Swatch, $this> */
    public function swatch(): BelongsTo
    {
        return $this->belongsTo(Swatch::class)->withTrashed();
    }

    public function hardness(): ?PuckReading
    {
        $scale = ShoreScale::tryFrom($this->scale ?? '');

        return $this->kind !== 'hardness' || $scale === null
            ? null
            : PuckReading::of($scale, array_map(floatval(...), $this->readings ?? []));
    }

    public function colour(): ?Lab
    {
        return $this->kind !== 'colour' ? null : self::measured($this->lab);
    }

    /** The bare card it lay on; null where it was the usual one. */
    public function card(): ?Lab
    {
        return self::measured($this->card_lab);
    }

    /** @param  array{float, float, float}|null  $lab */
    private static function measured(?array $lab): ?Lab
    {
        return $lab === null ? null : Lab::of((float) $lab[0], (float) $lab[1], (float) $lab[2]);
    }
}
