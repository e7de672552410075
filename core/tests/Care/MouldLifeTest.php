<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Care;

use Apalos\Core\Care\Condition;
use Apalos\Core\Care\LifeResult;
use Apalos\Core\Care\MouldLife;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class MouldLifeTest extends TestCase
{
    /** @param  array<string, mixed>  $with */
    private static function asked(array $with = []): LifeResult
    {
        return (new MouldLife)->ask(Fields::of([
            'pairing' => ['median' => 60, 'spread' => 0.45], 'others' => [], 'casts' => 0, 'condition' => null, 'ahead' => null, ...$with,
        ]));
    }

    public function test_the_two_moulds_of_the_bench_note(): void
    {
        $known = self::asked([
            'others' => [['casts' => 52, 'ended' => true], ['casts' => 37, 'ended' => true], ['casts' => 44, 'ended' => false]],
            'casts' => 18, 'condition' => 'gloss_gone', 'ahead' => 12,
        ]);
        self::assertSame([10, 24, 39, 3], [$known->low, $known->likely, $known->high, $known->restsOn]);
        self::assertEqualsWithDelta(0.853, $known->chance ?? 0.0, 0.0005);

        $new = self::asked(['ahead' => 40]);
        self::assertSame([23, 60, 157], [$new->low, $new->likely, $new->high]);
        self::assertEqualsWithDelta(0.711, $new->chance ?? 0.0, 0.0005);
        self::assertSame(['rests_on_usual'], array_column($new->warnings, 'code'));
    }

    public function test_a_worse_look_and_more_casts_leave_fewer_and_moulds_that_lasted_leave_more(): void
    {
        $before = PHP_INT_MAX;
        foreach (Condition::cases() as $condition) {
            $left = self::asked(['casts' => 30, 'condition' => $condition->value])->likely;
            self::assertLessThanOrEqual($before, $left);
            $before = $left;
        }
        self::assertGreaterThan(
            self::asked(['casts' => 20])->likely,
            self::asked(['casts' => 20, 'others' => [['casts' => 150, 'ended' => false], ['casts' => 170, 'ended' => true]]])->likely,
        );
        self::assertLessThan(
            self::asked(['casts' => 20])->likely,
            self::asked(['casts' => 20, 'others' => [['casts' => 25, 'ended' => true], ['casts' => 22, 'ended' => true]]])->likely,
        );
    }

    /** Moulds made up by the very rule: of many, the band from low to high holds about four in five. */
    #[DataProvider('shops')]
    public function test_the_band_holds_about_four_moulds_in_five(int $seed, int $casts): void
    {
        $random = new \Random\Randomizer(new \Random\Engine\Mt19937($seed));
        $normal = static fn (): float => sqrt(
            -2.0 * log(($random->getInt(1, 1_000_000)) / 1_000_001),
        ) * cos(2.0 * M_PI * $random->getInt(0, 999_999) / 1e6);
        $held = $all = 0;
        for ($i = 0; $i < 1500; $i++) {
            $mean = log(60) + 0.6 * $normal();
            $life = static fn (): int => max(1, (int) round(exp($mean + 0.45 * $normal())));
            $others = array_map(static fn (): array => ['casts' => $life(), 'ended' => true], range(1, 4));
            $own = $life();
            if ($own <= $casts) {
                continue;
            }
            $told = self::asked(['others' => $others, 'casts' => $casts]);
            $all++;
            $held += $own - $casts >= $told->low && $own - $casts <= $told->high ? 1 : 0;
        }
        self::assertGreaterThan(0.75, $held / $all);
        self::assertLessThan(0.85, $held / $all);
    }

    /** @return iterable<array{int, int}> */
    public static function shops(): iterable
    {
        yield [4, 0];
        yield [9, 15];
    }

    /** A shop of which half the other moulds still live, and which looks at its moulds: it sees one of the looks that fit what is spent. */
    public function test_the_band_holds_as_well_with_moulds_that_live_and_with_how_they_look(): void
    {
        $random = new \Random\Randomizer(new \Random\Engine\Mt19937(31));
        $normal = static fn (): float => sqrt(
            -2.0 * log(($random->getInt(1, 1_000_000)) / 1_000_001),
        ) * cos(2.0 * M_PI * $random->getInt(0, 999_999) / 1e6);
        $held = $all = 0;
        for ($i = 0; $i < 1500; $i++) {
            $mean = log(60) + 0.6 * $normal();
            $life = static fn (): int => max(2, (int) round(exp($mean + 0.45 * $normal())));
            $others = array_map(
                static fn (int $n): array => $n % 2 === 0
                    ? ['casts' => $life(), 'ended' => true]
                    : ['casts' => $random->getInt(1, $life() - 1), 'ended' => false],
                range(1, 4),
            );
            $own = $life();
            $casts = $random->getInt(1, $own - 1);
            $fits = array_values(
                array_filter(
                    Condition::cases(),
                    static fn (Condition $one): bool => $casts / $own >= $one->spent()[0] && $casts / $own <= $one->spent()[1],
                ),
            );
            $told = self::asked([
                'others' => $others, 'casts' => $casts, 'condition' => $fits[$random->getInt(0, count($fits) - 1)]->value,
            ]);
            $all++;
            $held += $own - $casts >= $told->low && $own - $casts <= $told->high ? 1 : 0;
        }
        self::assertGreaterThan(0.75, $held / $all);
        self::assertLessThan(0.85, $held / $all);
    }

    /**
     * Cracked and never used it is not full; with more casts behind it, it never has more left; and where the count fits the look, the
     * count stands.
     */
    public function test_a_look_outranks_the_count(): void
    {
        $left = static fn (int $casts, ?string $look): LifeResult => (new MouldLife)->ask(Fields::of([
            'pairing' => ['median' => 60], 'others' => [], 'casts' => $casts, ...($look === null ? [] : ['condition' => $look]),
        ]));
        foreach ([0, 1, 3, 10] as $casts) {
            $cracked = $left($casts, 'cracked');
            self::assertLessThanOrEqual(6, $cracked->likely, "Cracked after {$casts} casts.");
            self::assertContains('look_outranks', array_column($cracked->warnings, 'code'));
            self::assertLessThan($left($casts, null)->likely, $left($casts, 'pits')->likely);
        }
        // Half spent by its look, of a life of sixty: a little less than half is left.
        self::assertEqualsWithDelta(27, $left(0, 'gloss_gone')->likely, 8);
        self::assertSame([], $left(30, 'gloss_gone')->warnings, 'Half of sixty: look and count agree.');
        self::assertSame($left(0, null)->likely, $left(0, 'fresh')->likely, 'New and as it came out.');
    }

    public function test_half_a_cast_and_a_look_nobody_knows_are_refused(): void
    {
        foreach ([
            ['casts' => 2.5], ['ahead' => 1.5], ['condition' => 'tired'], ['others' => [['casts' => -3, 'ended' => true]]],
            ['pairing' => ['median' => 0]],
        ] as $with) {
            try {
                self::asked($with);
                self::fail('It was answered.');
            } catch (BadInput $wrong) {
                self::assertNotSame('', $wrong->field);
            }
        }
    }
}
