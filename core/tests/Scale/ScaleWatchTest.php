<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Scale;

use Apalos\Core\Input\Fields;
use Apalos\Core\Scale\Expected;
use Apalos\Core\Scale\ScaleWatch;
use Apalos\Core\Scale\Seen;
use Apalos\Core\Scale\Trouble;
use Apalos\Core\Units\Grams;
use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** 34.5 g of B are in the cup, 34.5 g of A are to come: what the display does is held against that. */
final class ScaleWatchTest extends TestCase
{
    use TestTrait;

    private const A_LOOK = 0.25;

    private static function expected(float $division = 0.1): Expected
    {
        return new Expected(34.5, 69.3, 34.5, Grams::of($division));
    }

    /** @param  list<array{0: float|null, 1: bool, 2?: float}>  $looks  grams, at rest, seconds since the last look */
    private static function after(array $looks, ?Expected $expected = null): ScaleWatch
    {
        $expected ??= self::expected();
        $watch = ScaleWatch::over($expected);
        $at = 1000.0;
        foreach ($looks as $look) {
            $at += $look[2] ?? self::A_LOOK;
            // Through its written form each time: that is how it lives between two looks.
            $written = json_encode($watch->sees($expected, new Seen($look[0], $look[1], $at))->toArray(), JSON_THROW_ON_ERROR);
            $watch = ScaleWatch::from(Fields::of(json_decode($written, true)));
        }

        return $watch;
    }

    /** @return iterable<string, array{list<array{0: float|null, 1: bool, 2?: float}>, Trouble|null}> */
    public static function displays(): iterable
    {
        yield 'nothing poured yet' => [[[34.5, true], [34.5, true]], null];
        yield 'poured in a thin stream' => [[[34.5, true], [41.0, false], [52.3, false], [68.8, false], [69.0, true]], null];
        yield 'over-poured is another matter' => [[[34.5, true], [55.0, false], [75.0, false], [80.2, true]], null];
        yield 'it trembles while it runs in' => [[[40.0, false], [39.3, false], [43.0, false]], null];
        yield 'a knock against the pan' => [[[34.5, true], [20.0, false], [34.6, false], [34.5, true]], null];
        yield 'set to zero' => [[[34.5, true], [0.0, true]], Trouble::Fell];
        yield 'set to zero, and A goes in: the worst of all' => [[[34.5, true], [0.0, true], [30.0, false], [69.0, true]], Trouble::Fell];
        yield 'lifted' => [[[34.5, true], [-12.0, false], [-45.3, false]], Trouble::Fell];
        yield 'lifted and put back' => [[[34.5, true], [-12.0, false], [-45.3, false], [20.0, false], [34.5, true]], null];
        yield 'lifted half way through a line and put back' => [[[50.0, true], [-45.0, true], [50.1, true]], null];
        yield 'lifted half way, and less is put back' => [[[50.0, true], [-45.0, true], [41.0, true]], Trouble::Fell];
        yield 'laid beside it, half of that seen on its way up, and taken away' => [
            [[34.5, true], [44.5, true], [67.0, false], [201.0, false], [244.5, true], [60.0, false], [44.5, true]], null,
        ];
        yield 'laid beside it on its way up, and then set to zero' => [
            [[34.5, true], [44.5, true], [67.0, false], [201.0, false], [244.5, true], [0.0, true]], Trouble::Jumped,
        ];
        yield 'laid beside while the first of it ran in, and then set to where it began' => [
            [[34.5, true], [54.0, false], [201.0, false], [230.0, true], [34.5, true]], Trouble::Jumped,
        ];
        yield 'lifted while it ran in, and put back' => [[[34.5, true], [54.4, false], [-45.0, true], [54.0, true]], null];
        yield 'lifted while it ran in, seen sinking, and put back' => [
            [[34.5, true], [61.0, false], [74.5, false], [69.9, false], [53.7, false], [-45.0, true], [74.4, true]], null,
        ];
        yield 'lifted while it ran in, seen sinking to less than had rested' => [
            [[34.5, true], [40.0, false], [33.0, false], [10.0, false], [-45.0, true], [40.0, true]], null,
        ];
        yield 'lifted while it ran in, and a spoon put back with it' => [
            [[34.5, true], [61.0, false], [74.5, false], [69.9, false], [53.7, false], [-45.0, true], [79.0, true]], Trouble::Fell,
        ];
        yield 'lifted while it ran in, and less put back' => [
            [[34.5, true], [61.0, false], [74.5, false], [69.9, false], [53.7, false], [-45.0, true], [60.0, true]], Trouble::Fell,
        ];
        yield 'what was seen before it rested counts no more' => [
            [[34.5, true], [60.0, false], [52.0, true], [-45.0, true], [60.0, true]], Trouble::Fell,
        ];
        yield 'set to zero while it ran in stays so' => [[[34.5, true], [54.4, false], [0.0, true], [34.5, true]], Trouble::Fell];
        yield 'a spanner laid beside the cup' => [[[34.5, true], [95.0, false]], Trouble::Jumped];
        yield 'and taken away again' => [[[34.5, true], [95.0, false], [112.0, true], [34.5, true]], null];
        yield 'looked away while it was poured' => [[[34.5, true], [69.0, true, 8.0]], null];
        yield 'ounces' => [[[34.5, true], [null, true]], Trouble::Unit];
        yield 'ounces and back' => [[[34.5, true], [null, true], [34.5, true]], null];
        yield 'crept up over minutes' => [
            array_map(static fn (int $i): array => [34.5 + 0.1 * intdiv($i, 4), true, 10.0], range(0, 20)), Trouble::Crept,
        ];
        yield 'crept down over minutes' => [
            array_map(static fn (int $i): array => [34.5 - 0.1 * intdiv($i, 6), true, 20.0], range(0, 20)), Trouble::Crept,
        ];
        yield 'stands still for an hour' => [
            array_map(static fn (int $i): array => [34.5 + ($i % 2) * 0.1, true, 60.0], range(0, 60)), null,
        ];
    }

    /** @param  list<array{0: float|null, 1: bool, 2?: float}>  $looks */
    #[DataProvider('displays')]
    public function test_what_the_display_does(array $looks, ?Trouble $trouble): void
    {
        self::assertSame($trouble, self::after($looks)->trouble);
    }

    public function test_it_remembers_where_it_fell_to_however_much_is_poured_since(): void
    {
        $watch = self::after([[34.5, true], [0.0, true], [12.0, false], [30.0, true]]);

        self::assertSame([Trouble::Fell, 0.0], [$watch->trouble, $watch->saw]);
    }

    public function test_once_it_is_said_from_where_to_count_it_is_quiet(): void
    {
        $zeroed = new Expected(0.0, 34.8, 34.5, Grams::of(0.1));
        $watch = self::after([[34.5, true], [0.0, true]])->sees($zeroed, new Seen(0.0, true, 2000.0));
        self::assertNull($watch->trouble);
        self::assertNull($watch->sees($zeroed, new Seen(20.0, false, 2000.3))->trouble);
    }

    public function test_what_is_said_to_be_in_the_cup_is_counted(): void
    {
        $watch = self::after([[34.5, true], [95.0, false], [95.0, true]]);
        self::assertSame(Trouble::Jumped, $watch->trouble);
        $watch = $watch->accepted();
        self::assertNull($watch->sees(self::expected(), new Seen(95.0, true, 3000.0))->trouble);
        self::assertSame(Trouble::Fell, $watch->sees(self::expected(), new Seen(34.5, true, 3000.0))->trouble, 'and missed when it goes.');
    }

    public function test_after_serving_another_it_is_not_believed_until_told_from_where_to_count(): void
    {
        $watch = ScaleWatch::afterAnother(self::expected())->sees(
            self::expected(), new Seen(34.5, true, 1.0),
        )->sees(self::expected(), new Seen(50.0, true, 2.0));

        self::assertSame(Trouble::Elsewhere, $watch->trouble, 'However well it fits.');
    }

    public function test_no_hand_that_pours_steadily_is_ever_stopped(): void
    {
        $this->limitTo(200)->forAll(
            Generators::choose(1, 90), Generators::elements(0.01, 0.1, 1.0), Generators::choose(1, 400),
        )->then(static function (int $rate, float $division, int $grams): void {
            $expected = new Expected(20.0, 20.0 + $grams, (float) $grams, Grams::of($division));
            $watch = ScaleWatch::over($expected);
            for ($shown = 20.0, $at = 0.0; $shown < 20.0 + $grams; $shown += $rate * self::A_LOOK, $at += self::A_LOOK) {
                $watch = $watch->sees($expected, new Seen(round($shown / $division) * $division, false, $at));
            }
            self::assertNull($watch->sees($expected, new Seen(20.0 + $grams, true, $at))->trouble, "{$rate} g/s");
        });
    }

    public function test_no_loss_larger_than_the_scale_can_tell_goes_unseen(): void
    {
        $this->limitTo(200)->forAll(
            Generators::elements(0.01, 0.1, 1.0), Generators::choose(3, 4000),
        )->then(static function (float $division, int $steps): void {
            $expected = new Expected(500.0, 600.0, 100.0, Grams::of($division));
            $watch = ScaleWatch::over($expected)->sees($expected, new Seen(500.0, true, 0.0))->sees(
                $expected, new Seen(500.0 - $steps * $division, true, 1.0),
            );
            self::assertSame(Trouble::Fell, $watch->trouble, "{$steps} steps of {$division} g");
        });
    }

    public function test_a_computer_in_a_hurry_is_no_hand_that_jumps(): void
    {
        // 104 g came in over 1.3 s at 80 g/s; the first look was answered late, so that the answers lie only 0.8 s apart.
        $expected = self::expected();
        $first = static fn (float $took): ScaleWatch => ScaleWatch::over($expected)->sees(
            $expected, new Seen(34.5, false, 100.5, took: $took),
        );
        $second = new Seen(138.5, false, 101.3, took: 0.0);

        self::assertNull(ScaleWatch::from(Fields::of($first(0.5)->toArray()))->sees($expected, $second)->trouble);
        self::assertSame(
            Trouble::Jumped, $first(0.0)->sees($expected, $second)->trouble, 'where both were answered at once, nobody pours so fast',
        );
    }

    /**
     * @return iterable<string, array{list<array{0: float|null, 1: bool, 2?: float}>, float}> looks, and grams of the line that had gone in
     */
    public static function halfWay(): iterable
    {
        yield 'at rest, then set to zero' => [[[34.5, true], [54.5, true], [0.0, true]], 20.0];
        yield 'set to zero before it came to rest' => [[[34.5, true], [44.0, false], [54.4, false], [0.0, true]], 19.9];
        yield 'and something goes in after that' => [[[34.5, true], [54.5, true], [0.0, true], [12.0, false], [12.0, true]], 20.0];
        yield 'something set down beside it while it ran in' => [[[34.5, true], [44.0, false], [244.0, false], [244.0, true]], 9.5];
        yield 'nothing of it yet' => [[[34.5, true], [0.0, true]], 0.0];
    }

    /** @param  list<array{0: float|null, 1: bool, 2?: float}>  $looks */
    #[DataProvider('halfWay')]
    public function test_what_went_in_of_a_line_before_there_was_trouble_is_not_forgotten(array $looks, float $inLine): void
    {
        $watch = self::after($looks);

        self::assertNotNull($watch->trouble);
        self::assertEqualsWithDelta($inLine, $watch->inLine(), 1e-9);
    }

    public function test_a_stream_that_stops_lets_the_display_settle_without_a_word(): void
    {
        self::assertNull(self::after([[34.5, true], [60.0, false], [72.0, false], [66.0, false], [65.8, true]])->trouble);
    }
}
