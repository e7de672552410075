<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Run;

use Apalos\Core\Run\RunFactKind;
use Apalos\Core\Run\Unrolled;
use PHPUnit\Framework\TestCase;

/** A run to its end, for whoever walks it where nothing can be reckoned. */
final class UnrolledTest extends TestCase
{
    public function test_every_step_to_the_end_and_the_lines_of_a_cup_are_one(): void
    {
        $unrolled = Unrolled::of((new Bench(degas: 5.0, checklist: [['id' => 'seal', 'text' => 'Sealed', 'minutes' => 0.0]]))->state(), 40);
        self::assertSame(
            ['gear', 'contacts', 'premix', 'tare', 'weigh', 'mix', 'degas', 'fill', 'wait', 'grade', 'done'],
            array_column($unrolled->steps, 'kind'),
        );
        self::assertSame(['B', 'tone', 'A', 'softener'], array_column($unrolled->cups[0]['queue'], 'add'));
    }

    public function test_from_the_middle_of_a_cup_only_what_is_left(): void
    {
        $bench = (new Bench)->confirm(3)->weigh(100.0, 102.0);
        $unrolled = Unrolled::of($bench->state(), 40);
        self::assertSame(['weigh', 'mix', 'fill', 'wait', 'grade', 'done'], array_column($unrolled->steps, 'kind'));
        self::assertSame(
            [['A', 'softener'], 102.0, 2],
            [array_column($unrolled->cups[0]['queue'], 'add'), $unrolled->cups[0]['display_g'], $unrolled->cups[0]['weighings']],
        );
    }

    public function test_two_cups_weighed_ahead_leave_the_line_that_meets_for_later(): void
    {
        $unrolled = Unrolled::of((new Bench([['A' => 50.0, 'B' => 50.0], ['A' => 50.0, 'B' => 50.0]], ahead: true))->state(), 40);
        self::assertSame(
            [
                'gear/0/0', 'premix/1/0', 'tare/1/0', 'weigh/1/1', 'tare/2/0', 'weigh/2/1', 'tare/1/0', 'weigh/1/0', 'mix/1/0', 'fill/1/0',
                'tare/2/0', 'weigh/2/0', 'mix/2/0', 'fill/2/0', 'wait/0/0', 'grade/0/0', 'done/0/0',
            ],
            array_map(static fn (array $step): string => "{$step['kind']}/{$step['batch']}/{$step['left']}", $unrolled->steps),
        );
    }

    /** What the table says of an over-pour is what the cup itself says, at readings it was not made from. */
    public function test_an_over_pour_of_the_table_is_that_of_the_cup(): void
    {
        $seen = 0;
        foreach ([[100.0, 102.0], [100.0], [100.3, 102.3], []] as $weighed) {
            $bench = (new Bench)->confirm(3)->weigh(...$weighed);
            $cup = $bench->state()->cup();
            $line = $cup->current();
            self::assertNotNull($line);
            $table = Unrolled::of($bench->state(), 40)->cups[0]['queue'][0]['over'];
            for ($over = 0.2; $over < $line['grams']; $over *= 1.3) {
                $reading = round($line['to'] + $over, 1);
                $after = (clone $bench)->weigh($reading)->state();
                $row = array_values(
                    array_filter($table, static fn (array $row): bool => $reading >= $row['from_g'] && $reading <= $row['to_g']),
                )[0] ?? null;
                $rescue = $after->cup()->rescue();
                // At the very edge of what is asked about the table says less than it could.
                if ($row === null && abs($rescue->k - 1.25) > 1e-3) {
                    self::assertNotSame(
                        [], [...$rescue->warnings, ...array_filter([$after->cup()->inTwoCups($rescue)])],
                        "{$reading}: only what has to be asked about is not in the table",
                    );
                }
                if ($row === null) {
                    continue;
                }
                $seen++;
                $in = [...$row['in'], $row['over'] => $after->cup()->poured[$row['over']]];
                $k = $in[$row['over']] / $cup->planned[$row['over']];
                self::assertEqualsWithDelta($rescue->k, $k, 1e-12);
                self::assertSame(array_map(static fn ($one): string => $one->code, $rescue->lines), $row['lines']);
                foreach ($rescue->lines as $one) {
                    self::assertEqualsWithDelta(
                        $one->grams->g, round(($k * $cup->planned[$one->code] - ($in[$one->code] ?? 0.0)) / 0.1) * 0.1, 1e-9,
                    );
                }
                self::assertEqualsWithDelta($rescue->ratioErrorIfIgnoredPct, ($k / $row['least'] - 1.0) * 100.0, 1e-9);
            }
        }
        self::assertGreaterThan(20, $seen);
    }

    public function test_of_so_many_lines_ahead_it_is_known_and_of_no_more(): void
    {
        $known = static fn (int $near): array => array_map(
            static fn (array $cup): array => array_map(static fn (array $line): bool => $line['over'] !== [], $cup['queue']),
            Unrolled::of(
                (
                    new Bench([['B' => 100.0, 'tone' => 2.0, 'A' => 100.0], ['B' => 100.0, 'tone' => 2.0, 'A' => 100.0]])
                )->confirm(3)->state(),
                $near,
            )->cups,
        );
        self::assertSame([[true, true, true], [true, true, true]], $known(6));
        self::assertSame([[true, true, true], [true, false, false]], $known(4));
    }

    public function test_of_a_base_of_one_part_nothing_follows_from_more_of_it(): void
    {
        $bench = (new Bench([['A' => 80.0]], onePart: true))->confirm(3);
        $row = Unrolled::of($bench->state(), 40)->cups[0]['queue'][0]['over'][0];
        self::assertSame([[], 'A'], [$row['lines'], $row['over']]);
    }

    public function test_where_it_stands_at_an_over_pour_it_goes_on_as_if_that_was_left(): void
    {
        $bench = (new Bench)->confirm(3)->weigh(100.0, 106.0);
        self::assertSame('rescue', $bench->state()->step->kind->value);
        self::assertSame(['weigh', 'mix', 'fill', 'wait', 'grade', 'done'], array_column(Unrolled::of($bench->state(), 40)->steps, 'kind'));
        $bench->did(RunFactKind::GivenUp, ['fate' => 'thrown', 'note' => '']);
        self::assertSame(['wait', 'grade', 'done'], array_column(Unrolled::of($bench->state(), 40)->steps, 'kind'));
    }

    public function test_a_pour_of_three_hundred_cups_is_unrolled_in_a_moment(): void
    {
        $bench = new Bench(array_fill(0, 300, ['B' => 100.0, 'tone' => 2.0, 'A' => 100.0, 'softener' => 60.0]), ahead: true);
        $began = hrtime(true);
        $unrolled = Unrolled::of($bench->state(), 40);
        self::assertLessThan(2.0, (hrtime(true) - $began) / 1e9);
        self::assertCount(300, $unrolled->cups);
    }
}
