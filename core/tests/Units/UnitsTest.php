<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Units;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Tests\Words;
use Apalos\Core\Units\Celsius;
use Apalos\Core\Units\Density;
use Apalos\Core\Units\Grams;
use Apalos\Core\Units\Millilitres;
use Apalos\Core\Units\Minutes;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class UnitsTest extends TestCase
{
    public function test_mass_and_volume_meet_in_the_density(): void
    {
        // 100 g of 1.25 and 50 g of 0.8 are 80 ml and 62.5 ml.
        self::assertEqualsWithDelta(
            150.0 / 142.5, Density::together([[100.0, Density::of(1.25)], [50.0, Density::of(0.8)]])->gPerMl, 1e-12,
        );
        self::assertEqualsWithDelta(1.1, Density::together([[3.0, Density::of(1.1)], [0.0, Density::of(9.0)]])->gPerMl, 1e-12);
        $density = Density::of(1.25);

        self::assertEqualsWithDelta(125.0, Millilitres::of(100.0)->massAt($density)->g, 1e-12);
        self::assertEqualsWithDelta(100.0, Grams::of(125.0)->volumeAt($density)->ml, 1e-12);
    }

    public function test_boxes_and_tubes_in_millimetres_are_millilitres(): void
    {
        self::assertEqualsWithDelta(16.387064, Millilitres::ofBox(25.4, 25.4, 25.4)->ml, 1e-9);
        self::assertEqualsWithDelta(78.5398163, Millilitres::ofCylinder(50.0, 40.0)->ml, 1e-6);
    }

    /** @return iterable<string, array{float, float, float}> */
    public static function displays(): iterable
    {
        yield 'up' => [109.5406, 0.1, 109.5];
        yield 'half a step goes up' => [0.25, 0.1, 0.3];
        yield 'whole grams' => [12.4, 1.0, 12.0];
        yield 'steps of two' => [13.2, 2.0, 14.0];
        yield 'steps of five hundredths' => [1.237, 0.05, 1.25];
        yield 'less than half a step is nothing' => [0.04, 0.1, 0.0];
    }

    #[DataProvider('displays')]
    public function test_a_scale_shows_whole_steps(float $grams, float $division, float $shown): void
    {
        self::assertEqualsWithDelta($shown, Grams::of($grams)->toDivision(Grams::of($division))->g, 1e-9);
    }

    public function test_what_cannot_be_is_refused(): void
    {
        foreach ([
            static fn (): Grams => Grams::of(-0.1), static fn (): Grams => Grams::of(NAN),
            static fn (): Millilitres => Millilitres::of(-1.0), static fn (): Minutes => Minutes::of(INF),
            static fn (): Density => Density::of(0.0), static fn (): Celsius => Celsius::of(-1.0),
            static fn (): Celsius => Celsius::of(61.0),
        ] as $make) {
            try {
                $make();
                self::fail('A quantity that cannot be came to be.');
            } catch (BadInput $wrong) {
                self::assertStringEndsWith('.', Words::of($wrong));
            }
        }
    }

    public function test_values_do_not_change(): void
    {
        $grams = Grams::of(10.0);
        $more = $grams->plus(Grams::of(5.0))->times(2.0);

        self::assertSame([10.0, 30.0], [$grams->g, $more->g]);
        self::assertEqualsWithDelta(-0.5, Celsius::of(18.0)->tensAbove(Celsius::of(23.0)), 1e-12);
    }
}
