<?php

declare(strict_types=1);

namespace App\Models;

use Apalos\Core\Casting\WorkedResult;
use Illuminate\Database\Eloquent\Model;
use LogicException;

/**
 * What the shelf and the cautions said when something was begun, kept once however often it was begun so. It never changes.
 *
 * @phpstan-import-type WorkedShape from WorkedResult
 *
 * @property int $id
 * @property string $hash
 * @property array{
 *     materials: array<string, array<string, mixed>>,
 *     cautions: list<array{id: string, title: string, text: string, gear: list<string>, at?: string}>,
 *     faults: list<array{id: string, name: string, cause: string}>, waste?: string, worked?: WorkedShape,
 * }  $content
 */
final class Snapshot extends Model
{
    use InWorkshop, PlainRecord;

    public const UPDATED_AT = null;

    protected $table = 'snapshots';

    protected $fillable = ['workshop_id', 'hash', 'content'];

    protected function casts(): array
    {
        return ['content' => 'array'];
    }

    /** @param  array<string, mixed>  $content */
    public static function of(array $content): self
    {
        return self::query()->firstOrCreate(
            ['hash' => sha1(json_encode($content, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION))], ['content' => $content],
        );
    }

    protected static function booted(): void
    {
        $refuse = static fn (): never => throw new LogicException('What was poured keeps the sheets it had.');
        self::updating($refuse);
        self::deleting($refuse);
    }
}
