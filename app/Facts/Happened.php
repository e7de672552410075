<?php

declare(strict_types=1);

namespace App\Facts;

use Apalos\Core\Facts\Fact as CoreFact;
use Apalos\Core\Facts\FactKind;
use Apalos\Core\Phrase\Phrase;
use App\Lists\Rows;
use App\Models\Fact;
use Carbon\CarbonImmutable;
use Illuminate\Support\Collection;

/** A fact as it was read, without what a record needs to be written: a bench reads hundreds of them at each look. */
final readonly class Happened
{
    /** @param  array<string, mixed>  $payload */
    private function __construct(
        public int $id,
        public string $key,
        public string $kind,
        public int $atMs,
        public array $payload,
        public ?string $said,
        public ?string $person = null,
        public ?string $witness = null,
    ) {}

    /** One that was written down just now, without reading all of them again. */
    public static function told(Fact $fact): self
    {
        return new self(
            $fact->id, $fact->key, $fact->kind, (int) $fact->at->getTimestampMs(), $fact->payload, $fact->said, $fact->person,
            $fact->witness,
        );
    }

    /**
     * The facts of some streams of one kind.
     *
     * @param  list<int>  $streams
     * @return array<int, list<self>> by stream, in the order in which they were told
     */
    public static function in(string $kind, array $streams): array
    {
        $happened = array_fill_keys($streams, []);
        foreach (self::rows($kind, $streams) as $row) {
            /** @var array<string, mixed> $payload */
            $payload = (array) json_decode((string) $row->payload, true, 64);
            $happened[(int) $row->stream_id][] = new self(
                (int) $row->id, (string) $row->key, (string) $row->kind, self::ms((string) $row->at), $payload,
                $row->said === null ? null : (string) $row->said, $row->person, $row->witness,
            );
        }

        return $happened;
    }

    /**
     * As the core reads them.
     *
     * @template K of FactKind
     *
     * @param  list<self>  $facts
     * @param  class-string<K>  $kinds
     * @param  int  $fromMs  where its minutes begin; 0: those of the calendar
     * @return list<CoreFact<K>>
     */
    public static function read(array $facts, string $kinds, int $fromMs = 0): array
    {
        return array_map(
            static fn (self $fact): CoreFact => new CoreFact(
                $fact->id, $kinds::from($fact->kind), ($fact->atMs - $fromMs) / 60_000.0, $fact->payload,
            ),
            $facts,
        );
    }

    /**
     * The number of what was told under a key; what was told and taken back where nobody answered had none yet.
     *
     * @param  list<self>  $facts
     *
     * @throws StepHasMoved where nothing was
     */
    public static function numbered(array $facts, string $key): int
    {
        foreach (array_reverse($facts) as $fact) {
            if ($fact->key === $key) {
                return $fact->id;
            }
        }

        throw new StepHasMoved(Phrase::of('bench.what_taken_back_not'));
    }

    public function at(): CarbonImmutable
    {
        return CarbonImmutable::createFromTimestampMs($this->atMs, 'UTC');
    }

    /**
     * @param  list<int>  $streams
     * @return Collection<int, \stdClass>
     */
    private static function rows(string $kind, array $streams): Collection
    {
        return $streams === []
            ? new Collection
            : Rows::of('facts')
                ->where('stream', $kind)
                ->whereIn('stream_id', $streams)
                ->orderBy('id')
                ->get(['id', 'stream_id', 'key', 'kind', 'at', 'payload', 'said', 'person', 'witness']);
    }

    /** As it stands in the table: in UTC, to the millisecond. */
    public static function ms(string $at): int
    {
        return 1000 * (int) strtotime(substr($at, 0, 19).' UTC') + (int) round(1000.0 * (float) ('0'.substr($at, 19)));
    }
}
