<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use LogicException;

/**
 * What a formula said when it was kept or poured. It never changes after that; what was derived from it remembers it.
 *
 * @property int $id
 * @property int $workshop_id
 * @property int $formula_id
 * @property int $number
 * @property array{base: string, additives: list<array{code: string, amount: float, basis: string, into: string}>} $recipe
 * @property int|null $parent_id
 * @property string|null $note
 * @property string|null $photo
 * @property CarbonImmutable $created_at
 * @property Formula $formula
 * @property FormulaVersion|null $parent
 * @property \Illuminate\Database\Eloquent\Collection<int, FormulaVersion> $children
 * @property \Illuminate\Database\Eloquent\Collection<int, Pour> $pours
 * @property \Illuminate\Database\Eloquent\Collection<int, Swatch> $swatches
 */
final class FormulaVersion extends Model
{
    use InWorkshop, KeepsMoments;

    protected $guarded = [];

    protected $attributes = ['parent_id' => null, 'note' => null, 'photo' => null];

    protected function casts(): array
    {
        return ['recipe' => 'array', 'number' => 'integer', 'parent_id' => 'integer', 'created_at' => 'immutable_datetime'];
    }

    protected static function booted(): void
    {
        // What came of a version is often photographed long after it was kept: the first photo may join it, nothing else.
        self::updating(static function (self $version): void {
            $joins = $version->getOriginal('photo') === null && array_diff(array_keys($version->getDirty()), ['photo', 'updated_at']) === [];
            $joins ?: throw new LogicException('A formula version is a fact and does not change. Make a new version.');
        });
    }

    /** @return BelongsTo<Formula, $this> */
    public function formula(): BelongsTo
    {
        return $this->belongsTo(Formula::class);
    }

    /** @return BelongsTo<FormulaVersion, $this> */
    public function parent(): BelongsTo
    {
        return $this->belongsTo(self::class, 'parent_id');
    }

    /** @return HasMany<FormulaVersion, $this> versions derived from this one */
    public function children(): HasMany
    {
        return $this->hasMany(self::class, 'parent_id');
    }

    /** @return HasMany<Pour, $this> */
    public function pours(): HasMany
    {
        return $this->hasMany(Pour::class);
    }

    /**
     * With how often, when last and how well it was poured, without reading the pours: `pours_count`, `last_poured_at`, `last_grade`.
     *
     * @param  Builder<self>  $query
     */
    public function scopeWithLastPour(Builder $query): void
    {
        $last = static fn (string $what) => Pour::query()->select($what)->whereColumn('formula_version_id', 'formula_versions.id')->orderByDesc('started_at')->limit(1);
        $query->withCount('pours')->addSelect(['last_poured_at' => $last('started_at'), 'last_grade' => $last('grade')]);
    }

    /** @return HasMany<Swatch, $this> */
    public function swatches(): HasMany
    {
        return $this->hasMany(Swatch::class);
    }

    /** Its formula's name and its number, as it stands on a label. */
    public function called(): string
    {
        return "{$this->formula->name} · {$this->number}";
    }
}
