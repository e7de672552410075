<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
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
 * @property string $recipe_hash
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
    use InWorkshop, PlainRecord;

    protected $table = 'formula_versions';

    protected $fillable = ['formula_id', 'number', 'recipe', 'parent_id', 'note', 'photo', 'workshop_id', 'recipe_hash'];

    protected $attributes = ['parent_id' => null, 'note' => null, 'photo' => null];

    protected function casts(): array
    {
        return ['recipe' => 'array', 'number' => 'integer', 'parent_id' => 'integer', 'created_at' => 'immutable_datetime'];
    }

    /**
     * The same for recipes that say the same: JSON does not tell 60 from 60.0.
     *
     * @param  array{base: string, additives: list<array{code: string, amount: float|int, basis: string, into: string}>}  $recipe
     */
    public static function hashOf(array $recipe): string
    {
        return sha1(
            json_encode(
                [
                    $recipe['base'],
                    array_map(
                        static fn (array $line): array => [$line['code'], (float) $line['amount'], $line['basis'], $line['into']],
                        $recipe['additives'],
                    ),
                ],
                JSON_THROW_ON_ERROR,
            ),
        );
    }

    protected static function booted(): void
    {
        self::creating(static function (self $version): void {
            $version->recipe_hash = self::hashOf($version->recipe);
        });
        // What came of a version is often photographed long after it was kept: the first photo may join it, nothing else.
        self::updating(static function (self $version): void {
            $joins = $version->getOriginal('photo') === null
                && array_diff(array_keys($version->getDirty()), ['photo', 'updated_at']) === [];
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

    /** @return HasMany<Swatch, $this> */
    public function swatches(): HasMany
    {
        return $this->hasMany(Swatch::class);
    }

    /** Its formula's name and its number, as it stands on a label. */
    public function called(): string
    {
        return self::named($this->formula->name, $this->number);
    }

    public static function named(string $formula, int $number): string
    {
        return "{$formula} · {$number}";
    }
}
