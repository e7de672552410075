<?php

declare(strict_types=1);

namespace App\Models;

use Apalos\Core\Build\BuildPlan;
use Apalos\Core\Input\Fields;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * One going at an impression: its operations, and the pours of those that mix. A plain pour is a build of one operation.
 *
 * @property int $id
 * @property int $workshop_id
 * @property int $impression_id
 * @property int|null $planned_of the link whose one planned build it is
 * @property bool $plain one pour and nothing else: how it stands is told by its pour
 * @property string $kind id of the ready-made build it was taken from
 * @property string $name
 * @property array<string, mixed>|null $plan its operations as they were at first; changes are facts
 * @property list<string>|null $left_out_touches keys of the facts that tell of a touch which somebody found to be a slip
 * @property int|null $copies_of the first of several that are built the same way; null where it is one alone
 * @property int $copy which of them
 * @property CarbonImmutable|null $wanted_on where it is wanted on another day than its job
 * @property CarbonImmutable|null $begun_at
 * @property CarbonImmutable|null $ended_at
 * @property CarbonImmutable $created_at the moment its minutes count from
 * @property Impression $impression
 * @property \Illuminate\Database\Eloquent\Collection<int, Pour> $pours
 */
final class Build extends Model
{
    use InWorkshop, PlainRecord;

    public const PLAIN = 'pour';

    public $timestamps = false;

    protected $table = 'builds';

    protected $fillable = [
        'workshop_id', 'impression_id', 'planned_of', 'plain', 'kind', 'name', 'plan', 'begun_at', 'ended_at', 'created_at',
        'left_out_touches', 'copies_of', 'copy', 'wanted_on',
    ];

    protected $attributes = ['plain' => false, 'plan' => null, 'planned_of' => null, 'begun_at' => null, 'ended_at' => null];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected function casts(): array
    {
        return [
            'plain' => 'boolean', 'plan' => 'array', 'left_out_touches' => 'array', 'begun_at' => 'immutable_datetime',
            'ended_at' => 'immutable_datetime', 'created_at' => 'immutable_datetime', 'planned_of' => 'integer', 'copies_of' => 'integer',
            'copy' => 'integer', 'wanted_on' => 'immutable_date',
        ];
    }

    /** @return BelongsTo<Impression, $this> */
    public function impression(): BelongsTo
    {
        return $this->belongsTo(Impression::class)->withTrashed();
    }

    /** @return HasMany<Pour, $this> */
    public function pours(): HasMany
    {
        return $this->hasMany(Pour::class)->orderBy('id');
    }

    /**
     * In several operations, not ended, of jobs and links that are not put away.
     *
     * @param  Builder<self>  $query
     */
    public function scopeOnTheBench(Builder $query): void
    {
        $query->where('plain', false)->whereNull('ended_at')
            ->whereRaw(
                'exists (select 1 from impressions join jobs on jobs.id = impressions.job_id where impressions.id = builds.impression_id and impressions.deleted_at is null and jobs.deleted_at is null)',
            );
    }

    /**
     * Those that are built the same way, with itself.
     *
     * @return Builder<self>
     */
    public function copies(): Builder
    {
        return self::query()->where('copies_of', $this->copies_of ?? 0)->orderBy('copy')->orderBy('id');
    }

    /** Once it has begun, the next of its copies is what is planned of its link. */
    public function handPlanOn(): void
    {
        $next = $this->copies_of === null || self::query()->where('planned_of', $this->impression_id)->exists()
            ? null
            : $this->copies()->whereNull('begun_at')->whereNull('ended_at')->first();
        $next?->update(['planned_of' => $this->impression_id]);
    }

    /** The day it is wanted on: its own, or its job's. */
    public function wantedOn(): ?CarbonImmutable
    {
        return $this->wanted_on ?? $this->impression->job->due_on;
    }

    /** Its operations as they were planned at first. */
    public function planned(): BuildPlan
    {
        return $this->plan === null ? BuildPlan::plain() : BuildPlan::from(Fields::of($this->plan, 'plan'));
    }

    public function title(): string
    {
        return "{$this->impression->job->name} · {$this->impression->name}".($this->copies_of === null ? '' : ", copy {$this->copy}");
    }
}
