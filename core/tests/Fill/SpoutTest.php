<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Fill;

use Apalos\Core\Fill\Spout;
use Apalos\Core\Fill\SpoutRequest;
use Apalos\Core\Fill\SpoutResult;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Tests\Words;
use PHPUnit\Framework\TestCase;

final class SpoutTest extends TestCase
{
    private const GASKET = [
        'volume_ml' => 140, 'sg' => 1.05, 'viscosity_pas' => 0.12, 'pot_life_min' => 3, 'start_min' => 0.75, 'diameter_mm' => 4,
        'length_mm' => 20, 'head_mm' => 15, 'within_share' => 0.25,
    ];

    /** @param  array<string, mixed>  $with */
    private static function filled(array $with = []): SpoutResult
    {
        return (new Spout(SpoutRequest::from(Fields::of([...self::GASKET, ...$with]))))->fill();
    }

    public function test_a_fast_resin_sets_in_a_narrow_spout(): void
    {
        $narrow = self::filled();
        self::assertNull($narrow->fillMin);
        self::assertEqualsWithDelta(34.0, $narrow->filledMl, 0.1);
        self::assertEqualsWithDelta(6.70, $narrow->leastDiameter ?? 0.0, 0.005);
        self::assertSame(
            'Through 4 mm it sets before it is full: 34 ml of 140 ml get in. 6.7 mm serves.', Words::of($narrow->warnings[0]->message),
        );

        $wide = self::filled(['diameter_mm' => 9]);
        self::assertEqualsWithDelta(0.200, $wide->fillMin ?? 0.0, 0.0005);
        self::assertSame([], $wide->warnings);
    }

    /** By another route: seconds counted one by one with Euler's rule, another mix and spout. */
    public function test_the_time_agrees_with_counting_seconds(): void
    {
        [$d, $length, $head, $eta, $pot, $rho] = [0.007, 0.035, 0.05, 2.4, 11.0, 1120.0];
        [$ml, $t] = [0.0, 120.0];
        while ($ml < 60.0) {
            $viscosity = $eta * 10 ** ($t / 60.0 / $pot);
            $drives = $rho * 9.80665 * ($length + $head);
            $laminar = 32.0 * $viscosity * $length / $d ** 2;
            $v = (-$laminar + sqrt($laminar ** 2 + 3.0 * $rho * $drives)) / (1.5 * $rho);
            $ml += 0.01 * $v * M_PI / 4.0 * $d ** 2 * 1e6;
            $t += 0.01;
        }
        $filled = self::filled([
            'volume_ml' => 60, 'sg' => 1.12, 'viscosity_pas' => 2.4, 'pot_life_min' => 11, 'start_min' => 2, 'diameter_mm' => 7,
            'length_mm' => 35, 'head_mm' => 50,
        ]);

        self::assertEqualsWithDelta(($t - 120.0) / 60.0, $filled->fillMin ?? 0.0, 0.002);
    }

    public function test_the_least_spout_just_serves_and_wider_is_never_slower(): void
    {
        $least = self::filled()->leastDiameter ?? 0.0;
        self::assertEqualsWithDelta(0.25 * 3.0, self::filled(['diameter_mm' => $least])->fillMin ?? 0.0, 0.002);
        $before = INF;
        foreach ([6.0, 7.0, 8.0, 10.0, 14.0, 20.0] as $diameter) {
            $minutes = self::filled(['diameter_mm' => $diameter])->fillMin ?? INF;
            self::assertLessThan($before, $minutes);
            $before = $minutes;
        }
    }

    public function test_a_thin_vent_is_said_and_what_no_spout_does(): void
    {
        self::assertSame(['thin_vent'], array_column(self::filled(['diameter_mm' => 12, 'vent_mm' => 0.8])->warnings, 'code'));
        // By hand: 12.5 Pa·s is half way from 5 to 20, so 2.25 mm.
        self::assertSame(
            ['thin_vent'],
            array_values(
                array_intersect(
                    ['thin_vent'],
                    array_column(self::filled(['diameter_mm' => 30, 'vent_mm' => 2.2, 'viscosity_pas' => 12.5])->warnings, 'code'),
                ),
            ),
        );
        self::assertNotContains(
            'thin_vent', array_column(self::filled(['diameter_mm' => 30, 'vent_mm' => 2.3, 'viscosity_pas' => 12.5])->warnings, 'code'),
        );
        $never = self::filled(['volume_ml' => 900_000, 'viscosity_pas' => 9000, 'length_mm' => 900]);
        self::assertNull($never->leastDiameter);
        self::assertStringStartsWith('No sprue fills', Words::of($never->warnings[0]->message));
    }

    public function test_a_pour_that_begins_when_it_has_set_is_refused(): void
    {
        $this->expectException(BadInput::class);
        self::filled(['start_min' => 3]);
    }
}
