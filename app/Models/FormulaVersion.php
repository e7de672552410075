<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use LogicException;

/**
 * What a formula said when it was poured. It never changes after that.
 *
 * @property int $id
 * @property int $number
 * @property array{base: string, additives: list<array{code: string, amount: float, basis: string, into: string}>} $recipe
 * @property Formula $formula
 */
final class FormulaVersion extends Model
{
    protected $guarded = [];

    protected function casts(): array
    {
        return ['recipe' => 'array', 'number' => 'integer'];
    }

    protected static function booted(): void
    {
        self::updating(static fn (): never => throw new LogicException('A formula version is a fact and does not change. Make a new version.'));
    }

    /** @return BelongsTo<Formula, $this> */
    public function formula(): BelongsTo
    {
        return $this->belongsTo(Formula::class);
    }
}
