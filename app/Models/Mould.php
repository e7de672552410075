<?php

declare(strict_types=1);

namespace App\Models;

use Apalos\Core\Care\Condition;
use Apalos\Core\Care\RetiredWhy;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A mould that lies on the rack. What lists need of its facts and castings stands in it, written down each time one of them is.
 *
 * @property int $id
 * @property int $workshop_id
 * @property int|null $job_id
 * @property int|null $impression_id the first poured link of it
 * @property int $generation the how manieth of that link it is
 * @property string $name
 * @property list<array{name: string, role: string, pour_id: int|null, base: string|null}> $parts
 * @property string|null $material house code of its rubber, or id of the surface of one that was printed, machined or bought
 * @property CarbonImmutable $made_at
 * @property int|null $remade_of
 * @property string|null $place
 * @property string|null $photo
 * @property string|null $cost what it cost to make, where somebody said so
 * @property Condition|null $condition
 * @property list<string>|null $marks
 * @property array<string, array{at_ms: int, casts: int}>|null $care when each act was done last, and after how many casts
 * @property string|null $casting house code of what was cast in it last
 * @property int $casts in all
 * @property int $casts_before of them before anybody wrote them down
 * @property int $releases
 * @property CarbonImmutable|null $cast_at
 * @property CarbonImmutable|null $hot_at
 * @property CarbonImmutable|null $proved_dry_at since when the scale has proved it dry
 * @property CarbonImmutable|null $retired_at
 * @property RetiredWhy|null $retired_why
 * @property int|null $left_likely
 * @property Job|null $job
 * @property Impression|null $impression
 */
final class Mould extends Model
{
    use InWorkshop, PlainRecord;

    /** The fact that says what it was to begin with. */
    public const FIRST = 'first-named';

    public $timestamps = false;

    protected $table = 'moulds';

    protected $fillable = [
        'workshop_id', 'job_id', 'impression_id', 'generation', 'name', 'parts', 'material', 'made_at', 'remade_of', 'place', 'photo',
        'cost', 'condition', 'marks', 'care', 'casting', 'casts', 'casts_before', 'releases', 'cast_at', 'hot_at', 'retired_at',
        'retired_why', 'left_likely',
    ];

    protected $attributes = [
        'job_id' => null, 'impression_id' => null, 'generation' => 1, 'material' => null, 'remade_of' => null, 'place' => null,
        'photo' => null, 'cost' => null, 'condition' => null, 'marks' => null, 'care' => null,
        'casting' => null, 'casts' => 0, 'casts_before' => 0, 'releases' => 0, 'cast_at' => null, 'hot_at' => null, 'retired_at' => null,
        'retired_why' => null, 'left_likely' => null,
    ];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected static function booted(): void
    {
        // What it was called to begin with is told as anything is: another name that is taken back leaves this.
        self::created(static function (self $mould): void {
            Fact::query()->create([
                'workshop_id' => $mould->workshop_id, 'stream' => 'mould', 'stream_id' => $mould->id, 'key' => self::FIRST,
                'kind' => 'named', 'at' => $mould->made_at, 'payload' => ['name' => $mould->name, 'first' => true],
            ]);
        });
    }

    protected function casts(): array
    {
        return [
            'parts' => 'array', 'marks' => 'array', 'care' => 'array', 'condition' => Condition::class, 'retired_why' => RetiredWhy::class,
            'generation' => 'integer', 'casts' => 'integer', 'casts_before' => 'integer', 'releases' => 'integer',
            'made_at' => 'immutable_datetime', 'cast_at' => 'immutable_datetime', 'hot_at' => 'immutable_datetime',
            'retired_at' => 'immutable_datetime', 'proved_dry_at' => 'immutable_datetime', 'left_likely' => 'integer',
            'job_id' => 'integer', 'impression_id' => 'integer', 'remade_of' => 'integer',
        ];
    }

    /**
     * Of a damaged record what can be read of it.
     *
     * @return list<array{name: string, role: string, pour_id: int|null, base: string|null}>
     */
    public function getPartsAttribute(?string $kept): array
    {
        /** @var list<array{name: string, role: string, pour_id: int|null, base: string|null}> */
        return array_values(
            array_filter(
                (array) json_decode((string) $kept, true, 16),
                static fn (mixed $part): bool => is_array($part) && isset($part['name'], $part['role']),
            ),
        );
    }

    /** @return BelongsTo<Job, $this> */
    public function job(): BelongsTo
    {
        return $this->belongsTo(Job::class)->withTrashed();
    }

    /** @return BelongsTo<Impression, $this> */
    public function impression(): BelongsTo
    {
        return $this->belongsTo(Impression::class)->withTrashed();
    }

    /** What stands on its label. */
    public function code(): string
    {
        return self::numbered($this->id);
    }

    public static function numbered(int|string $id): string
    {
        return "M-{$id}";
    }

    /** Which one is meant where its label is typed; null where no label is. */
    public static function ofLabel(string $typed): ?int
    {
        return preg_match('/^M-?(\d{1,15})$/i', trim($typed), $label) === 1 ? (int) $label[1] : null;
    }
}
