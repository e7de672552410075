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
 */
final class ColourTarget extends Model
{
    use HasEdition, InWorkshop, KeepsMoments;

    /** What of it is a new edition when it changes. */
    private const EDITED = ['name', 'lab'];

    protected $table = 'colour_targets';

    protected $fillable = ['workshop_id', 'name', 'lab'];

    protected function casts(): array
    {
        return ['lab' => 'array'];
    }

    public function calledOnScreen(): string
    {
        return "“{$this->name}”";
    }
}
