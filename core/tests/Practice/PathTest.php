<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Practice;

use Apalos\Core\Input\Fields;
use Apalos\Core\Practice\Path;
use Apalos\Core\Practice\Scenario;
use PHPUnit\Framework\TestCase;

/** What is sure, what wants practice, and what comes next. */
final class PathTest extends TestCase
{
    /**
     * @param  list<array{int, bool}>  $days  on which day, and whether it came out well
     * @return array{skill: string, stands: string, box: int, due_day: int|null}
     */
    private static function weighing(array $days): array
    {
        return Path::of(
            array_map(
                static fn (array $day): array => [
                    'day' => $day[0], 'skills' => ['weighing' => $day[1] ? ['good' => 2, 'bad' => 0] : ['good' => 1, 'bad' => 1]],
                ],
                $days,
            ),
        )[0];
    }

    public function test_what_came_out_well_is_asked_again_later_each_time_and_what_did_not_tomorrow(): void
    {
        self::assertSame(['skill' => 'weighing', 'box' => 0, 'due_day' => null, 'stands' => 'new'], self::weighing([]));
        self::assertSame(['comes', 12], [self::weighing([[10, true]])['stands'], self::weighing([[10, true]])['due_day']]);
        self::assertSame(
            ['comes', 1], [self::weighing([[10, true], [10, true], [10, true]])['stands'], self::weighing([[10, true], [10, true]])['box']],
            'Thrice on one day is one witness.',
        );
        self::assertSame(['sure', 25], [
            self::weighing([[10, true], [12, true], [16, true]])['stands'], self::weighing([[10, true], [12, true], [16, true]])['due_day'],
        ]);
        self::assertSame(['shaky', 17], [
            self::weighing([[10, true], [12, true], [16, false]])['stands'],
            self::weighing([[10, true], [12, true], [16, false]])['due_day'],
        ]);
    }

    /** @param  list<string>  $teaches */
    private static function scenario(string $id, int $level, array $teaches): Scenario
    {
        return Scenario::from(Fields::of([
            'id' => $id, 'name' => $id, 'about' => 'About.', 'level' => $level, 'teaches' => $teaches,
            'make' => ['base' => 'pr-10', 'volume_ml' => 100], 'room_c' => 21,
        ]));
    }

    public function test_next_comes_what_is_shaky_then_what_is_due_then_the_easiest_of_what_is_new(): void
    {
        $all = [
            self::scenario('weigh', 2, ['weighing']), self::scenario('time', 2, ['time']), self::scenario('hard-time', 4, ['time']),
            self::scenario('air', 2, ['air']),
        ];
        $fresh = Path::of([]);
        self::assertSame(['air', 'time', 'weigh', 'hard-time'], Path::next($all, $fresh, 10));
        $shaky = Path::of([
            [
                'day' => 9,
                'skills' => [
                    'time' => ['good' => 0, 'bad' => 2], 'air' => ['good' => 1, 'bad' => 0], 'weighing' => ['good' => 1, 'bad' => 0],
                ],
            ],
        ]);
        self::assertSame('time', Path::next($all, $shaky, 10)[0]);
        self::assertNotSame(
            'time', Path::next($all, $shaky, 10, ['time' => 10, 'hard-time' => 10])[0],
            'What came out well today is not asked again today.',
        );
        $due = Path::of([
            ['day' => 1, 'skills' => ['weighing' => ['good' => 1, 'bad' => 0]]],
            ['day' => 9, 'skills' => ['time' => ['good' => 1, 'bad' => 0]]],
        ]);
        self::assertSame('weigh', Path::next($all, $due, 10)[0]);
    }
}
