<?php

declare(strict_types=1);

namespace Apalos\Core\Day;

use Apalos\Core\Phrase\Phrase;

/** Why nothing fits: the window that cannot be met, when its operation could start at the earliest without it, and what would help. */
final readonly class Obstacle
{
    public function __construct(private DayPlanner $planner, private DayRequest $request) {}

    public function found(): Phrase
    {
        // Whether it fits without a window is asked quickly first; only of a handful is it worth looking at every order.
        $ways = [$this->planner->quick(...)];
        if (count($this->request->operations) <= DayPlanner::EXACT_UP_TO) {
            $ways[] = fn (DayRequest $open): ?array => $this->planner->starts(DayGraph::of($open));
        }
        foreach ($ways as $fits) {
            foreach ($this->windows() as [$i, $k]) {
                $starts = $fits($this->without($i, $k));
                if ($starts !== null) {
                    return $this->said($i, $this->request->operations[$i]->after[$k], $starts);
                }
            }
        }
        $open = $this->request->with(array_map(static fn (DayOperation $one): DayOperation => $one->waitingFor(...array_map(static fn (After $after): After => new After($after->operation, $after->from), $one->after)), $this->request->operations));
        if ($this->planner->quick($open) !== null) {
            return Phrase::of('day.several_windows');
        }

        return Phrase::of('day.no_hours_left', ['end' => $this->request->hours->end() === -INF ? Phrase::of('day.never') : DayTime::of($this->request->hours->end())]);
    }

    /** @return list<array{0: int, 1: int}> the narrowest first */
    private function windows(): array
    {
        $windows = [];
        foreach ($this->request->operations as $i => $operation) {
            foreach ($operation->fixed === null ? $operation->after : [] as $k => $after) {
                if ($after->until !== null) {
                    $windows[] = [$after->until - $after->from, $i, $k];
                }
            }
        }
        sort($windows);

        return array_map(static fn (array $window): array => [$window[1], $window[2]], array_slice($windows, 0, 24));
    }

    private function without(int $i, int $k): DayRequest
    {
        $operations = $this->request->operations;
        $after = $operations[$i]->after;
        $after[$k] = new After($after[$k]->operation, $after[$k]->from);
        $operations[$i] = $operations[$i]->waitingFor(...$after);

        return $this->request->with(array_values($operations));
    }

    /** @param  list<float>  $starts */
    private function said(int $i, After $window, array $starts): Phrase
    {
        $operation = $this->request->operations[$i];
        $number = array_search($window->operation, array_map(static fn (DayOperation $one): string => $one->id, $this->request->operations), true);
        $opened = $this->request->operations[(int) $number];
        $shuts = $starts[(int) $number] + $opened->minutes + (float) $window->until;
        $values = ['op' => $operation->called(), 'other' => $opened->called(), 'at' => DayTime::of($starts[$i]), 'shuts' => DayTime::of($shuts)];

        return $opened->fixed !== null
            ? Phrase::of('day.window_begun', $values)
            : Phrase::of('day.window_never', [...$values, 'from' => $window->from, 'until' => (float) $window->until]);
    }
}
