<?php

declare(strict_types=1);

namespace App\People;

use App\Models\Fact;
use App\Models\Workshop;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * What was decided in a shop and is told of no pour, build or mould: what was taken away, a price, a rule, who may come in. A stream of
 * facts like any other, sealed, with who did it and who countersigned. Names of people stand in it as numbers, so that they can be
 * forgotten.
 */
final readonly class Decisions
{
    public const STREAM = 'shop';

    private const KIND = 'decided';

    public function __construct(private Workshop $workshop) {}

    /**
     * @param  string  $door  as `library/roles.yaml` has it
     * @param  array<string, int|string>  $of  what it was of, by kind
     * @param  string|null  $name  what that was called
     * @param  array<string, scalar|null>  $said  what was said of it; null where it is nobody's business
     */
    public function write(string $door, array $of, ?string $name, array $said, CarbonImmutable $now): void
    {
        DB::transaction(function () use ($door, $of, $name, $said, $now): void {
            // One after the other: each is sealed to the one before.
            DB::table('workshops')->where('id', $this->workshop->id)->lockForUpdate()->first(['id']);
            Fact::query()->create([
                'workshop_id' => $this->workshop->id, 'stream' => self::STREAM, 'stream_id' => $this->id(), 'key' => (string) Str::ulid(),
                'kind' => self::KIND, 'at' => $now,
                'payload' => array_filter(
                    ['door' => $door, 'of' => $of, 'name' => $name, 'said' => $said],
                    static fn (mixed $one): bool => $one !== null && $one !== [],
                ),
            ]);
        }, 3);
    }

    /**
     * The newest first.
     *
     * @return list<array{id: int, at_ms: int, person: string|null, witness: string|null, payload: array<string, mixed>}>
     */
    public function before(?int $before, int $most): array
    {
        return array_values(array_map(static fn (Fact $fact): array => [
            'id' => $fact->id, 'at_ms' => (int) $fact->at->getTimestampMs(), 'person' => $fact->person, 'witness' => $fact->witness,
            'payload' => $fact->payload,
        ], Fact::query()->where('stream', self::STREAM)->when(
            $before !== null, static fn ($query) => $query->where('id', '<', $before),
        )->orderByDesc('id')->limit($most)->get()->all()));
    }

    /** Unlike that of any other shop: where one is taken into another, each keeps its own. */
    private function id(): int
    {
        return 1 + (crc32($this->workshop->mark) & 0x7FFFFFFE);
    }
}
