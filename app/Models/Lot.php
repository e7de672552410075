<?php

declare(strict_types=1);

namespace App\Models;

use Apalos\Core\Store\Doubt;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A kit on the shelf: its parts with their grams, its dates, what it cost.
 *
 * @property int $id
 * @property int $workshop_id
 * @property string $code house code of its sheet
 * @property string $got_on a day, as 2026-11-26
 * @property string|null $best_before
 * @property string|null $price of the whole kit
 * @property string|null $note
 * @property CarbonImmutable $created_at
 * @property string|null $opened_on
 * @property CarbonImmutable|null $ended_at
 * @property Doubt|null $trouble
 * @property CarbonImmutable|null $recalled_at since when it is marked bad
 * @property string|null $recalled_why
 * @property int|null $remelts how often it was melted; null for what never was
 * @property int|null $of_pour_id what it is left of
 * @property \Illuminate\Database\Eloquent\Collection<int, LotPart> $parts
 */
final class Lot extends Model
{
    use InWorkshop, PlainRecord;

    public $timestamps = false;

    protected $table = 'lots';

    protected $fillable = [
        'workshop_id', 'code', 'got_on', 'best_before', 'price', 'note', 'created_at', 'opened_on', 'ended_at', 'trouble', 'remelts',
        'of_pour_id', 'recalled_at', 'recalled_why',
    ];

    protected $attributes = [
        'best_before' => null, 'price' => null, 'note' => null, 'opened_on' => null, 'ended_at' => null, 'trouble' => null,
        'remelts' => null, 'of_pour_id' => null, 'recalled_at' => null, 'recalled_why' => null,
    ];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected function casts(): array
    {
        return [
            'created_at' => 'immutable_datetime', 'ended_at' => 'immutable_datetime', 'recalled_at' => 'immutable_datetime',
            'trouble' => Doubt::class,
        ];
    }

    /** @return HasMany<LotPart, $this> */
    public function parts(): HasMany
    {
        return $this->hasMany(LotPart::class)->orderBy('part');
    }

    /** What stands on its label. */
    public function label(): string
    {
        return self::numbered($this->id);
    }

    public static function numbered(int|string $id): string
    {
        return "L-{$id}";
    }

    /** Which one is meant where its label is typed; null where no label is. */
    public static function ofLabel(string $typed): ?int
    {
        return preg_match('/^L-?(\d{1,15})$/i', trim($typed), $label) === 1 ? (int) $label[1] : null;
    }
}
