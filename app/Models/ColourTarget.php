<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * A colour somebody wants again: a wearer's forearm, a faded boot.
 *
 * @property int $id
 * @property int $workshop_id
 * @property string $name
 * @property array{float, float, float} $lab
 * @property float|null $shows_pct how much of a dark card shows through it, %; null where nobody said
 * @property float|null $at_mm at which thickness
 */
final class ColourTarget extends Model
{
    use HasEdition, InWorkshop, PlainRecord;

    /** What of it is a new edition when it changes. */
    private const EDITED = ['name', 'lab', 'shows_pct', 'at_mm'];

    protected $table = 'colour_targets';

    protected $fillable = ['workshop_id', 'name', 'lab', 'shows_pct', 'at_mm'];

    protected function casts(): array
    {
        return ['lab' => 'array', 'shows_pct' => 'float', 'at_mm' => 'float'];
    }

    /** @return array{shows_pct: float|null, at_mm: float|null} */
    public function depth(): array
    {
        return ['shows_pct' => $this->shows_pct, 'at_mm' => $this->at_mm];
    }

    /** @return array{shows_pct?: float, at_mm?: float} as a file has it: nothing where nobody said */
    public function depthSaid(): array
    {
        return array_filter($this->depth(), static fn (?float $value): bool => $value !== null);
    }

    public function calledOnScreen(): string
    {
        return "“{$this->name}”";
    }
}
