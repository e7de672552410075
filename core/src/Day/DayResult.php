<?php

declare(strict_types=1);

namespace Apalos\Core\Day;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Result\Warning;

/**
 * When each operation starts and ends, in minutes from midnight of the first day, and how much later each alone could start.
 *
 * @phpstan-type DayShape array{
 *     starts: array<string, float>, ends: array<string, float>, late_min: float|null, end_min: float|null, feasible: bool,
 *     slack: array<string, float>, because: Phrase|null, warnings: list<array{code: string, message: Phrase}>
 * }
 */
final readonly class DayResult
{
    /**
     * @param  array<string, float>  $starts
     * @param  array<string, float>  $ends
     * @param  array<string, float>  $slack
     * @param  list<Warning>  $warnings
     */
    private function __construct(
        public array $starts,
        public array $ends,
        public ?float $late,
        public ?float $end,
        public array $slack,
        public ?Phrase $because,
        public array $warnings,
    ) {}

    /**
     * @param  list<float>  $starts
     * @param  bool  $isCut  whether there was more to look at than one question may cost
     */
    public static function of(DayGraph $graph, array $starts, bool $isCut = false): self
    {
        $score = $graph->score($starts);
        [$at, $ends, $warnings] = [[], [], $isCut ? [new Warning('best_so_far', Phrase::of('day.best_so_far'))] : []];
        foreach ($graph->ids as $i => $id) {
            $at[$id] = $starts[$i];
            $ends[$id] = $starts[$i] + $graph->minutes[$i];
            $due = $graph->due[$i];
            if ($due !== null && $ends[$id] > $due + DayGraph::SAME) {
                $warnings[] = new Warning('late', Phrase::of('day.late', [
                    'op' => $id, 'at' => DayTime::of($ends[$id]), 'due' => DayTime::of($due),
                ]));
            }
        }

        return new self(
            $at, $ends, $score->late, $graph->count === 0 ? null : $score->end, array_combine($graph->ids, Slack::of($graph, $starts)),
            null, $warnings,
        );
    }

    public static function nothingFits(Phrase $because): self
    {
        return new self([], [], null, null, [], $because, [new Warning('nothing_fits', $because)]);
    }

    public function isFeasible(): bool
    {
        return $this->because === null;
    }

    /** @return DayShape */
    public function toArray(): array
    {
        return [
            'starts' => $this->starts, 'ends' => $this->ends, 'late_min' => $this->late, 'end_min' => $this->end,
            'feasible' => $this->isFeasible(),
            'slack' => $this->slack, 'because' => $this->because, 'warnings' => Warning::all($this->warnings),
        ];
    }
}
