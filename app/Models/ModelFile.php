<?php

declare(strict_types=1);

namespace App\Models;

use Apalos\Core\Mesh\LengthUnit;
use Apalos\Core\Mesh\MeshFormat;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\SoftDeletes;
use Illuminate\Support\Facades\DB;

/**
 * A model of a piece as a file. What is in it never changes; its bytes lie under their own hash, whatever its name says.
 *
 * @property int $id
 * @property int $workshop_id
 * @property int|null $job_id the job it was handed in for first; {@see jobs} has all
 * @property string $name as the maker calls it; never a path
 * @property MeshFormat $format
 * @property int $bytes
 * @property string $hash
 * @property LengthUnit|null $unit as the maker said; null: as the file says, or millimetres
 * @property array<string, string>|null $sides what the maker calls its six sides
 * @property CarbonImmutable $created_at
 * @property \Illuminate\Database\Eloquent\Collection<int, Job> $jobs
 */
final class ModelFile extends Model
{
    use InWorkshop, PlainRecord, SoftDeletes;

    /** So long one that was put away can be had back. */
    public const KEPT_DAYS = 30;

    public $timestamps = false;

    protected $table = 'model_files';

    protected $fillable = ['workshop_id', 'job_id', 'name', 'format', 'bytes', 'hash', 'unit', 'sides', 'created_at'];

    protected $attributes = ['job_id' => null, 'unit' => null, 'sides' => null];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected function casts(): array
    {
        return [
            'format' => MeshFormat::class, 'unit' => LengthUnit::class, 'sides' => 'array', 'bytes' => 'integer', 'job_id' => 'integer',
            'created_at' => 'immutable_datetime',
        ];
    }

    /** @return BelongsToMany<Job, $this> the newest first */
    public function jobs(): BelongsToMany
    {
        return $this->belongsToMany(Job::class, 'job_models')
            ->withPivot('study_id')
            ->orderByDesc('job_models.at')
            ->orderByDesc('job_models.id');
    }

    /** It is for this job as well; with the study that was put into it, where one was. */
    public function serves(Job $job, CarbonImmutable $at, ?Study $study = null): void
    {
        DB::table('job_models')->upsert(
            [
                [
                    'workshop_id' => $this->workshop_id, 'job_id' => $job->id, 'model_file_id' => $this->id, 'study_id' => $study?->id,
                    'at' => $at->format('Y-m-d H:i:s.v'),
                ],
            ],
            ['job_id', 'model_file_id'], $study === null ? ['at'] : ['at', 'study_id'],
        );
    }

    /** @return HasMany<Study, $this> */
    public function studies(): HasMany
    {
        return $this->hasMany(Study::class)->orderBy('id');
    }

    /** Where the mesh lies that its pictures are drawn from, in the unit it is read in. */
    public function mesh(): string
    {
        return "studies/{$this->workshop_id}/{$this->hash}".($this->unit === null ? '' : "-{$this->unit->value}").'.mesh';
    }

    /** Where its bytes lie. */
    public function path(): string
    {
        return "models/{$this->workshop_id}/{$this->hash}.{$this->format->value}";
    }
}
