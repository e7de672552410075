<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Tint;

use Apalos\Core\Tint\Colourant;
use Apalos\Core\Tint\Difference;
use Apalos\Core\Tint\Lab;
use Apalos\Core\Tint\Mixture;
use Apalos\Core\Tint\Observer;
use Apalos\Core\Tint\Spectrum;
use Apalos\Core\Tint\Srgb;
use Apalos\Core\Tint\Translucency;
use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\TestCase;

/** What holds for every colour, every pigment and every thickness. */
final class TintInvariantsTest extends TestCase
{
    use TestTrait;

    /** Colours that rubber can have: none so dark and so strong that no reflectance makes them. */
    private function everyColour(callable $holds): void
    {
        $this->forAll(
            Generators::tuple(Generators::choose(32, 75), Generators::choose(-20, 20), Generators::choose(-20, 20)),
        )->then(fn (array $n) => $holds(Lab::of((float) $n[0], (float) $n[1], (float) $n[2])));
    }

    private function everyPigment(callable $holds): void
    {
        $this->forAll(
            Generators::tuple(
                Generators::choose(400, 680), Generators::choose(30, 120), Generators::choose(2, 60), Generators::choose(2, 30),
                Generators::choose(5, 150), Generators::choose(5, 80),
            ),
        )
            ->then(
                fn (array $n) => $holds(Palette::pigment('some', $n[0], $n[1], $n[2] / 10.0, $n[3] / 10.0), $n[4] / 100.0, $n[5] / 10.0),
            );
    }

    private static function over(Colourant $pigment, float $load, float $mm, float $l): Lab
    {
        return (new Mixture(Palette::base(), $mm, Spectrum::of(Lab::of($l, 0.0, 0.0))))->lab([$pigment], [$load]);
    }

    public function test_a_difference_is_the_same_both_ways_and_nothing_from_itself(): void
    {
        $this->everyColour(function (Lab $lab): void {
            $other = Lab::of(50.0, 10.0, -5.0);

            self::assertEqualsWithDelta(Difference::between($lab, $other), Difference::between($other, $lab), 1e-9);
            self::assertEqualsWithDelta(0.0, Difference::between($lab, $lab), 1e-9);
        });
    }

    public function test_a_spectrum_made_for_a_colour_has_that_colour_and_stays_a_reflectance(): void
    {
        $this->everyColour(function (Lab $lab): void {
            $spectrum = Spectrum::of($lab);

            self::assertEqualsWithDelta($lab->toArray(), Observer::lab($spectrum)->toArray(), 0.01);
            self::assertTrue(min($spectrum) > 0.0 && max($spectrum) < 1.0);
        });
    }

    public function test_light_and_lab_and_hex_go_both_ways(): void
    {
        $this->everyColour(function (Lab $lab): void {
            self::assertEqualsWithDelta($lab->toArray(), Lab::ofLinear($lab->linear())->toArray(), 0.05);
        });
        $this->forAll(
            Generators::tuple(Generators::choose(0, 255), Generators::choose(0, 255), Generators::choose(0, 255)),
        )->then(function (array $rgb): void {
            $hex = vsprintf('#%02x%02x%02x', $rgb);
            self::assertSame($hex, Srgb::hex(Srgb::ofHex($hex)));
        });
    }

    public function test_over_light_a_layer_is_never_darker_than_over_dark(): void
    {
        $this->everyPigment(function (Colourant $pigment, float $load, float $mm): void {
            self::assertGreaterThanOrEqual(self::over($pigment, $load, $mm, 12.0)->l - 1e-6, self::over($pigment, $load, $mm, 95.0)->l);
        });
    }

    public function test_thicker_and_fuller_layers_hide_more(): void
    {
        $this->everyPigment(function (Colourant $pigment, float $load, float $mm): void {
            $ratio = static fn (float $of, float $thick): float => Translucency::of(
                self::over($pigment, $of, $thick, 95.0), self::over($pigment, $of, $thick, 12.0),
            )->contrastRatio;

            self::assertGreaterThanOrEqual($ratio($load, $mm) - 1e-9, $ratio($load, 1.5 * $mm));
            self::assertGreaterThanOrEqual($ratio($load, $mm) - 0.02, $ratio(1.5 * $load, $mm));
        });
    }

    public function test_none_of_a_pigment_is_the_bare_base(): void
    {
        $this->everyPigment(function (Colourant $pigment, float $load, float $mm): void {
            $bare = (new Mixture(Palette::base(), $mm, Spectrum::of(Lab::of(95.0, 0.0, 0.0))))->lab([], []);

            self::assertEqualsWithDelta($bare->toArray(), self::over($pigment, 0.0, $mm, 95.0)->toArray(), 1e-9);
        });
    }

    public function test_half_of_a_pigment_twice_is_all_of_it(): void
    {
        $this->everyPigment(function (Colourant $pigment, float $load, float $mm): void {
            $twice = (new Mixture(Palette::base(), $mm, Spectrum::of(Lab::of(95.0, 0.0, 0.0))))->lab(
                [$pigment, $pigment], [$load / 2.0, $load / 2.0],
            );

            self::assertEqualsWithDelta(self::over($pigment, $load, $mm, 95.0)->toArray(), $twice->toArray(), 1e-9);
        });
    }
}
