<?php

declare(strict_types=1);

namespace App\Models;

use Apalos\Core\Phrase\Phrase;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * A test patch of a fresh material on a hidden place of a surface; read after its time, it is a fact of this shop.
 *
 * @property int $id
 * @property int $workshop_id
 * @property string $fresh
 * @property string $surface
 * @property string|null $base house code of what was put on
 * @property string|null $sealed_with id of the sealer under it; null on the bare surface
 * @property string|null $released_with id of the release under it
 * @property int|null $impression_id the link whose contact it is for
 * @property string|null $place
 * @property CarbonImmutable $put_on_at
 * @property CarbonImmutable $due_at as the clock had it when it was put on
 * @property bool|null $passed null until it is read
 * @property CarbonImmutable|null $read_at
 * @property string|null $note
 * @property string|null $photo
 * @property int $edition
 */
final class TestPatch extends Model
{
    use HasEdition, InWorkshop, PlainRecord;

    /** What of it a maker reads. */
    private const EDITED = ['passed', 'note', 'photo', 'read_at'];

    public function calledOnScreen(): Phrase
    {
        return $this->passed === null
            ? Phrase::of('bench.this_test_patch')
            : (
                $this->passed
                ? Phrase::of('bench.test_patch_read_another')
                : Phrase::of('bench.test_patch_read_another_screen')
            );
    }

    protected $table = 'test_patches';

    protected $fillable = [
        'workshop_id', 'fresh', 'surface', 'base', 'sealed_with', 'released_with', 'impression_id', 'place', 'put_on_at', 'due_at',
        'passed', 'read_at', 'note', 'photo',
    ];

    protected $attributes = ['passed' => null, 'read_at' => null, 'note' => null, 'photo' => null];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected static function booted(): void
    {
        // One that comes read already, out of a file or a trial, was read as any other.
        self::created(static function (self $patch): void {
            $patch->passed === null
                || Fact::query()->create([
                    'workshop_id' => $patch->workshop_id, 'stream' => 'patch', 'stream_id' => $patch->id, 'key' => 'first-read',
                    'kind' => 'read', 'at' => $patch->read_at ?? $patch->put_on_at,
                    'payload' => ['passed' => $patch->passed, 'note' => $patch->note, 'photo' => $patch->photo],
                ]);
        });
    }

    protected function casts(): array
    {
        return [
            'put_on_at' => 'immutable_datetime', 'due_at' => 'immutable_datetime', 'read_at' => 'immutable_datetime', 'passed' => 'boolean',
        ];
    }
}
