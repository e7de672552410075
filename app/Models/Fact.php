<?php

declare(strict_types=1);

namespace App\Models;

use Apalos\Core\Facts\Seal;
use Apalos\Core\Facts\SealedFact;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\DB;
use LogicException;

/**
 * One fact of a stream. Rows are only ever added.
 *
 * @property int $id
 * @property int $workshop_id
 * @property string $stream run or series
 * @property int $stream_id
 * @property string $key made by the browser, so that sending the same fact twice records it once
 * @property string $kind
 * @property CarbonImmutable $at
 * @property array<string, mixed> $payload
 * @property string|null $said what was sent, boiled down: the same key with another content is no repetition
 * @property CarbonImmutable|null $clock_at what the clock of the bench showed, where it had gone back behind the fact before
 * @property string|null $person by whose hands; null before people signed in
 * @property string|null $witness who countersigned it
 * @property string|null $door screen, console, program or file
 * @property string|null $device the tablet or the program it came from
 * @property int|null $nth its place in its stream, from 1
 * @property string|null $seal over itself and the seal of the fact before
 */
final class Fact extends Model
{
    use InWorkshop, PlainRecord;

    public $timestamps = false;

    protected $table = 'facts';

    protected $fillable = ['workshop_id', 'stream', 'stream_id', 'key', 'kind', 'at', 'payload', 'said', 'clock_at'];

    protected $attributes = ['said' => null, 'clock_at' => null];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected function casts(): array
    {
        return [
            'stream_id' => 'integer', 'nth' => 'integer', 'at' => 'immutable_datetime', 'clock_at' => 'immutable_datetime',
            'payload' => 'array',
        ];
    }

    protected static function booted(): void
    {
        $refuse = static fn (): never => throw new LogicException('What happened is a list of facts: add one instead of changing one.');
        self::updating($refuse);
        self::deleting($refuse);
        // Whichever door it came through: a fact without hands and seal cannot be written down.
        self::creating(static function (self $fact): void {
            $hands = app(Hands::class);
            [$fact->person, $fact->witness, $fact->door, $fact->device] = [
                $hands->person?->id, $hands->witness?->id, $hands->door, $hands->device(),
            ];
            // In the order of an index: the last of twelve thousand is found as the last of three.
            $before = DB::table('facts')
                ->where('workshop_id', $fact->workshop_id)
                ->where('stream', $fact->stream)
                ->where('stream_id', $fact->stream_id)
                ->whereNotNull('nth')->orderByDesc('nth')->first(['nth', 'seal']);
            $fact->nth = 1 + (int) ($before->nth ?? 0);
            $fact->seal = Seal::of($fact->sealed(), (string) ($before->seal ?? Seal::NOTHING));
        });
    }

    /** What of it is sealed. */
    public function sealed(): SealedFact
    {
        /** @var array<array-key, mixed> $payload as it will be read again */
        $payload = json_decode(
            json_encode($this->payload, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION), true, 64, JSON_THROW_ON_ERROR,
        );

        return new SealedFact(
            $this->stream, $this->stream_id, (int) $this->nth, $this->key, $this->kind, (int) $this->at->getTimestampMs(),
            $this->clock_at === null ? null : (int) $this->clock_at->getTimestampMs(), $payload, $this->person, $this->witness, $this->door,
            $this->device,
        );
    }
}
