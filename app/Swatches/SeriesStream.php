<?php

declare(strict_types=1);

namespace App\Swatches;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Series\SeriesFactKind;
use App\Facts\Happened;
use App\Facts\StepHasMoved;
use App\Facts\Stream;
use App\Models\Series;
use App\Scale\ScaleDesk;
use App\Scale\ScaleWord;
use Carbon\CarbonImmutable;

/** The weigh-up of a series: which fact fits where it stands. */
final readonly class SeriesStream implements Stream
{
    public function __construct(private ScaleDesk $scale, public RecordedSeries $recorded) {}

    public static function name(): string
    {
        return RecordedSeries::STREAM;
    }

    /** Nobody fills pucks for half a day. */
    public static function believedHours(): int
    {
        return 12;
    }

    public function id(): int
    {
        return $this->recorded->series->id;
    }

    public function beganAt(): CarbonImmutable
    {
        return $this->recorded->series->begun_at;
    }

    public function facts(): array
    {
        return $this->recorded->facts;
    }

    public function accepts(string $kind, Fields $payload, CarbonImmutable $now): array
    {
        if ($this->recorded->series->labelled_at !== null) {
            throw new StepHasMoved(Phrase::of('bench.these_pucks_labelled_already'));
        }

        return $this->checked(Fields::of(['kind' => $kind])->choice('kind', SeriesFactKind::class), $payload, $this->recorded);
    }

    public function with(Happened $told): static
    {
        return new self($this->scale, $this->recorded->with($told));
    }

    /** Lists ask the weigh-up itself; the scale is told where somebody said from where to count. */
    public function project(): void
    {
        $facts = $this->recorded->facts;
        if ($facts !== [] && $facts[count($facts) - 1]->kind === SeriesFactKind::Counted->value) {
            $this->scale->settled(SeriesAtScale::of($this->recorded));
        }
    }

    /** @return array<string, mixed> what is kept of the payload */
    private function checked(SeriesFactKind $kind, Fields $in, RecordedSeries $recorded): array
    {
        return match ($kind) {
            SeriesFactKind::Tared => self::tared($in, $recorded),
            SeriesFactKind::Put => $this->put($in, $recorded),
            SeriesFactKind::Written => self::written($in, $recorded),
            SeriesFactKind::Counted => self::counted($in, $recorded),
            SeriesFactKind::Met => $recorded->state->metAt === null
                ? []
                : throw new StepHasMoved(Phrase::of('bench.clock_series_already_runs')),
            SeriesFactKind::Unmet => [],
            SeriesFactKind::Undone => [
                'of' => (int) $in->only('of')->number('of', 1.0, 1e12) === $recorded->state->takeBack
                    ? $recorded->state->takeBack
                    : throw new StepHasMoved(Phrase::of('bench.not_what_went_last')),
            ],
        };
    }

    /** @return array{vessel: string} */
    private static function tared(Fields $in, RecordedSeries $recorded): array
    {
        $next = $recorded->next();
        if ($in->only('vessel')->text('vessel') !== $next?->vessel) {
            throw new StepHasMoved(Phrase::of('bench.another_cup_hand_now'));
        }

        return ['vessel' => $next->vessel];
    }

    /** @return array{vessel: string, line: int, grams: float} what the display rose by */
    private function put(Fields $in, RecordedSeries $recorded): array
    {
        $in->only('vessel', 'line', 'reading_g');
        $next = $recorded->next();
        if ($next === null || $in->text('vessel') !== $next->vessel || (int) $in->number('line') !== $next->line) {
            throw new StepHasMoved(Phrase::of('bench.already_perhaps_from_another'));
        }
        ScaleWord::believed($this->scale, SeriesAtScale::of($recorded));
        $more = round($in->number('reading_g', min(0.0, $next->before)) - $next->before, 4);
        if ($more <= 0.0) {
            throw BadInput::at($in->at('reading_g'), Phrase::of('bench.nothing_went_in', ['before' => Quantity::mass($next->before)]));
        }

        return ['vessel' => $next->vessel, 'line' => $next->line, 'grams' => $more];
    }

    /** @return array{vessel: string, line: int, grams: float|null} */
    private static function written(Fields $in, RecordedSeries $recorded): array
    {
        $in->only('vessel', 'line', 'grams');
        $vessel = $in->text('vessel');
        $lines = $recorded->plan->vessels()[$vessel]
            ?? throw BadInput::at($in->at('vessel'), Phrase::of('bench.no_such_cup_in_series', ['vessel' => $vessel]));

        return [
            'vessel' => $vessel, 'line' => (int) $in->number('line', 0.0, count($lines) - 1.0),
            'grams' => $in->numberOrNull('grams', 0.0, 1e5),
        ];
    }

    /** @return array{vessel: string, reading_g: float, in_line_g: float} what the display reads, and how much of the line is in already */
    private static function counted(Fields $in, RecordedSeries $recorded): array
    {
        $vessel = $in->only('vessel', 'reading_g', 'in_line_g')->text('vessel');
        if ($vessel !== $recorded->next()?->vessel) {
            throw new StepHasMoved(Phrase::of('bench.another_cup_hand_now'));
        }

        return [
            'vessel' => $vessel, 'reading_g' => $in->number('reading_g', -100_000.0, 1_000_000.0),
            'in_line_g' => $in->numberOrNull('in_line_g', 0.0, 1_000_000.0) ?? 0.0,
        ];
    }
}
