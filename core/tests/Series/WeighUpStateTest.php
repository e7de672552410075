<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Series;

use Apalos\Core\Facts\Fact;
use Apalos\Core\Input\Fields;
use Apalos\Core\Series\SeriesFactKind;
use Apalos\Core\Series\SeriesPlanner;
use Apalos\Core\Series\SeriesRequest;
use Apalos\Core\Series\SeriesResult;
use Apalos\Core\Series\WeighUpState;
use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\TestCase;

/** Where a weigh-up stands is read off its facts, in the order in which they happened. */
final class WeighUpStateTest extends TestCase
{
    use TestTrait;

    private static function plan(): SeriesResult
    {
        return (new SeriesPlanner)->plan(SeriesRequest::from(Fields::of([
            'base' => [
                'ratio' => ['by' => 'weight', 'a' => 1, 'b' => 1], 'sg' => ['a' => 1.06, 'b' => 1.08], 'pot_life_min' => 22,
                'demould_min' => 240, 'ref_c' => 23, 'q10' => 2.0,
            ],
            'softener' => ['name' => 'softener', 'sg' => 0.97], 'pct_of_ab' => [0, 60], 'spare_pct' => 10, 'scale' => ['division_g' => 0.1],
            'room_c' => 23, 'mix_min' => 3, 'puck_ml' => 25,
        ])));
    }

    /**
     * @param  list<array{0: SeriesFactKind, 1?: string, 2?: int, 3?: float|null}>  $facts kind, vessel, line, grams; undone facts name
     *   theirs in place of the line
     */
    private static function after(array $facts): WeighUpState
    {
        return WeighUpState::of(self::plan(), array_map(static fn (array $fact, int $i): Fact => new Fact(
            $i + 1, $fact[0], (float) $i,
            [
                'vessel' => $fact[1] ?? '',
                ...(
                    $fact[0] === SeriesFactKind::Undone
                    ? ['of' => $fact[2] ?? null]
                    : ['line' => $fact[2] ?? 0, 'grams' => $fact[3] ?? null]
                ),
            ],
        ), $facts, array_keys($facts)));
    }

    public function test_nothing_is_in_at_first(): void
    {
        $state = self::after([]);

        self::assertSame([[], '', null, null], [$state->weighed->toArray(), $state->on, $state->metAt, $state->takeBack]);
    }

    public function test_what_the_scale_saw_adds_up_line_by_line(): void
    {
        $state = self::after([
            [SeriesFactKind::Tared, 'plain-cup'], [SeriesFactKind::Put, 'plain-cup', 0, 23.6], [SeriesFactKind::Put, 'plain-cup', 1, 25.0],
            [SeriesFactKind::Put, 'plain-cup', 0, 1.4],
        ]);

        self::assertSame(['plain-cup' => [25.0, 25.0]], $state->weighed->toArray());
        self::assertSame(['plain-cup', 4], [$state->on, $state->takeBack]);
    }

    public function test_the_last_is_taken_back_first(): void
    {
        $facts = [[SeriesFactKind::Put, 'plain-cup', 0, 23.6], [SeriesFactKind::Put, 'plain-cup', 1, 25.0]];
        $state = self::after([...$facts, [SeriesFactKind::Undone, '', 2]]);
        self::assertSame([['plain-cup' => [23.6, null]], 1], [$state->weighed->toArray(), $state->takeBack]);
        $state = self::after([...$facts, [SeriesFactKind::Undone, '', 2], [SeriesFactKind::Undone, '', 1]]);
        self::assertSame([[], null], [$state->weighed->toArray(), $state->takeBack]);
    }

    public function test_what_is_written_stands_whatever_the_scale_saw_before(): void
    {
        $state = self::after([
            [SeriesFactKind::Put, 'puck-2', 0, 16.1], [SeriesFactKind::Put, 'puck-2', 1, 9.7], [SeriesFactKind::Written, 'puck-2', 0, 16.0],
        ]);
        self::assertSame([['puck-2' => [16.0, 9.7]], 2], [$state->weighed->toArray(), $state->takeBack]);
        self::assertSame(
            ['puck-2' => [null, 9.7]],
            self::after([[SeriesFactKind::Put, 'puck-2', 1, 9.7], [SeriesFactKind::Written, 'puck-2', 0, null]])->weighed->toArray(),
        );
    }

    public function test_a_and_b_meet_at_the_first_word_of_it_until_it_is_taken_away(): void
    {
        self::assertSame(1.0, self::after([[SeriesFactKind::Tared, 'plain-cup'], [SeriesFactKind::Met], [SeriesFactKind::Met]])->metAt);
        self::assertNull(self::after([[SeriesFactKind::Met], [SeriesFactKind::Unmet]])->metAt);
        self::assertSame(2.0, self::after([[SeriesFactKind::Met], [SeriesFactKind::Unmet], [SeriesFactKind::Met]])->metAt);
    }

    public function test_taking_everything_back_leaves_nothing_behind(): void
    {
        $this->forAll(
            Generators::seq(
                Generators::tuple(Generators::elements('plain-cup', 'puck-2'), Generators::choose(0, 1), Generators::choose(1, 400)),
            ),
        )->then(function (array $puts): void {
            $facts = array_map(static fn (array $put): array => [SeriesFactKind::Put, $put[0], $put[1], $put[2] / 10.0], $puts);
            $sums = array_sum(array_map(static fn (array $fact): float => $fact[3], $facts));
            $state = self::after($facts);
            self::assertEqualsWithDelta($sums, array_sum(array_map(array_sum(...), $state->weighed->toArray())), 1e-6);
            for ($i = 0; $i < count($puts); $i++) {
                $facts[] = [SeriesFactKind::Undone, '', $state->takeBack];
                $state = self::after($facts);
            }
            self::assertSame([[], null], [$state->weighed->toArray(), $state->takeBack]);
        });
    }
}
