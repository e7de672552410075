<?php

declare(strict_types=1);

namespace App\Models;

use Apalos\Core\Harden\SoftenedPuck;
use Apalos\Core\Tint\Lab;
use Apalos\Core\Units\Shore;
use Apalos\Core\Units\ShoreScale;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What a swatch tells, in one row: read off its recipe and its readings each time one of them changes, so that nobody has to read
 * all of them again to look into the drawer. It holds nothing that could not be read off again.
 *
 * @property int $swatch_id
 * @property int $workshop_id
 * @property string|null $base_code null where it is no longer on the shelf
 * @property string|null $softener_code
 * @property float|null $pct_of_ab of the softener; null where something else in it changes the hardness too
 * @property string|null $scale
 * @property float|null $reading the median
 * @property float|null $spread
 * @property int|null $places at how many it was read
 * @property float|null $ln_modulus
 * @property float|null $off_sd where it contradicts the others
 * @property float|null $lab_l
 * @property float|null $lab_a
 * @property float|null $lab_b
 * @property string|null $pigment_code
 * @property array<string, mixed>|null $drawdown as the core takes it
 * @property bool $unread
 * @property string $words what it is found by
 * @property Swatch $swatch
 */
final class SwatchDigest extends Model
{
    use InWorkshop, PlainRecord;

    public $timestamps = false;

    public $incrementing = false;

    protected $primaryKey = 'swatch_id';

    protected $table = 'swatch_digests';

    protected $fillable = [
        'swatch_id', 'workshop_id', 'base_code', 'softener_code', 'pct_of_ab', 'scale', 'reading', 'spread', 'places', 'ln_modulus',
        'off_sd',
        'lab_l', 'lab_a', 'lab_b', 'pigment_code', 'drawdown', 'unread', 'words', 'poured_at',
    ];

    protected function casts(): array
    {
        return [
            'pct_of_ab' => 'float', 'reading' => 'float', 'spread' => 'float', 'places' => 'integer', 'ln_modulus' => 'float',
            'off_sd' => 'float',
            'lab_l' => 'float', 'lab_a' => 'float', 'lab_b' => 'float', 'drawdown' => 'array', 'unread' => 'boolean',
        ];
    }

    /** @return BelongsTo<Swatch, $this> */
    public function swatch(): BelongsTo
    {
        return $this->belongsTo(Swatch::class);
    }

    public function shore(): ?Shore
    {
        $scale = ShoreScale::tryFrom($this->scale ?? '');

        return $scale === null || $this->reading === null ? null : Shore::of($scale, $this->reading);
    }

    public function puck(): ?SoftenedPuck
    {
        $shore = $this->shore();

        return $shore === null || $this->pct_of_ab === null ? null : new SoftenedPuck($this->pct_of_ab, $shore);
    }

    public function colour(): ?Lab
    {
        return $this->lab_l === null || $this->lab_a === null || $this->lab_b === null
            ? null
            : Lab::of($this->lab_l, $this->lab_a, $this->lab_b);
    }
}
