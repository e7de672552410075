<?php

declare(strict_types=1);

namespace Apalos\Core\Day;

use Apalos\Core\Result\Budget;

/**
 * The operations by number, with what pushes what: an arc [a, b, w] says that b starts at least w minutes after a starts
 * (w below 0: a may start at most −w after b). A wait is one arc, the end of its window a second one that runs back. What has
 * begun is fixed and is pushed by nothing.
 */
final readonly class DayGraph
{
    /** Two moments nearer than this are one. */
    public const SAME = 1e-7;

    /**
     * @param  list<float>  $minutes
     * @param  list<list<int>>  $uses  numbers of resources
     * @param  list<bool>  $byHand
     * @param  list<float>  $earliest
     * @param  list<float|null>  $due
     * @param  list<float|null>  $fixed
     * @param  list<array{0: int, 1: int, 2: float}>  $arcs
     * @param  list<int>  $capacity  by number of resource
     * @param  list<string>  $ids
     */
    private function __construct(
        public int $count,
        public array $minutes,
        public array $uses,
        public array $byHand,
        public array $earliest,
        public array $due,
        public array $fixed,
        public array $arcs,
        public array $capacity,
        public WorkingHours $hours,
        public array $ids,
    ) {}

    public static function of(DayRequest $request): self
    {
        $number = array_flip(array_map(static fn (DayOperation $operation): string => $operation->id, $request->operations));
        $resource = array_flip(array_map(strval(...), array_keys($request->resources)));
        [$minutes, $uses, $byHand, $earliest, $due, $fixed, $arcs] = [[], [], [], [], [], [], []];
        foreach ($request->operations as $i => $operation) {
            $minutes[] = $operation->minutes;
            $uses[] = array_map(static fn (string $name): int => $resource[$name], $operation->uses);
            $byHand[] = in_array(DayOperation::HANDS, $operation->uses, true);
            $earliest[] = $operation->fixed ?? max($request->now, $operation->notBefore ?? $request->now);
            $due[] = $operation->due;
            $fixed[] = $operation->fixed;
            // Whatever it waited for, it has begun.
            foreach ($operation->fixed === null ? $operation->after : [] as $after) {
                $j = $number[$after->operation];
                $length = $request->operations[$j]->minutes;
                self::tie($arcs, $j, $i, $length + $after->from);
                if ($after->until !== null) {
                    self::tie($arcs, $i, $j, -($length + $after->until));
                }
            }
        }

        return new self(
            count($request->operations), $minutes, $uses, $byHand, $earliest, $due, $fixed, array_values($arcs),
            // More of anything than there are operations never binds.
            array_map(static fn (int $units): int => min($units, max(1, count($request->operations))), array_values($request->resources)),
            $request->hours,
            array_map(static fn (DayOperation $operation): string => $operation->id, $request->operations),
        );
    }

    /**
     * Of two waits between the same two the longer one counts.
     *
     * @param  array<string, array{0: int, 1: int, 2: float}>  $arcs
     */
    private static function tie(array &$arcs, int $a, int $b, float $w): void
    {
        $arcs["{$a},{$b}"] = [$a, $b, max($w, $arcs["{$a},{$b}"][2] ?? -INF)];
    }

    /**
     * True where the waits contradict each other whatever the hands: some ring of arcs pushes itself for ever. True as well where the
     * budget does not last until that is known: then nothing is laid.
     */
    public function contradictsItself(Budget $budget): bool
    {
        return self::pushesForEver($this->count, $this->arcs, $budget);
    }

    /** @param  list<array{0: int, 1: int, 2: float}>  $arcs */
    public static function pushesForEver(int $count, array $arcs, Budget $budget): bool
    {
        $at = array_fill(0, max(1, $count), 0.0);
        for ($round = 0; $round <= $count && $budget->spend(2 * count($arcs)); $round++) {
            $moved = false;
            foreach ($arcs as [$a, $b, $w]) {
                if ($at[$a] + $w > $at[$b] + self::SAME) {
                    $at[$b] = $at[$a] + $w;
                    $moved = true;
                }
            }
            if (! $moved) {
                return false;
            }
        }

        return true;
    }

    /** @param  list<float>  $starts */
    public function score(array $starts): Score
    {
        [$late, $end, $sum] = [0.0, -INF, 0.0];
        foreach ($starts as $i => $start) {
            $ends = $start + $this->minutes[$i];
            $late += $this->due[$i] === null ? 0.0 : max(0.0, $ends - $this->due[$i]);
            $end = max($end, $ends);
            $sum += $start;
        }

        return new Score($late, $end, $sum);
    }
}
