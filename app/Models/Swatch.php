<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\SoftDeletes;

/**
 * A small sample of a formula kept as a reference: a puck for hardness, a drawdown for colour, or both.
 *
 * @property int $id
 * @property int $workshop_id
 * @property int $formula_version_id
 * @property string $name
 * @property float|null $thickness_mm
 * @property CarbonImmutable $poured_at
 * @property CarbonImmutable|null $demoulded_at
 * @property string|null $note
 * @property string|null $photo
 * @property int $edition
 * @property FormulaVersion $version
 * @property \Illuminate\Database\Eloquent\Collection<int, SwatchReading> $readings
 */
final class Swatch extends Model
{
    use HasEdition, InWorkshop, PlainRecord, SoftDeletes;

    /** What of it a maker reads. */
    private const EDITED = ['name', 'thickness_mm', 'note', 'photo', 'demoulded_at'];

    protected $table = 'swatches';

    protected $fillable = ['workshop_id', 'formula_version_id', 'name', 'thickness_mm', 'poured_at', 'demoulded_at', 'note', 'photo'];

    protected $attributes = ['thickness_mm' => null, 'demoulded_at' => null, 'note' => null, 'photo' => null];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected function casts(): array
    {
        return ['thickness_mm' => 'float', 'poured_at' => 'immutable_datetime', 'demoulded_at' => 'immutable_datetime'];
    }

    public function calledOnScreen(): string
    {
        return "“{$this->name}”";
    }

    /** @return BelongsTo<FormulaVersion, $this> */
    public function version(): BelongsTo
    {
        return $this->belongsTo(FormulaVersion::class, 'formula_version_id');
    }

    /** @return HasMany<SwatchReading, $this> */
    public function readings(): HasMany
    {
        return $this->hasMany(SwatchReading::class)->orderBy('id');
    }
}
