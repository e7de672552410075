<?php

declare(strict_types=1);

namespace App\Models;

use Apalos\Core\Contact\MouldPart;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\SoftDeletes;

/**
 * One link of a job's chain: an original, a mould, a hard copy or the casts.
 *
 * @property int $id
 * @property int $workshop_id
 * @property int $job_id
 * @property int $position
 * @property ImpressionKind $kind
 * @property string $name
 * @property string|null $material
 * @property string|null $note
 * @property string|null $surface id of the surface of what is not poured here: an original, a printed or bought mould
 * @property MouldPart $role
 * @property string|null $mould_kind of the library, where it was put in as one; null where somebody built it otherwise
 * @property int|null $from_id the link whose shape it takes, where it is not the one before
 * @property string|null $wall
 * @property string|null $bed
 * @property \Carbon\CarbonImmutable|null $gone_at since when it is known to be no more
 * @property \Carbon\CarbonImmutable|null $proved_dry_at since when the scale has proved it dry, where it was built here
 * @property array<string, array<string, mixed>>|null $contacts what was chosen for each contact
 * @property Job $job
 * @property \Illuminate\Database\Eloquent\Collection<int, Pour> $pours
 */
final class Impression extends Model
{
    use HasEdition, InWorkshop, PlainRecord, SoftDeletes;

    /** What of it is a new edition when it changes. */
    private const EDITED = [
        'job_id', 'position', 'kind', 'name', 'material', 'note', 'surface', 'role', 'from_id', 'wall', 'bed', 'contacts', 'deleted_at',
    ];

    protected $table = 'impressions';

    protected $fillable = [
        'job_id', 'position', 'kind', 'name', 'material', 'note', 'surface', 'role', 'from_id', 'wall', 'bed', 'contacts', 'workshop_id',
        'gone_at', 'mould_kind',
    ];

    protected $attributes = ['role' => 'whole'];

    protected function casts(): array
    {
        return [
            'kind' => ImpressionKind::class, 'position' => 'integer', 'role' => MouldPart::class, 'from_id' => 'integer',
            'contacts' => 'array', 'gone_at' => 'immutable_datetime', 'proved_dry_at' => 'immutable_datetime',
        ];
    }

    /** @return BelongsTo<Job, $this> */
    public function job(): BelongsTo
    {
        return $this->belongsTo(Job::class)->withTrashed();
    }

    /** @return HasMany<Build, $this> */
    public function builds(): HasMany
    {
        return $this->hasMany(Build::class)->orderBy('id');
    }

    /** @return HasMany<Pour, $this> */
    public function pours(): HasMany
    {
        return $this->hasMany(Pour::class)->orderBy('id');
    }

    /** Not poured here: an original, or a mould, core, insert or plug that was printed, machined or bought. */
    public function isHad(): bool
    {
        $mayBe = $this->kind !== ImpressionKind::Cast || $this->role->isInside();

        return $this->kind === ImpressionKind::Original || ($mayBe && ($this->material ?? '') === '' && ($this->surface ?? '') !== '');
    }

    public function calledOnScreen(): string
    {
        return "“{$this->name}”";
    }
}
