<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A named formula; what it says is in its versions.
 *
 * @property int $id
 * @property string $name
 */
final class Formula extends Model
{
    protected $guarded = [];

    /** @return HasMany<FormulaVersion, $this> */
    public function versions(): HasMany
    {
        return $this->hasMany(FormulaVersion::class)->orderBy('number');
    }
}
