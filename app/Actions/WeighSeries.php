<?php

declare(strict_types=1);

namespace App\Actions;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Result\Say;
use Apalos\Core\Series\FactKind;
use App\Models\Series;
use App\Workshop\RecordedSeries;
use App\Workshop\SeriesBook;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/**
 * Records one fact of the weigh-up of a series. The browser gives each fact a key of its own: sent again, it is recorded once.
 * A fact that does not fit where the weigh-up stands is refused with the state.
 */
final readonly class WeighSeries
{
    private const LONGEST_KEY = 64;

    /** Nobody fills pucks for half a day. */
    private const OLDEST_H = 12;

    public function __construct(private SeriesBook $book) {}

    /**
     * @param  Fields  $in  `key`, `kind`, `at_ms`, `payload`
     *
     * @throws BadInput
     * @throws StepHasMoved
     */
    public function __invoke(Series $series, Fields $in, CarbonImmutable $now): RecordedSeries
    {
        $in->only('key', 'kind', 'at_ms', 'payload');
        $key = $in->text('key');
        if (strlen($key) > self::LONGEST_KEY) {
            throw BadInput::at('key', sprintf('The key of a fact has %d characters at most.', self::LONGEST_KEY));
        }
        $kind = $in->choice('kind', FactKind::class);
        $payload = $in->objectOrNull('payload') ?? Fields::of([], 'payload');

        return DB::transaction(function () use ($series, $in, $key, $kind, $payload, $now): RecordedSeries {
            $series = Series::query()->lockForUpdate()->findOrFail($series->id);
            $recorded = $this->book->recorded($series);
            if ($series->facts()->where('key', $key)->exists()) {
                return $recorded;
            }
            if ($series->labelled_at !== null) {
                throw new StepHasMoved('These pucks are labelled already; they lie in the drawer.');
            }
            $series->facts()->create(['key' => $key, 'kind' => $kind, 'at' => self::at($in, $recorded, $now), 'payload' => self::checked($kind, $payload, $recorded)]);

            return $this->book->recorded($series);
        });
    }

    private static function at(Fields $in, RecordedSeries $recorded, CarbonImmutable $now): CarbonImmutable
    {
        if (! $in->has('at_ms')) {
            return $now;
        }
        $said = CarbonImmutable::createFromTimestampMs((int) $in->number('at_ms', 0.0, 1e14), $now->getTimezone());
        $earliest = $recorded->facts === [] ? $recorded->series->begun_at : $recorded->facts[count($recorded->facts) - 1]->at;

        return $said->max($earliest)->max($now->subHours(self::OLDEST_H))->min($now);
    }

    /** @return array<string, mixed> what is kept of the payload */
    private static function checked(FactKind $kind, Fields $in, RecordedSeries $recorded): array
    {
        return match ($kind) {
            FactKind::Tared => self::tared($in, $recorded),
            FactKind::Put => self::put($in, $recorded),
            FactKind::Written => self::written($in, $recorded),
            FactKind::Met => $recorded->state->metAt === null ? [] : throw new StepHasMoved('The clock of this series already runs.'),
            FactKind::Unmet => [],
            FactKind::Undone => ['of' => (int) $in->only('of')->number('of', 1.0, 1e12) === $recorded->state->takeBack ? $recorded->state->takeBack : throw new StepHasMoved('That is not what went in last. This is where the weigh-up stands now.')],
        };
    }

    /** @return array{vessel: string} */
    private static function tared(Fields $in, RecordedSeries $recorded): array
    {
        $next = $recorded->next();
        if ($in->only('vessel')->text('vessel') !== $next?->vessel) {
            throw new StepHasMoved('Another cup is at hand by now. This is where the weigh-up stands.');
        }

        return ['vessel' => $next->vessel];
    }

    /** @return array{vessel: string, line: int, grams: float} what the display rose by */
    private static function put(Fields $in, RecordedSeries $recorded): array
    {
        $in->only('vessel', 'line', 'reading_g');
        $next = $recorded->next();
        if ($next === null || $in->text('vessel') !== $next->vessel || (int) $in->number('line') !== $next->line) {
            throw new StepHasMoved('That is in already, perhaps from another screen. This is where the weigh-up stands.');
        }
        $more = round($in->number('reading_g') - $next->before, 4);
        if ($more <= 0.0) {
            throw BadInput::at($in->at('reading_g'), sprintf('The display read %s before, so nothing has gone in. Pour, or write the grams into the list.', Say::grams($next->before)));
        }

        return ['vessel' => $next->vessel, 'line' => $next->line, 'grams' => $more];
    }

    /** @return array{vessel: string, line: int, grams: float|null} */
    private static function written(Fields $in, RecordedSeries $recorded): array
    {
        $in->only('vessel', 'line', 'grams');
        $vessel = $in->text('vessel');
        $lines = $recorded->plan->vessels()[$vessel] ?? throw BadInput::at($in->at('vessel'), "There is no {$vessel} in this series.");

        return ['vessel' => $vessel, 'line' => (int) $in->number('line', 0.0, count($lines) - 1.0), 'grams' => $in->numberOrNull('grams', 0.0, 1e5)];
    }
}
