<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Day;

use Apalos\Core\Day\GangResult;
use Apalos\Core\Day\GangWork;
use Apalos\Core\Day\WorkingHours;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use PHPUnit\Framework\TestCase;

final class GangWorkTest extends TestCase
{
    /** @param  array<string, mixed>  $in */
    private static function gang(array $in, int $hands = 1): GangResult
    {
        return GangWork::from(
            Fields::of([
                'pieces' => 24, 'pieces_a_mould' => 4, 'moulds' => 1, 'pour_min' => 30, 'wait_min' => 210, 'open_min' => 15, ...$in,
            ]),
            WorkingHours::of(array_map(static fn (int $day): array => [$day * 1440.0 + 480, $day * 1440.0 + 1080], range(0, 29))), 480.0,
            $hands,
        )->run();
    }

    public function test_six_cycles_in_one_mould_are_two_a_day_and_the_last_opened_in_the_afternoon(): void
    {
        $gang = self::gang([]);

        // 8:00 to 8:30, open 12:00 to 12:15; 12:15 to 12:45, open 16:15 to 16:30; 16:30 to 17:00 and open the next morning at 8:00.
        self::assertSame([480.0, 735.0, 990.0, 1440.0 + 495, 1440.0 + 750, 1440.0 + 1005], $gang->pours);
        self::assertSame(2 * 1440.0 + 480 + 15, $gang->end);
        self::assertSame([6, 3, 'moulds'], [$gang->cycles, $gang->days(), $gang->bottleneck]);
    }

    public function test_one_more_mould_brings_a_day_where_moulds_are_short_and_nothing_where_hands_are(): void
    {
        self::assertGreaterThan(600.0, self::gang([])->toArray()['one_more_saves_min']);
        $busy = self::gang(['pieces' => 240, 'moulds' => 12, 'wait_min' => 30]);
        self::assertSame('hands', $busy->bottleneck);
        self::assertEqualsWithDelta(0.0, (float) $busy->toArray()['one_more_saves_min'], 1e-9);
    }

    public function test_one_chamber_holds_up_many_moulds(): void
    {
        self::assertSame(
            'chamber',
            self::gang([
                'pieces' => 80, 'moulds' => 20, 'pour_min' => 5, 'open_min' => 1, 'chamber_min' => 25, 'wait_min' => 60,
            ])->bottleneck,
        );
    }

    /** More of anything never makes it later. */
    public function test_more_hands_or_moulds_are_never_later(): void
    {
        foreach ([1, 2, 3, 5] as $moulds) {
            self::assertLessThanOrEqual(self::gang(['moulds' => $moulds])->end, self::gang(['moulds' => $moulds + 1])->end);
            self::assertLessThanOrEqual(self::gang(['moulds' => $moulds])->end, self::gang(['moulds' => $moulds], 2)->end);
        }
    }

    public function test_where_the_hours_run_out_there_is_no_end(): void
    {
        self::assertNull(self::gang(['pieces' => 4000, 'pieces_a_mould' => 4])->toArray()['end_min']);
        $this->expectException(BadInput::class);
        self::gang(['pieces' => 90_000, 'pieces_a_mould' => 1]);
    }
}
