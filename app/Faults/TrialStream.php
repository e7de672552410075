<?php

declare(strict_types=1);

namespace App\Faults;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Run\Grade;
use Apalos\Core\Trial\TrialFactKind;
use App\Facts\Happened;
use App\Facts\StepHasMoved;
use App\Facts\Stream;
use App\Facts\TakenBack;
use App\Models\Trial;
use Carbon\CarbonImmutable;

/** A trial: which cup is graded how. */
final readonly class TrialStream implements Stream
{
    public function __construct(public RecordedTrial $recorded) {}

    public static function name(): string
    {
        return RecordedTrial::STREAM;
    }

    public static function believedHours(): int
    {
        return 24;
    }

    public function id(): int
    {
        return $this->recorded->trial->id;
    }

    public function beganAt(): CarbonImmutable
    {
        return $this->recorded->trial->created_at;
    }

    public function facts(): array
    {
        return $this->recorded->facts;
    }

    public function accepts(string $kind, Fields $payload, CarbonImmutable $now): array
    {
        $kind = Fields::of(['kind' => $kind])->choice('kind', TrialFactKind::class);
        $trial = $this->recorded->trial;
        if ($trial->became !== null) {
            throw new StepHasMoved(Phrase::of('bench.what_trial_said_written'));
        }
        if ($trial->ended_at !== null && ! in_array($kind, [TrialFactKind::Undone, TrialFactKind::Noted], true)) {
            throw new StepHasMoved(Phrase::of('bench.trial_has_ended'));
        }

        return match ($kind) {
            TrialFactKind::Graded => $this->graded($payload->only('variant', 'cup', 'grade')),
            TrialFactKind::Counted => $this->counted($payload->only('variant', 'cup', 'n')),
            TrialFactKind::Noted => ['text' => mb_substr($payload->only('text')->text('text'), 0, 2000)],
            TrialFactKind::Ended => $this->recorded->state->sawNothing()
                ? throw BadInput::at('kind', Phrase::of('bench.grade_cup_first_trial'))
                : [],
            TrialFactKind::Undone => TakenBack::of($payload, $this->recorded->state->takeBack),
        };
    }

    public function with(Happened $told): static
    {
        return new self($this->recorded->with($told));
    }

    public function project(): void
    {
        $this->recorded->write();
    }

    /** @return array{variant: int, cup: int, grade: string} */
    private function graded(Fields $in): array
    {
        $this->recorded->trial->counted === null || throw BadInput::at($in->at('grade'), Phrase::of('bench.cups_are_counted_here'));

        return [...$this->cup($in), 'grade' => $in->choice('grade', Grade::class)->value];
    }

    /** @return array{variant: int, cup: int, n: int} */
    private function counted(Fields $in): array
    {
        $this->recorded->trial->counted !== null || throw BadInput::at($in->at('n'), Phrase::of('bench.cups_are_graded_here'));
        $n = $in->number('n', 0.0, 100_000.0);
        $n === floor($n) || throw BadInput::at($in->at('n'), Phrase::of('bench.count_whole_ones'));

        return [...$this->cup($in), 'n' => (int) $n];
    }

    /** @return array{variant: int, cup: int} */
    private function cup(Fields $in): array
    {
        $trial = $this->recorded->trial;

        return [
            'variant' => (int) $in->number('variant', 0.0, count($trial->variants) - 1.0),
            'cup' => (int) $in->number('cup', 0.0, $trial->cups - 1.0),
        ];
    }
}
