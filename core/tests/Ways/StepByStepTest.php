<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Ways;

use Apalos\Core\Day\DayPlanner;
use Apalos\Core\Day\DayRequest;
use Apalos\Core\Day\WorkingHours;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Ways\StepByStep;
use Apalos\Core\Ways\WayStep;
use PHPUnit\Framework\TestCase;

/** One step after the other is laid as `schedule` lays it. */
final class StepByStepTest extends TestCase
{
    /** @param  list<array{float, float, float|null}>  $of  minutes, from, until
     * @return list<WayStep>
     */
    private static function steps(array $of): array
    {
        return array_map(
            static fn (array $one, int $i): WayStep => new WayStep("s{$i}", $one[0], $one[1], $one[2], 'mould', Phrase::written('x')), $of,
            array_keys($of),
        );
    }

    public function test_a_window_that_would_shut_overnight_moves_what_opens_it(): void
    {
        $hours = WorkingHours::of([[480.0, 1080.0], [1920.0, 2520.0]]);
        // The second coat wants 30 to 70 minutes after the first, and 200 of hands: not today any more from half past two on.
        $starts = (new StepByStep($hours))->earliest(self::steps([[400.0, 0.0, null], [30.0, 0.0, null], [200.0, 30.0, 70.0]]));
        self::assertSame([480.0, 1920.0, 1980.0], $starts);
        self::assertNull(
            (new StepByStep(WorkingHours::of([[480.0, 600.0]])))->earliest(self::steps([[100.0, 0.0, null], [30.0, 0.0, null]])),
        );
        self::assertSame([], (new StepByStep($hours))->earliest([]));
    }

    public function test_random_chains_are_laid_as_the_day_lays_them(): void
    {
        mt_srand(28);
        $met = 0;
        for ($round = 0; $round < 250; $round++) {
            $days = array_map(
                static fn (int $day): array => [1440 * $day + mt_rand(300, 600), 1440 * $day + mt_rand(700, 1200)], range(0, 7),
            );
            $of = [];
            for ($i = 0, $n = mt_rand(2, 9); $i < $n; $i++) {
                $from = mt_rand(0, 3) === 0 ? 0.0 : (float) mt_rand(0, 400);
                $of[] = [(float) mt_rand(1, 90), $from, mt_rand(0, 2) === 0 ? $from + mt_rand(5, 200) : null];
            }
            $steps = self::steps($of);
            $operations = [];
            foreach ($steps as $i => $step) {
                $operations[] = $step->toArray($i === 0 ? null : 's'.($i - 1), $i === $n - 1 ? 900.0 : null);
            }
            $day = (new DayPlanner)->plan(DayRequest::from(Fields::of([
                'now_min' => 0, 'days' => $days, 'resources' => ['hands' => 1], 'ops' => $operations,
            ])));
            $starts = (new StepByStep(WorkingHours::from(Fields::of(['days' => $days]))))->earliest($steps);
            self::assertSame($day->isFeasible(), $starts !== null, "round {$round}");
            if ($starts !== null) {
                self::assertEqualsWithDelta(array_values($day->starts), $starts, 1e-6, "round {$round}");
                $met++;
            }
        }
        self::assertGreaterThan(150, $met);
    }
}
