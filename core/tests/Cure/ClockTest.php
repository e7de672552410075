<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Cure;

use Apalos\Core\Cure\Clock;
use Apalos\Core\Cure\CureModel;
use Apalos\Core\Cure\CureRequest;
use Apalos\Core\Cure\CureResult;
use Apalos\Core\Cure\Milestone;
use Apalos\Core\Cure\RoomHistory;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Units\Celsius;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class ClockTest extends TestCase
{
    private const SHEET = ['pot_life_min' => 22, 'demould_min' => 240, 'ref_c' => 23, 'q10' => 2];

    /**
     * @param  array<string, mixed>  $base
     * @param  list<array{room_c: float|int, kind: string, minutes: float|int}>  $logs
     */
    private static function read(float $room, array $logs = [], array $base = self::SHEET, ?float $mass = null): CureResult
    {
        return (new Clock)->read(CureRequest::from(Fields::of(['base' => $base, 'room_c' => $room, 'mass_g' => $mass, 'logs' => $logs])));
    }

    /**
     * Bands found by summing the posterior over a fine grid instead of solving it.
     *
     * @return iterable<string, array{float, list<array{room_c: int, kind: string, minutes: int}>, array{float, float, float}, float}>
     */
    public static function rooms(): iterable
    {
        yield 'the sheet alone, five degrees cooler' => [18, [], [23.0677, 31.1127, 41.9634], 2.0];
        yield 'one gel watched in the same room' => [
            18, [['room_c' => 18, 'kind' => 'gel', 'minutes' => 28]], [24.0184, 28.5468, 33.9290], 1.9085,
        ];
        yield 'three observations, a warmer day' => [
            28,
            [
                ['room_c' => 18, 'kind' => 'gel', 'minutes' => 34], ['room_c' => 20, 'kind' => 'gel', 'minutes' => 29],
                ['room_c' => 26, 'kind' => 'demould', 'minutes' => 170],
            ],
            [11.5573, 13.8898, 16.6932], 2.4026,
        ];
    }

    /**
     * @param  list<array{room_c: int, kind: string, minutes: int}>  $logs
     * @param  array{float, float, float}  $band
     */
    #[DataProvider('rooms')]
    public function test_pot_life_with_its_band(float $room, array $logs, array $band, float $q10): void
    {
        $cure = self::read($room, $logs);
        $pot = $cure->band(Milestone::PotLife);

        self::assertNotNull($pot);
        self::assertEqualsWithDelta($band[0], $pot->low->min, 0.001);
        self::assertEqualsWithDelta($band[1], $pot->likely->min, 0.001);
        self::assertEqualsWithDelta($band[2], $pot->high->min, 0.001);
        self::assertEqualsWithDelta($q10, $cure->q10, 0.0005);
        self::assertSame(count($logs), $cure->restsOn);
    }

    public function test_at_the_temperature_of_the_sheet_the_likely_times_are_the_sheets(): void
    {
        self::assertEqualsWithDelta(22.0, self::read(23)->band(Milestone::PotLife)?->likely->min, 1e-9);
        self::assertEqualsWithDelta(240.0, self::read(23)->band(Milestone::Demould)?->likely->min, 1e-9);
    }

    public function test_what_the_sheet_does_not_give_stays_absent(): void
    {
        $said = self::read(20)->toArray();

        self::assertArrayNotHasKey('recoat_open_min', $said);
        self::assertArrayNotHasKey('service_min', $said);
    }

    public function test_a_silent_sheet_is_taken_to_halve_in_ten_degrees(): void
    {
        self::assertEqualsWithDelta(2.0, self::read(13, base: ['pot_life_min' => 20, 'ref_c' => 23])->factor, 1e-9);
    }

    public function test_ten_times_the_mass_of_a_resin_sets_sooner(): void
    {
        $resin = ['pot_life_min' => 3, 'demould_min' => 15, 'ref_c' => 23, 'q10' => 1.8, 'alpha' => 0.3];

        self::assertEqualsWithDelta(3.0 * 10 ** -0.3, self::read(23, [], $resin, 1000)->band(Milestone::PotLife)?->likely->min, 1e-9);
        self::assertSame('exotherm', self::read(23, [], $resin, 1000)->warnings[0]->code);
    }

    public function test_more_watching_makes_the_band_narrower_and_never_wider(): void
    {
        $width = static fn (int $n): float => (static fn ($band): float => $band->high->min / $band->low->min)(
            self::read(19, array_fill(0, $n, ['room_c' => 19, 'kind' => 'gel', 'minutes' => 29]))->band(Milestone::PotLife),
        );

        self::assertGreaterThan($width(1), $width(0));
        self::assertGreaterThan($width(8), $width(1));
    }

    public function test_a_shop_far_from_the_sheet_is_told(): void
    {
        $codes = array_map(
            static fn ($w): string => $w->code,
            self::read(21, array_fill(0, 6, ['room_c' => 21, 'kind' => 'gel', 'minutes' => 60]))->warnings,
        );

        self::assertContains('far_from_sheet', $codes);
    }

    public function test_an_observation_the_sheet_has_nothing_for_is_refused(): void
    {
        $this->expectException(BadInput::class);
        self::read(20, [['room_c' => 20, 'kind' => 'demould', 'minutes' => 100]], ['pot_life_min' => 20, 'ref_c' => 23]);
    }

    public function test_in_a_room_that_changes_each_stretch_uses_up_its_share(): void
    {
        $model = CureModel::learnt(CureRequest::from(Fields::of(['base' => self::SHEET, 'room_c' => 23]))->sheet, []);
        $history = new RoomHistory([['from_min' => 0.0, 'room' => Celsius::of(13)], ['from_min' => 120.0, 'room' => Celsius::of(23)]]);

        // 13 °C doubles 240 to 480 min: 120 of them are a quarter; the other three quarters take 180 at 23 °C.
        self::assertEqualsWithDelta(300.0, $history->reaches(Milestone::Demould, $model)?->likely->min, 1e-9);
        // Its 44 min of pot life are over long before the room warms up.
        self::assertEqualsWithDelta(44.0, $history->reaches(Milestone::PotLife, $model)?->likely->min, 1e-9);
    }

    public function test_splitting_a_stretch_in_two_at_one_temperature_changes_nothing(): void
    {
        $model = CureModel::learnt(CureRequest::from(Fields::of(['base' => self::SHEET, 'room_c' => 23]))->sheet, []);
        $whole = new RoomHistory([['from_min' => 0.0, 'room' => Celsius::of(19)]]);
        $split = new RoomHistory([['from_min' => 0.0, 'room' => Celsius::of(19)], ['from_min' => 61.3, 'room' => Celsius::of(19)]]);

        self::assertEqualsWithDelta(
            $whole->reaches(Milestone::Demould, $model)?->high->min, $split->reaches(Milestone::Demould, $model)?->high->min, 1e-9,
        );
    }
}
