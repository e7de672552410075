<?php

declare(strict_types=1);

namespace App\Models;

use Apalos\Core\Run\Grade;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One pour of an impression: a sheet while it is planned, a plan and facts once it runs.
 *
 * @property int $id
 * @property int $workshop_id
 * @property int $impression_id
 * @property int|null $formula_version_id
 * @property array<string, mixed> $sheet
 * @property array<string, mixed>|null $plan
 * @property string|null $base_code house code of what it is poured of, once it has begun
 * @property int $build_id
 * @property string $operation of its build
 * @property int $turn how often that operation was begun before
 * @property array<string, mixed>|null $planned what the plan of its build says of its sheet, and said at first
 * @property int|null $draft_of the link whose one planned pour it is
 * @property int|null $snapshot_id the sheets it was begun with
 * @property float|null $gel_min what its gel taught, as 100 g of the bare base would have shown it
 * @property float|null $gel_room_c
 * @property bool $gel_sure it was far from what was expected, asked about, and confirmed
 * @property bool $gel_left_out somebody found it to be a slip: it teaches nothing
 * @property string|null $cause what was found to be behind a bad grade
 * @property string|null $graded_by whoever said how it came out, or laid it on
 * @property float|null $room_c how warm the room was when it began
 * @property PourState $state
 * @property CarbonImmutable|null $started_at
 * @property CarbonImmutable|null $met_at
 * @property CarbonImmutable|null $poured_at
 * @property CarbonImmutable|null $opened_at
 * @property CarbonImmutable|null $graded_at
 * @property float|null $weighed_g
 * @property float|null $used_g
 * @property Grade|null $grade
 * @property int|null $pieces how many pieces came of it
 * @property int $good how many of them are no reject, counted where castings are written
 * @property list<string>|null $faults
 * @property string|null $note
 * @property Impression $impression
 * @property Build $build
 * @property FormulaVersion|null $formulaVersion
 * @property Snapshot|null $snapshot
 */
final class Pour extends Model
{
    use HasEdition, InWorkshop, PlainRecord;

    /** What of it is a new edition when it changes. */
    private const EDITED = ['sheet', 'state'];

    protected $attributes = [
        'base_code' => null, 'draft_of' => null, 'snapshot_id' => null, 'gel_min' => null, 'gel_room_c' => null, 'cause' => null,
        'room_c' => null, 'operation' => Build::PLAIN, 'turn' => 0,
    ];

    protected $table = 'pours';

    protected $fillable = [
        'impression_id', 'formula_version_id', 'sheet', 'plan', 'started_at', 'state', 'met_at', 'poured_at', 'opened_at', 'graded_at',
        'weighed_g', 'used_g', 'grade',
        'pieces', 'faults', 'note', 'workshop_id', 'base_code', 'snapshot_id', 'gel_min', 'gel_room_c', 'gel_sure', 'gel_left_out',
        'planned', 'cause', 'room_c', 'draft_of', 'build_id', 'operation', 'turn', 'graded_by',
    ];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected function casts(): array
    {
        return [
            'sheet' => 'array', 'plan' => 'array', 'planned' => 'array', 'faults' => 'array', 'state' => PourState::class,
            'grade' => Grade::class,
            'started_at' => 'immutable_datetime', 'met_at' => 'immutable_datetime', 'poured_at' => 'immutable_datetime',
            'opened_at' => 'immutable_datetime', 'graded_at' => 'immutable_datetime', 'weighed_g' => 'float', 'used_g' => 'float',
            'pieces' => 'integer', 'good' => 'integer', 'gel_min' => 'float', 'gel_room_c' => 'float', 'gel_sure' => 'boolean',
            'gel_left_out' => 'boolean', 'room_c' => 'float', 'snapshot_id' => 'integer', 'build_id' => 'integer', 'turn' => 'integer',
        ];
    }

    protected static function booted(): void
    {
        // Where nothing else was planned, a pour is all there is to its build.
        self::creating(static function (self $pour): void {
            if (($pour->attributes['build_id'] ?? null) === null) {
                $pour->build_id = Build::query()->create([
                    'impression_id' => $pour->impression_id, 'plain' => true, 'kind' => Build::PLAIN, 'name' => 'Pour',
                    'created_at' => CarbonImmutable::now(),
                ])->id;
            }
        });
    }

    /** @return BelongsTo<Build, $this> */
    public function build(): BelongsTo
    {
        return $this->belongsTo(Build::class);
    }

    /** @return BelongsTo<Impression, $this> */
    public function impression(): BelongsTo
    {
        return $this->belongsTo(Impression::class)->withTrashed();
    }

    /** @return BelongsTo<FormulaVersion, $this> */
    public function formulaVersion(): BelongsTo
    {
        return $this->belongsTo(FormulaVersion::class);
    }

    /** @return BelongsTo<Snapshot, $this> */
    public function snapshot(): BelongsTo
    {
        return $this->belongsTo(Snapshot::class);
    }

    /**
     * Pours that have begun and not yet been graded.
     *
     * @param  Builder<self>  $query
     */
    public function scopeLive(Builder $query): void
    {
        $query->whereIn('state', [PourState::Running, PourState::Waiting, PourState::Opened]);
    }

    /**
     * That are all there is to their build: coats have sheets of another kind.
     *
     * @param  Builder<self>  $query
     */
    public function scopePlain(Builder $query): void
    {
        $query->whereRaw('exists (select 1 from builds where builds.id = pours.build_id and builds.plain)');
    }

    /**
     * Of jobs and links that are not put away.
     *
     * @param  Builder<self>  $query
     */
    public function scopeAtHand(Builder $query): void
    {
        $query->whereRaw(
            'exists (select 1 from impressions join jobs on jobs.id = impressions.job_id where impressions.id = pours.impression_id and impressions.deleted_at is null and jobs.deleted_at is null)',
        );
    }

    /**
     * With the names of its job and its link, put away or not, for those who name it and need no more of them.
     *
     * @param  Builder<self>  $query
     */
    public function scopeWithTitle(Builder $query): void
    {
        $query->getQuery()->columns === null && $query->select('pours.*');
        $query
            ->selectRaw(
                '(select jobs.name from jobs join impressions on impressions.job_id = jobs.id where impressions.id = pours.impression_id) as job_name',
            )
            ->selectRaw('(select impressions.name from impressions where impressions.id = pours.impression_id) as link_name');
    }

    /** The job it is for; asked with its title. */
    public function jobName(): string
    {
        return (string) $this->getAttribute('job_name');
    }

    public function linkName(): string
    {
        return (string) $this->getAttribute('link_name');
    }

    public function title(): string
    {
        return "{$this->jobName()} · {$this->linkName()}";
    }

    /**
     * What lists show of a pour: neither its sheet nor its plan, but how much was likely.
     *
     * @param  Builder<self>  $query
     */
    public function scopeInShort(Builder $query): void
    {
        $query->select([
            'id', 'workshop_id', 'impression_id', 'formula_version_id', 'operation', 'state', 'grade', 'pieces', 'used_g', 'weighed_g',
            'started_at',
        ])
            ->addSelect('plan->likely_ml as likely_ml');
    }

    public function calledOnScreen(): string
    {
        return 'this sheet';
    }

    /** The house code of the base it is, or was to be, poured with. */
    public function baseCode(): ?string
    {
        if ($this->base_code !== null) {
            return $this->base_code;
        }
        $formula = $this->sheet['formula'] ?? null;

        return is_array($formula) && is_string($formula['base'] ?? null) ? $formula['base'] : null;
    }
}
