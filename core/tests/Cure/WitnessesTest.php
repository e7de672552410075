<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Cure;

use Apalos\Core\Cure\Clock;
use Apalos\Core\Cure\CureModel;
use Apalos\Core\Cure\CureRequest;
use Apalos\Core\Cure\CureResult;
use Apalos\Core\Cure\CureSheet;
use Apalos\Core\Cure\Milestone;
use Apalos\Core\Cure\Observation;
use Apalos\Core\Cure\Watched;
use Apalos\Core\Cure\Witnesses;
use Apalos\Core\Input\Fields;
use Apalos\Core\Units\Celsius;
use Apalos\Core\Units\Minutes;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** One tap is one witness. */
final class WitnessesTest extends TestCase
{
    private const SHEET = [
        'pot_life_min' => 20, 'recoat_open_min' => 40, 'recoat_close_min' => 110, 'demould_min' => 300, 'ref_c' => 23, 'q10' => 2,
    ];

    /** @param  list<array<string, mixed>>  $logs */
    private static function read(float $room, array $logs): CureResult
    {
        return (new Clock)->read(CureRequest::from(Fields::of(['base' => self::SHEET, 'room_c' => $room, 'logs' => $logs])));
    }

    /**
     * @param  list<array{float, string, float}>  $logs
     * @return list<array<string, mixed>>
     */
    private static function logs(array $logs): array
    {
        return array_map(
            static fn (array $log): array => [
                'room_c' => $log[0], 'kind' => $log[1], 'minutes' => $log[2], ...($log[3] ?? false ? ['sure' => true] : []),
            ],
            $logs,
        );
    }

    /** @return iterable<string, array{list<array{0: float, 1: string, 2: float, 3?: bool}>, list<int>}> */
    public static function tellings(): iterable
    {
        yield 'a tap after two minutes' => [[[23, 'gel', 19], [20, 'gel', 25], [23, 'gel', 2]], [2]];
        yield 'the same first' => [[[23, 'gel', 2], [23, 'gel', 19], [20, 'gel', 25]], [0]];
        yield 'a tap after two minutes and nothing else' => [[[23, 'gel', 2]], [0]];
        yield 'two that agree against the sheet bear each other out' => [[[23, 'gel', 46], [23, 'gel', 44]], []];
        yield 'alone, either of them is too far' => [[[23, 'gel', 46]], [0]];
        yield 'two slips that do not agree' => [[[23, 'gel', 2], [23, 'gel', 21], [23, 'gel', 20], [23, 'demould', 3000]], [0, 3]];
        yield 'a demould of the next morning' => [[[23, 'demould', 290], [23, 'demould', 960]], [1]];
        yield 'asked, and confirmed' => [[[23, 'gel', 2, true]], []];
        yield 'a finger after seconds' => [[[23, 'tacky', 0.2]], [0]];
        yield 'a finger within its time' => [[[23, 'comes_off', 30], [23, 'tacky', 50], [23, 'dry', 160]], []];
        yield 'dry before it can be open' => [[[23, 'dry', 20]], [0]];
        yield 'tacky when it has long shut' => [[[23, 'tacky', 400]], [0]];
        yield 'a finger that is sure' => [[[23, 'tacky', 400, true]], []];
    }

    /**
     * @param  list<array{0: float, 1: string, 2: float, 3?: bool}>  $logs
     * @param  list<int>  $doubted
     */
    #[DataProvider('tellings')]
    public function test_what_is_far_from_all_the_rest_is_left_out_and_said(array $logs, array $doubted): void
    {
        $cure = self::read(23, self::logs($logs));

        self::assertSame($doubted, $cure->doubted);
        self::assertSame(count($logs) - count($doubted), $cure->restsOn);
        self::assertCount(count($doubted), array_filter($cure->warnings, static fn ($warning): bool => $warning->code === 'doubted'));
    }

    public function test_what_is_left_out_moves_nothing(): void
    {
        $without = self::read(21, self::logs([[23, 'gel', 19], [20, 'gel', 25]]));
        $with = self::read(21, self::logs([[23, 'gel', 2], [23, 'gel', 19], [20, 'gel', 25], [23, 'tacky', 0.1]]));

        self::assertSame([0, 3], $with->doubted);
        self::assertEqualsWithDelta($without->offset, $with->offset, 1e-12);
        self::assertEqualsWithDelta($without->bands, $with->bands, 1e-12);
    }

    /** The closed form of "all the others" against learning from the others alone. */
    public function test_far_from_the_others_is_far_from_a_clock_that_never_heard_of_it(): void
    {
        mt_srand(11);
        $sheet = CureSheet::from(Fields::of(self::SHEET));
        for ($round = 0; $round < 40; $round++) {
            $seen = [];
            for ($n = mt_rand(1, 9), $i = 0; $i < $n; $i++) {
                $gel = mt_rand(0, 1) === 1;
                $seen[] = new Observation(
                    Celsius::of(mt_rand(120, 310) / 10.0), $gel ? Watched::Gel : Watched::Demould,
                    Minutes::of(($gel ? 20.0 : 300.0) * exp(mt_rand(-900, 900) / 1000.0)),
                );
            }
            $all = CureModel::believing($sheet, $seen);
            foreach ($seen as $i => $one) {
                $others = CureModel::believing(
                    $sheet, array_values(array_filter($seen, static fn (int $j): bool => $j !== $i, ARRAY_FILTER_USE_KEY)),
                );
                self::assertEqualsWithDelta($others->far($one), $all->farFromTheOthers($one), 1e-9);
            }
        }
    }

    /** A word of a finger, by counting among a hundred thousand clocks drawn from the belief instead of by the normal distribution. */
    public function test_the_chance_of_a_word_is_that_of_clocks_drawn(): void
    {
        mt_srand(5);
        $normal = static fn (): float => sqrt(
            -2.0 * log((mt_rand() + 1) / (mt_getrandmax() + 2)),
        ) * cos(2.0 * M_PI * mt_rand() / mt_getrandmax());
        $model = CureModel::believing(CureSheet::from(Fields::of(self::SHEET)), []);
        foreach ([[Watched::ComesOff, 45.0, 17.0], [Watched::Tacky, 45.0, 20.0], [Watched::Dry, 100.0, 23.0]] as [$kind, $after, $room]) {
            $so = 0;
            for ($i = 0; $i < 100_000; $i++) {
                $times = exp(0.18 * $normal() + (log(2.0) + 0.22 * $normal()) * (23.0 - $room) / 10.0);
                $opens = 40.0 * $times * exp(0.10 * $normal());
                $shuts = 110.0 * $times * exp(0.10 * $normal());
                $so += (int) match ($kind) {
                    Watched::ComesOff => $after < $opens,
                    Watched::Tacky => $after >= $opens && $after < $shuts,
                    default => $after >= $shuts,
                };
            }
            self::assertEqualsWithDelta(
                $so / 100_000, $model->chance(new Observation(Celsius::of($room), $kind, Minutes::of($after))), 0.01, $kind->value,
            );
        }
    }

    /**
     * Shops made up as the model supposes them, where every tenth tap is a slip: the band of 80 % holds what comes next in 70–90 % of them.
     */
    public function test_bands_hold_in_shops_with_one_wild_tap_in_ten(): void
    {
        mt_srand(2026);
        $normal = static fn (): float => sqrt(
            -2.0 * log((mt_rand() + 1) / (mt_getrandmax() + 2)),
        ) * cos(2.0 * M_PI * mt_rand() / mt_getrandmax());
        $sheet = CureSheet::from(Fields::of(self::SHEET));
        foreach ([3, 10, 40] as $many) {
            $held = 0;
            for ($shop = 0; $shop < 600; $shop++) {
                [$offset, $lnQ10] = [0.18 * $normal(), log(2.0) + 0.22 * $normal()];
                $took = static fn (float $sheetTime, float $room): float => $sheetTime * exp(
                    $offset + $lnQ10 * (23.0 - $room) / 10.0 + 0.10 * $normal(),
                );
                $seen = [];
                for ($i = 0; $i < $many; $i++) {
                    $room = mt_rand(160, 270) / 10.0;
                    // A slip is a tap at any time of the day: seconds after it met, or when somebody remembers.
                    $seen[] = new Observation(
                        Celsius::of($room), Watched::Gel,
                        Minutes::of(mt_rand(1, 10) === 1 ? exp(mt_rand(-2000, 6000) / 1000.0) : $took(20.0, $room)),
                    );
                }
                $room = mt_rand(160, 270) / 10.0;
                $band = Witnesses::heard($sheet, $seen)->model->band(Milestone::PotLife, Celsius::of($room), null);
                $next = $took(20.0, $room);
                $held += (int) ($band !== null && $next >= $band->low->min && $next <= $band->high->min);
            }
            self::assertGreaterThan(0.70, $held / 600, "after {$many} taps");
            self::assertLessThan(0.90, $held / 600, "after {$many} taps");
        }
    }

    public function test_a_clock_is_read_as_it_was_written_down_however_little_a_touch_moved_it(): void
    {
        mt_srand(8);
        $sheet = CureSheet::from(Fields::of(self::SHEET));
        for ($round = 0; $round < 4_000; $round++) {
            $seen = [];
            for ($k = mt_rand(1, 3); $k > 0; $k--) {
                $seen[] = new Observation(
                    Celsius::of(21), [Watched::ComesOff, Watched::Tacky, Watched::Dry][mt_rand(0, 2)],
                    Minutes::of(exp(mt_rand(-6000, 7000) / 1000.0)), mt_rand(0, 1) === 1,
                );
            }
            $model = Witnesses::heard($sheet, $seen)->model;
            $read = CureModel::from(Fields::of((array) json_decode(json_encode($model->toArray(), JSON_THROW_ON_ERROR), true)));
            self::assertEqualsWithDelta(
                $model->band(Milestone::RecoatOpen, Celsius::of(18), null), $read->band(Milestone::RecoatOpen, Celsius::of(18), null), 1e-3,
            );
        }
    }

    public function test_five_hundred_wild_taps_are_weighed_at_once(): void
    {
        $logs = [];
        for ($i = 0; $i < 500; $i++) {
            $logs[] = ['room_c' => 12 + $i % 20, 'kind' => $i % 2 === 0 ? 'gel' : 'demould', 'minutes' => 0.001 * 1.03 ** $i];
        }
        $began = getrusage();
        $cure = self::read(21, $logs);
        $ended = getrusage();

        self::assertNotSame([], $cure->doubted);
        $seconds = static fn (array|false $use): float => $use === false ? 0.0 : $use['ru_utime.tv_sec'] + $use['ru_utime.tv_usec'] / 1e6;
        self::assertLessThan(2.0, $seconds($ended) - $seconds($began));
    }
}
