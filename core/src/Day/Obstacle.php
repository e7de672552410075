<?php

declare(strict_types=1);

namespace Apalos\Core\Day;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Result\Budget;

/** Why nothing fits: the window that cannot be met, when its operation could start at the earliest without it, and what would help. */
final readonly class Obstacle
{
    /** What one window may be looked at, of what is left. */
    private const A_WINDOW = 0.12;

    public function __construct(private DayPlanner $planner, private DayRequest $request, private Budget $budget) {}

    /** @param  bool  $unsure  whether the day was laid aside before every order was looked at */
    public function found(bool $unsure): Phrase
    {
        // What does not fit without any window does not fit without one of them.
        if (! $this->fits($this->open(), 0.3)) {
            if ($this->budget->isShort()) {
                return Phrase::of('day.cannot_say');
            }

            return Phrase::of('day.no_hours_left', [
                'end' => $this->request->hours->end() === -INF ? Phrase::of('day.never') : DayTime::of($this->request->hours->end()),
            ]);
        }
        // Whether it fits without a window is asked quickly first; only of a handful is it worth looking at every order.
        $ways = [fn (DayRequest $open): ?array => $this->planner->quick($open, [], $this->budget->part(self::A_WINDOW))];
        if (count($this->request->operations) <= DayPlanner::EXACT_UP_TO) {
            $ways[] = fn (DayRequest $open): ?array => $this->planner->starts(DayGraph::of($open), $this->budget->part(self::A_WINDOW));
        }
        foreach ($ways as $fits) {
            foreach ($this->windows() as [$i, $k]) {
                $starts = $fits($this->without($i, $k));
                if ($starts !== null) {
                    return $this->said($i, $this->request->operations[$i]->after[$k], $starts);
                }
            }
        }

        return Phrase::of($unsure || $this->budget->isShort() ? 'day.cannot_say' : 'day.several_windows');
    }

    private function fits(DayRequest $open, float $share): bool
    {
        return $this->planner->quick($open, [], $this->budget->part($share)) !== null
            || (
                count($open->operations) <= DayPlanner::EXACT_UP_TO
                && $this->planner->starts(DayGraph::of($open), $this->budget->part($share)) !== null
            );
    }

    private function open(): DayRequest
    {
        return $this->request->with(
            array_map(
                static fn (DayOperation $one): DayOperation => $one->waitingFor(
                    ...array_map(static fn (After $after): After => new After($after->operation, $after->from), $one->after),
                ),
                $this->request->operations,
            ),
        );
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
        $number = array_search(
            $window->operation, array_map(static fn (DayOperation $one): string => $one->id, $this->request->operations), true,
        );
        $opened = $this->request->operations[(int) $number];
        $shuts = $starts[(int) $number] + $opened->minutes + (float) $window->until;
        $values = [
            'op' => $operation->called(), 'other' => $opened->called(), 'at' => DayTime::of($starts[$i]), 'shuts' => DayTime::of($shuts),
        ];

        return $opened->fixed !== null
            ? Phrase::of('day.window_begun', $values)
            : Phrase::of('day.window_never', [...$values, 'from' => $window->from, 'until' => (float) $window->until]);
    }
}
