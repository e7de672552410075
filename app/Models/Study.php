<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One question asked of a model, and its answer: phrases as data, to be said in the measures of whoever reads it.
 *
 * @property int $id
 * @property int $workshop_id
 * @property int $model_file_id
 * @property array<string, mixed> $asked
 * @property string $mark
 * @property string $state waiting, running, done, refused or cancelled
 * @property int $done thousandths
 * @property string|null $doing
 * @property array<string, mixed>|null $answer
 * @property array{volume_ml: float|null, bbox_mm: list<float>|null, undercut_pct: float|null, watertight: bool|null}|null  $in_short what a
 *   list shows of its answer
 * @property array<string, mixed>|null $wrong
 * @property CarbonImmutable|null $taken_at since when somebody answers it
 * @property CarbonImmutable $created_at
 * @property ModelFile $modelFile
 */
final class Study extends Model
{
    use InWorkshop, PlainRecord;

    public const WAITING = 'waiting';

    public const RUNNING = 'running';

    public const DONE = 'done';

    public const REFUSED = 'refused';

    public const CANCELLED = 'cancelled';

    public $timestamps = false;

    protected $table = 'studies';

    protected $fillable = [
        'workshop_id', 'model_file_id', 'asked', 'mark', 'state', 'done', 'doing', 'answer', 'in_short', 'wrong', 'created_at', 'taken_at',
    ];

    protected $attributes = [
        'state' => self::WAITING, 'done' => 0, 'doing' => null, 'answer' => null, 'in_short' => null, 'wrong' => null, 'taken_at' => null,
    ];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected function casts(): array
    {
        return [
            'asked' => 'array', 'answer' => 'array', 'in_short' => 'array', 'wrong' => 'array', 'done' => 'integer',
            'model_file_id' => 'integer', 'created_at' => 'immutable_datetime', 'taken_at' => 'immutable_datetime',
        ];
    }

    /** @return BelongsTo<ModelFile, $this> */
    public function modelFile(): BelongsTo
    {
        return $this->belongsTo(ModelFile::class)->withTrashed();
    }

    /** Where its part of the picture lies: which facets hide. The mesh is that of the model. */
    public function states(): string
    {
        return "studies/{$this->workshop_id}/{$this->mark}.states";
    }

    public function isUnderWay(): bool
    {
        return in_array($this->state, [self::WAITING, self::RUNNING], true);
    }
}
