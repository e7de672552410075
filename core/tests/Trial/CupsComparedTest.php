<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Trial;

use Apalos\Core\Trial\CupsCompared;
use Apalos\Core\Trial\VerdictResult;
use PHPUnit\Framework\TestCase;

final class CupsComparedTest extends TestCase
{
    /** Four good cups against four bad ones: 2 of the 70 ways to deal them set them so far apart. */
    public function test_the_chance_is_counted_out(): void
    {
        $said = (new CupsCompared)->of(['drawn' => [4.0, 4.0, 4.0, 4.0], 'left alone' => [1.0, 1.0, 1.0, 1.0]]);
        self::assertSame([VerdictResult::SURE, 'drawn'], [$said->word, $said->best]);
        self::assertEqualsWithDelta(2.0 / 70.0, $said->against[0]['chance'], 1e-12);
        self::assertSame(1.0, $said->against[0]['beats']);
    }

    /** By another route: every way to deal seven grades to four and three. */
    public function test_the_same_as_dealing_the_grades_in_every_way(): void
    {
        [$one, $two] = [[4.0, 3.0, 3.0, 2.0], [3.0, 1.0, 2.0]];
        $all = [...$one, ...$two];
        $seen = abs(array_sum($one) / 4 - array_sum($two) / 3);
        $far = $ways = 0;
        for ($mask = 0; $mask < 128; $mask++) {
            $first = array_filter($all, static fn (int $i): bool => ($mask >> $i & 1) === 1, ARRAY_FILTER_USE_KEY);
            if (count($first) === 4) {
                $ways++;
                $far += (int) (abs(array_sum($first) / 4 - (array_sum($all) - array_sum($first)) / 3) >= $seen - 1e-9);
            }
        }
        $said = (new CupsCompared)->of(['one' => $one, 'two' => $two]);
        self::assertEqualsWithDelta($far / $ways, $said->against[0]['chance'], 1e-12);
        // 4 beats all three; each 3 beats two and draws one; 2 beats one and draws one: 3 + 2·2.5 + 1.5 of 12.
        self::assertEqualsWithDelta(9.5 / 12.0, $said->against[0]['beats'], 1e-12);
    }

    public function test_with_two_cups_each_nobody_can_know(): void
    {
        $said = (new CupsCompared)->of(['wax' => [4.0, 4.0], 'oil' => [0.0, 0.0]]);
        self::assertSame(VerdictResult::CANNOT, $said->word, 'One in three at the best.');
    }

    public function test_alike_open_and_leaning(): void
    {
        self::assertSame(VerdictResult::OPEN, (new CupsCompared)->of(['a' => [3.0], 'b' => []])->word);
        self::assertSame(
            VerdictResult::SAME, (new CupsCompared)->of(['a' => [3.0, 2.0, 3.0, 2.0, 3.0], 'b' => [2.0, 3.0, 3.0, 2.0, 3.0]])->word,
        );
        self::assertSame(
            VerdictResult::LEANS,
            (new CupsCompared)->of(['a' => [4.0, 4.0, 4.0, 4.0, 4.0, 3.0], 'b' => [3.0, 3.0, 3.0, 3.0, 3.0, 4.0]])->word,
        );
    }

    /** By another route: each pair by its own permutation test; two questions, each corrected by Holm for itself. */
    public function test_every_pair_is_compared_and_what_was_left_alone_first(): void
    {
        $scores = [
            'alone' => [0.0, 0.0, 1.0, 0.0], 'vacuum' => [3.0, 4.0, 3.0, 4.0], 'pot' => [4.0, 3.0, 4.0, 3.0],
            'heat' => [1.0, 0.0, 1.0, 1.0],
        ];
        $verdict = (new CupsCompared)->of($scores, 'alone');
        self::assertCount(6, $verdict->pairs);
        self::assertSame([true, true, true, false, false, false], array_column($verdict->pairs, 'left_alone'));
        foreach ($verdict->pairs as $pair) {
            $two = (new CupsCompared)->of([$pair['one'] => $scores[$pair['one']], $pair['other'] => $scores[$pair['other']]]);
            self::assertEqualsWithDelta($two->against[0]['chance'], $pair['chance'], 1e-12);
            self::assertGreaterThanOrEqual($pair['chance'], $pair['corrected']);
            self::assertGreaterThanOrEqual($pair['other_mean'], $pair['one_mean']);
        }
        $first = array_column(array_slice($verdict->pairs, 0, 3), 'chance');
        self::assertEqualsWithDelta(
            min(1.0, 3.0 * min($first)), min(array_column(array_slice($verdict->pairs, 0, 3), 'corrected')), 1e-12,
            'The least of three is multiplied by three, not by six.',
        );
        self::assertSame([false], array_column((new CupsCompared)->of(['a' => [1.0, 2.0], 'b' => [3.0, 4.0]])->pairs, 'left_alone'));
    }

    public function test_more_variants_ask_for_more(): void
    {
        $two = (new CupsCompared)->of(['a' => [4.0, 4.0, 4.0, 4.0], 'b' => [1.0, 1.0, 1.0, 1.0]])->against[0];
        $four = (new CupsCompared)->of([
            'a' => [4.0, 4.0, 4.0, 4.0], 'b' => [1.0, 1.0, 1.0, 1.0], 'c' => [1.0, 1.0, 1.0, 1.0], 'd' => [1.0, 1.0, 1.0, 1.0],
        ])->against[0];
        self::assertSame($two['chance'], $four['chance']);
        self::assertEqualsWithDelta(3.0 * $two['chance'], $four['corrected'], 1e-12);
    }
}
