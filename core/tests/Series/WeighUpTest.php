<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Series;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Series\SeriesPlanner;
use Apalos\Core\Series\SeriesRequest;
use Apalos\Core\Series\SeriesResult;
use Apalos\Core\Series\Weighed;
use Apalos\Core\Series\WeighingResult;
use Apalos\Core\Series\WeighUp;
use Apalos\Core\Tests\Words;
use Apalos\Core\Units\Grams;
use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The weigh-up of a series, one thing after the other, as a hand does it. */
final class WeighUpTest extends TestCase
{
    use TestTrait;

    /** @param  array<string, mixed>  $more */
    private static function plan(array $more = [], int $a = 1, int $b = 1): SeriesResult
    {
        return (new SeriesPlanner)->plan(SeriesRequest::from(Fields::of([
            'base' => [
                'ratio' => ['by' => 'weight', 'a' => $a, 'b' => $b], 'sg' => ['a' => 1.06, 'b' => 1.08], 'pot_life_min' => 22,
                'demould_min' => 240, 'ref_c' => 23, 'q10' => 2.0,
            ],
            'spare_pct' => 10, 'scale' => ['division_g' => 0.1], 'room_c' => 23, 'mix_min' => 3, 'puck_ml' => 25,
            ...($more === [] ? ['softener' => ['name' => 'softener', 'sg' => 0.97], 'pct_of_ab' => [0, 60]] : $more),
        ])));
    }

    private static function ladder(): SeriesResult
    {
        return self::plan([
            'additives' => [['name' => 'fawn', 'amount' => 2, 'basis' => 'pct_of_total', 'into' => 'b', 'sg' => 1.55]], 'tint' => ['fawn'],
            'pct_of_full' => [0, 50, 100], 'puck_ml' => 40,
        ]);
    }

    /** @param  array<string, list<float|null>>  $weighed */
    private static function next(SeriesResult $plan, array $weighed): ?WeighingResult
    {
        return (new WeighUp)->next($plan, Weighed::from(Fields::of($weighed, 'weighed'), $plan), Grams::of(0.1));
    }

    /**
     * Does what is asked until nothing is; `$pours` says what a hand makes of a target.
     *
     * @return array{list<WeighingResult>, array<string, list<float|null>>}
     */
    private static function work(SeriesResult $plan, callable $pours): array
    {
        [$steps, $weighed] = [[], []];
        while (count($steps) < 40 && ($next = self::next($plan, $weighed)) !== null) {
            $row = $weighed[$next->vessel] ?? array_fill(0, count($plan->vessels()[$next->vessel]), null);
            $row[$next->line] = round(($row[$next->line] ?? 0.0) + $pours($next, count($steps)), 1);
            $weighed[$next->vessel] = $row;
            $steps[] = $next;
        }

        return [$steps, $weighed];
    }

    private static function asAsked(WeighingResult $next): float
    {
        return $next->grams;
    }

    public function test_a_series_is_weighed_cup_first_and_then_puck_by_puck(): void
    {
        [$steps] = self::work(self::plan(), self::asAsked(...));

        // 26.75 g for the bare puck and 16.10 for the other, and a tenth more: 47.13 g, half of each part.
        self::assertSame(
            [
                ['plain-cup', 'B', 23.6], ['plain-cup', 'A', 47.2], ['puck-1', 'plain-cup', 26.7], ['puck-2', 'plain-cup', 16.1],
                ['puck-2', 'softener', 25.8],
            ],
            array_map(static fn (WeighingResult $w): array => [$w->vessel, $w->code, $w->running], $steps),
        );
        self::assertSame(
            [true, false, true, true, false], array_map(static fn (WeighingResult $w): bool => $w->opens, $steps),
            'Each vessel goes empty onto the scale.',
        );
        self::assertSame(
            [false, true, false, false, false], array_map(static fn (WeighingResult $w): bool => $w->meets, $steps), 'A meets B once.',
        );
        self::assertSame([null, null, null, null, null], array_map(static fn (WeighingResult $w): ?string => $w->because, $steps));
    }

    public function test_what_is_right_reaches_from_a_hundredth_too_little_to_a_hundredth_too_much_but_never_less_than_a_step(): void
    {
        $first = self::next(self::plan(), []);
        self::assertEqualsWithDelta([23.364, 23.836], [$first?->from, $first?->to], 1e-9);
        $pinch = self::next(self::ladder(), ['plain-cup' => [30.9, 30.9], 'full-cup' => [33.0, null, null]]);
        self::assertSame('fawn', $pinch?->code);
        self::assertEqualsWithDelta([0.1, 0.1], [$pinch->running - $pinch->from, $pinch->to - $pinch->running], 1e-9);
    }

    public function test_the_other_part_follows_the_first(): void
    {
        $next = self::next(self::plan(), ['plain-cup' => [25.0, null]]);

        self::assertSame(['A', 25.0, 50.0], [$next?->code, $next?->grams, $next?->running]);
        self::assertSame(
            'B was 25 g instead of 23.6 g, so A follows: 25 g instead of 23.6 g.', Words::of($next->because ?? Phrase::written('nothing')),
        );
    }

    public function test_softener_follows_its_share_of_the_cup(): void
    {
        // 15 g for 16.1: 9.7 × 15 ÷ 16.1 = 9.04 g of softener keep the puck at sixty per cent.
        self::assertSame(
            9.0, self::next(self::plan(), ['plain-cup' => [23.5, 23.5], 'puck-1' => [26.7], 'puck-2' => [15.0, null]])?->grams,
        );
    }

    public function test_a_pigment_follows_its_part_but_no_part_follows_a_pigment(): void
    {
        $plan = self::ladder();
        [$b, $fawn, $a] = array_map(static fn ($line): float => $line->grams->g, $plan->vessels()['full-cup']);
        $whole = ['plain-cup' => array_map(static fn ($line): float => $line->grams->g, $plan->vessels()['plain-cup'])];

        self::assertEqualsWithDelta(1.5 * $fawn, self::next($plan, [...$whole, 'full-cup' => [1.5 * $b, null, null]])?->grams, 0.06);
        self::assertSame($a, self::next($plan, [...$whole, 'full-cup' => [$b, 3.0 * $fawn, null]])?->grams);
        self::assertSame(
            'puck-1', self::next($plan, [...$whole, 'full-cup' => [$b, 3.0 * $fawn, $a]])?->vessel,
            'Too much pigment stands on the labels.',
        );
    }

    public function test_too_much_of_the_last_part_is_made_good_with_the_first(): void
    {
        $next = self::next(self::plan(), ['plain-cup' => [23.5, 25.0]]);

        self::assertSame(
            ['plain-cup', 0, 'B', 1.5, 48.5, 50.0],
            [$next?->vessel, $next?->line, $next?->code, $next?->grams, $next?->before, $next?->running],
        );
        self::assertSame(
            'There is too much A for the B that is in: 1.5 g more of B, and the proportion holds again.',
            Words::of($next->because ?? Phrase::written('nothing')),
        );
        self::assertFalse($next->opens || $next->meets);
        self::assertSame('puck-1', self::next(self::plan(), ['plain-cup' => [25.0, 25.0]])?->vessel);
    }

    /** @return iterable<string, array{list<float>, string}> */
    public static function cups(): iterable
    {
        yield 'both a little more' => [[25.0, 25.0], 'puck-1'];
        yield 'both a little less' => [[22.0, 22.0], 'puck-1'];
        yield 'one hundredth apart' => [[23.5, 23.7], 'puck-1'];
        yield 'three hundredths apart' => [[23.5, 24.2], 'plain-cup'];
        yield 'less of both, and unequal' => [[20.0, 22.0], 'plain-cup'];
        yield 'zero is nothing' => [[23.5, 0.0], 'plain-cup'];
    }

    /** @param  list<float>  $shown */
    #[DataProvider('cups')]
    public function test_a_cup_is_rescued_only_when_its_proportion_is_off(array $shown, string $vessel): void
    {
        self::assertSame($vessel, self::next(self::plan(), ['plain-cup' => $shown])?->vessel);
    }

    public function test_whatever_the_hand_does_the_cup_ends_in_proportion_and_the_pucks_near_what_was_wanted(): void
    {
        $this->forAll(
            Generators::tuple(Generators::choose(1, 10), Generators::choose(1, 10), Generators::vector(40, Generators::choose(-5, 9))),
        )->then(function (array $n): void {
            $plan = self::plan([], $n[0], $n[1]);
            // A hand is up to five hundredths short and nine over; only a rescue is done with care.
            [$steps, $weighed] = self::work(
                $plan,
                static fn (WeighingResult $w, int $i): float => $w->because !== null && ! $w->opens && $w->before > 0.0 && $w->line === 0
                    ? $w->grams
                    : $w->grams * (1.0 + $n[2][$i] / 100.0),
            );
            [$b, $a] = $weighed['plain-cup'];

            self::assertLessThan(40, count($steps), 'It ends.');
            self::assertEqualsWithDelta(1.0, ($a / $b) / ($n[0] / $n[1]), 0.011 + 0.15 * (1.0 / $a + 1.0 / $b));
            self::assertEqualsWithDelta(0.6, $weighed['puck-2'][1] / $weighed['puck-2'][0], 0.6 * 0.1 + 0.02);
        });
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> */
    public static function nonsense(): iterable
    {
        yield 'a puck that is not there' => [
            ['puck-7' => [1.0]], 'weighed.puck-7', 'There is no field “puck-7” here. Known are: plain-cup, puck-1, puck-2.',
        ];
        yield 'half a cup' => [
            ['plain-cup' => [23.5]], 'weighed.plain-cup', 'The plain cup has 2 lines. Write what went in of each, or leave it as planned.',
        ];
        yield 'an empty puck' => [
            ['puck-2' => [0, 0]], 'weighed.puck-2', 'There is nothing in the puck 2. Write what it took, or leave it as planned.',
        ];
        yield 'a word' => [['puck-1' => ['lots']], 'weighed.puck-1.0', 'This needs a number; it was “lots”.'];
        yield 'less than nothing' => [['puck-1' => [-3]], 'weighed.puck-1.0', 'This must be 0 or more; it was -3.'];
        yield 'no list' => [['puck-1' => 12], 'weighed.puck-1', 'This must be a list of numbers; it was 12.'];
    }

    /** @param  array<string, mixed>  $weighed */
    #[DataProvider('nonsense')]
    public function test_nonsense_is_refused_where_it_stands(array $weighed, string $field, string $message): void
    {
        try {
            self::next(self::plan(), $weighed);
            self::fail('It passed.');
        } catch (BadInput $wrong) {
            self::assertSame([$field, $message], [$wrong->field, Words::of($wrong)]);
        }
    }
}
