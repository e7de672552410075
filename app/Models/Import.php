<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * A file that is being taken in beside the bench, piece by piece.
 *
 * @property int $id
 * @property int $workshop_id
 * @property string $file where it waits
 * @property string $state waiting, running, done, refused or cancelled
 * @property int $done
 * @property int $total
 * @property array{formulas: int, swatches: int, readings: int, targets: int}|null $new
 * @property string|null $wrong
 * @property CarbonImmutable|null $seen_at when whoever takes it in said so last
 * @property array<string, list<mixed>>|null $made what it brought and changed; null once that was taken out again
 */
final class Import extends Model
{
    use InWorkshop, PlainRecord;

    public const WAITING = 'waiting';

    public const RUNNING = 'running';

    public const DONE = 'done';

    public const REFUSED = 'refused';

    public const CANCELLED = 'cancelled';

    protected $table = 'imports';

    protected $fillable = ['workshop_id', 'file', 'state', 'done', 'total', 'new', 'wrong', 'made', 'seen_at'];

    protected $attributes = [
        'state' => self::WAITING, 'done' => 0, 'total' => 0, 'new' => null, 'wrong' => null, 'made' => null, 'seen_at' => null,
    ];

    protected function casts(): array
    {
        return ['done' => 'integer', 'total' => 'integer', 'new' => 'array', 'made' => 'array', 'seen_at' => 'immutable_datetime'];
    }
}
