<?php

declare(strict_types=1);

namespace App\Facts;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use App\Models\Fact;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Writes down one fact of a stream. The browser gives each fact a key of its own: sent again, because the answer was lost or the
 * tablet woke up late, it is written down once; with another content under the same key it is refused. Writers take turns, so a
 * fact is always judged by where the stream really stands.
 */
final readonly class AppendFact
{
    private const LONGEST_KEY = 64;

    /** What is told of one thing: a pour with every slip and every note has some hundreds. */
    private const MOST_FACTS = 12_000;

    /** From here on only what has to be told is kept. */
    private const MOST_NOTES = 10_000;

    /**
     * @template S of Stream
     *
     * @param  Streams<S>  $streams
     * @param  Fields  $in  `key`, `kind`, `at_ms`, `payload`
     * @return S as it stands afterwards
     *
     * @throws BadInput
     * @throws StepHasMoved
     * @throws FactDiffers
     */
    public function __invoke(Streams $streams, int $id, Fields $in, CarbonImmutable $now): Stream
    {
        $in->only('key', 'kind', 'at_ms', 'payload');
        $key = $in->text('key');
        if (strlen($key) > self::LONGEST_KEY) {
            throw BadInput::at('key', Phrase::of('bench.key_fact_characters_most', ['most' => self::LONGEST_KEY]));
        }
        $kind = $in->text('kind');
        $payload = $in->objectOrNull('payload') ?? Fields::of([], 'payload');
        $said = self::boiled($kind, $payload->toArray());

        return DB::transaction(static function () use ($streams, $id, $in, $key, $kind, $payload, $said, $now): Stream {
            $stream = $streams->open($id, $now);
            foreach ($stream->facts() as $known) {
                if ($known->key === $key) {
                    return $known->said === null || $known->said === $said ? $stream : throw FactDiffers::from($known->kind);
                }
            }
            self::bounded(count($stream->facts()), $kind);
            $fact = Fact::query()->create([
                'stream' => $stream::name(), 'stream_id' => $stream->id(), 'key' => $key, 'kind' => $kind,
                ...self::at($in, $stream, $now), 'payload' => $stream->accepts($kind, $payload, $now), 'said' => $said,
            ]);

            $stream = $stream->with(Happened::told($fact));
            $stream->project();

            return $stream;
        }, 3);
    }

    /**
     * What the house tells of itself, because somebody did something else.
     *
     * @template S of Stream
     *
     * @param  Streams<S>  $streams
     * @param  array<string, mixed>  $payload
     * @return S
     *
     * @throws BadInput
     * @throws StepHasMoved
     */
    public function tell(Streams $streams, int $id, string $kind, array $payload, CarbonImmutable $now): Stream
    {
        return $this($streams, $id, Fields::of(['key' => (string) Str::ulid(), 'kind' => $kind, 'payload' => $payload]), $now);
    }

    /** @throws BadInput where a page would grow without end */
    private static function bounded(int $there, string $kind): void
    {
        if ($there >= self::MOST_FACTS) {
            throw BadInput::at(
                'kind',
                Phrase::of('bench.more_than_things_were', ['most' => number_format(self::MOST_FACTS, 0, '.', ' ')]),
            );
        }
        if ($kind === 'noted' && $there >= self::MOST_NOTES) {
            throw BadInput::at('kind', Phrase::of('bench.no_room_for_more'));
        }
    }

    /**
     * A browser's word for when, or now, and not before what came before: where the clock of the bench went back since, a fact keeps its
     * place behind the last, and what the clock showed is kept as well.
     *
     * @return array{at: CarbonImmutable, clock_at: CarbonImmutable|null}
     */
    private static function at(Fields $in, Stream $stream, CarbonImmutable $now): array
    {
        $said = $in->has('at_ms')
            ? CarbonImmutable::createFromTimestampMs((int) $in->number('at_ms', 0.0, 1e14), $now->getTimezone())
            : $now;
        $facts = $stream->facts();
        $earliest = $facts === [] ? $stream->beganAt() : $facts[count($facts) - 1]->at();

        return [
            'at' => $said->max($now->subHours($stream::believedHours()))->min($now)->max($earliest),
            'clock_at' => $now < $earliest ? $now : null,
        ];
    }

    /** @param  array<array-key, mixed>  $payload */
    private static function boiled(string $kind, array $payload): string
    {
        $sort = static function (mixed $value) use (&$sort): mixed {
            if (! is_array($value)) {
                // JSON does not tell 34 from 34.0.
                return is_int($value) ? (float) $value : $value;
            }
            $value = array_map($sort, $value);
            array_is_list($value) || ksort($value);

            return $value;
        };

        return sha1($kind.json_encode($sort($payload), JSON_THROW_ON_ERROR));
    }
}
