<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\SoftDeletes;

/**
 * A piece to be made: a chain of impressions from the original to the casts.
 *
 * @property int $id
 * @property int $workshop_id
 * @property string $name
 * @property string|null $purpose
 * @property string|null $for_whom who gets its pieces, where that is noted
 * @property int $quantity
 * @property bool $skin worn on skin
 * @property list<string>|null $uses what else it is for, of `library/uses.yaml`
 * @property int|null $taken_way_id which whole way it took last
 * @property CarbonImmutable|null $due_on
 * @property CarbonImmutable $created_at
 */
final class Job extends Model
{
    use HasEdition, InWorkshop, PlainRecord, SoftDeletes;

    /** What of it is a new edition when it changes. */
    private const EDITED = ['name', 'purpose', 'for_whom', 'quantity', 'due_on', 'skin', 'uses', 'deleted_at'];

    protected $table = 'jobs';

    protected $fillable = ['workshop_id', 'name', 'purpose', 'for_whom', 'quantity', 'due_on', 'skin', 'uses', 'taken_way_id'];

    protected $attributes = ['skin' => false, 'taken_way_id' => null];

    protected function casts(): array
    {
        return [
            'due_on' => 'immutable_date', 'quantity' => 'integer', 'taken_way_id' => 'integer', 'skin' => 'boolean', 'uses' => 'array',
            'created_at' => 'immutable_datetime',
        ];
    }

    /** @return BelongsTo<Workshop, $this> */
    public function workshop(): BelongsTo
    {
        return $this->belongsTo(Workshop::class);
    }

    /** @return HasMany<Impression, $this> */
    public function impressions(): HasMany
    {
        return $this->hasMany(Impression::class)->orderBy('position')->orderBy('id')->chaperone();
    }

    /** @return list<string> all it is for that has to be looked up */
    public function usedFor(): array
    {
        return array_values(array_unique([...($this->skin ? ['skin'] : []), ...($this->uses ?? [])]));
    }

    public function calledOnScreen(): string
    {
        return "“{$this->name}”";
    }
}
