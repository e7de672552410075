<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;

/**
 * A named formula; what it says is in its versions.
 *
 * @property int $id
 * @property int $workshop_id
 * @property string $name
 * @property FormulaKind $kind
 * @property CarbonImmutable|null $retired_at
 * @property \Illuminate\Database\Eloquent\Collection<int, FormulaVersion> $versions
 */
final class Formula extends Model
{
    use HasEdition, InWorkshop, PlainRecord;

    /** What of it is a new edition when it changes. */
    private const EDITED = ['name', 'retired_at'];

    protected $table = 'formulas';

    protected $fillable = ['workshop_id', 'name', 'kind', 'retired_at'];

    protected $attributes = ['kind' => 'mix', 'retired_at' => null];

    protected function casts(): array
    {
        return ['kind' => FormulaKind::class, 'retired_at' => 'immutable_datetime'];
    }

    /** @return HasMany<FormulaVersion, $this> */
    public function versions(): HasMany
    {
        return $this->hasMany(FormulaVersion::class)->orderBy('number');
    }

    /** @return HasOne<FormulaVersion, $this> what it says now */
    public function newest(): HasOne
    {
        return $this->hasOne(FormulaVersion::class)->ofMany('number', 'max');
    }

    public function calledOnScreen(): string
    {
        return "“{$this->name}”";
    }
}
