<?php

declare(strict_types=1);

namespace App\Workshop;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Run\StepKind;
use Apalos\Core\Scale\Expected;
use App\Models\Pour;
use App\Models\PourState;
use App\Models\Series;

/** A weigh-up that may want the scale: a run or a series, with what its display must show just now. */
final readonly class WeighUpAtHand
{
    /** @param  Expected|null  $expected  null while nothing of it stands on the scale */
    private function __construct(public string $stream, public int $id, public string $title, public string $href, public bool $isWeighing, public ?Expected $expected) {}

    /**
     * @param  string  $named  `run:12` or `series:3`
     *
     * @throws BadInput
     */
    public static function named(string $named): self
    {
        $known = preg_match('/^(run|series):(\d{1,15})$/', $named, $part) === 1 ? self::find($part[1], (int) $part[2]) : null;

        return $known ?? throw BadInput::at('for', Phrase::written('Say which weigh-up the scale is for: a run or a series that is under way.'));
    }

    public static function find(string $stream, int $id): ?self
    {
        return $stream === RecordedRun::STREAM ? self::run($id) : self::series($id);
    }

    private static function run(int $id): ?self
    {
        $pour = Pour::query()->with('impression.job')->whereNotNull('started_at')->find($id);
        if ($pour === null) {
            return null;
        }
        $run = RecordedRun::of($pour);
        $isWeighing = $pour->state === PourState::Running && in_array($run->state->step->kind, [StepKind::Weigh, StepKind::Rescue], true);

        return new self(RecordedRun::STREAM, $id, "{$pour->impression->job->name} · {$pour->impression->name}", "/pours/{$id}/run", $isWeighing, $isWeighing ? $run->expects() : null);
    }

    private static function series(int $id): ?self
    {
        $series = Series::query()->find($id);
        if ($series === null) {
            return null;
        }
        $recorded = RecordedSeries::of($series);
        $expected = $series->labelled_at === null ? $recorded->expects() : null;

        return new self(RecordedSeries::STREAM, $id, "Pucks · {$recorded->called()}", "/swatches/series/{$id}", $expected !== null, $expected);
    }

    public function is(self $other): bool
    {
        return $this->stream === $other->stream && $this->id === $other->id;
    }
}
