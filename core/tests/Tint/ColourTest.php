<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Tint;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Tests\Words;
use Apalos\Core\Tint\Colourant;
use Apalos\Core\Tint\Difference;
use Apalos\Core\Tint\KubelkaMunk;
use Apalos\Core\Tint\Lab;
use Apalos\Core\Tint\Mixture;
use Apalos\Core\Tint\Observer;
use Apalos\Core\Tint\Spectrum;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class ColourTest extends TestCase
{
    /** The published test data of Sharma, Wu and Dalal (2005): two colours and their difference. */
    private const PAIRS = [
        [[50, 2.6772, -79.7751], [50, 0, -82.7485], 2.0425], [[50, 3.1571, -77.2803], [50, 0, -82.7485], 2.8615],
        [[50, 2.8361, -74.0200], [50, 0, -82.7485], 3.4412],
        [[50, -1.3802, -84.2814], [50, 0, -82.7485], 1.0000], [[50, -1.1848, -84.8006], [50, 0, -82.7485], 1.0000],
        [[50, -0.9009, -85.5211], [50, 0, -82.7485], 1.0000],
        [[50, 0, 0], [50, -1, 2], 2.3669], [[50, -1, 2], [50, 0, 0], 2.3669], [[50, 2.4900, -0.0010], [50, -2.4900, 0.0009], 7.1792],
        [[50, 2.4900, -0.0010], [50, -2.4900, 0.0010], 7.1792],
        [[50, 2.4900, -0.0010], [50, -2.4900, 0.0011], 7.2195], [[50, 2.4900, -0.0010], [50, -2.4900, 0.0012], 7.2195],
        [[50, -0.0010, 2.4900], [50, 0.0009, -2.4900], 4.8045],
        [[50, -0.0010, 2.4900], [50, 0.0010, -2.4900], 4.8045], [[50, -0.0010, 2.4900], [50, 0.0011, -2.4900], 4.7461],
        [[50, 2.5, 0], [50, 0, -2.5], 4.3065],
        [[50, 2.5, 0], [73, 25, -18], 27.1492], [[50, 2.5, 0], [61, -5, 29], 22.8977], [[50, 2.5, 0], [56, -27, -3], 31.9030],
        [[50, 2.5, 0], [58, 24, 15], 19.4535],
        [[50, 2.5, 0], [50, 3.1736, 0.5854], 1.0000], [[50, 2.5, 0], [50, 3.2972, 0], 1.0000], [[50, 2.5, 0], [50, 1.8634, 0.5757], 1.0000],
        [[50, 2.5, 0], [50, 3.2592, 0.3350], 1.0000],
        [[60.2574, -34.0099, 36.2677], [60.4626, -34.1751, 39.4387], 1.2644],
        [[63.0109, -31.0961, -5.8663], [62.8187, -29.7946, -4.0864], 1.2630],
        [[61.2901, 3.7196, -5.3901], [61.4292, 2.2480, -4.9620], 1.8731],
        [[35.0831, -44.1164, 3.7933], [35.0232, -40.0716, 1.5901], 1.8645],
        [[22.7233, 20.0904, -46.6940], [23.0331, 14.9730, -42.5619], 2.0373],
        [[36.4612, 47.8580, 18.3852], [36.2715, 50.5065, 21.2231], 1.4146],
        [[90.8027, -2.0831, 1.4410], [91.1528, -1.6435, 0.0447], 1.4441],
        [[90.9257, -0.5406, -0.9208], [88.6381, -0.8985, -0.7239], 1.5381],
        [[6.7747, -0.2908, -2.4247], [5.8714, -0.0985, -2.2286], 0.6377], [[2.0776, 0.0795, -1.1350], [0.9033, -0.0636, -0.5514], 0.9082],
    ];

    // CIE 15: colour matching functions of the 2° observer and the power of D65, 380–730 nm by ten.
    private const X = [
        0.001368, 0.004243, 0.01431, 0.04351, 0.13438, 0.2839, 0.34828, 0.3362, 0.2908, 0.19536, 0.09564, 0.03201,
        0.0049, 0.0093, 0.06327, 0.1655, 0.2904, 0.43345, 0.5945, 0.7621, 0.9163, 1.0263, 1.0622, 1.0026,
        0.85445, 0.6424, 0.4479, 0.2835, 0.1649, 0.0874, 0.04677, 0.0227, 0.011359, 0.00579, 0.002899, 0.00144,
    ];

    private const Y = [
        3.9E-5, 0.00012, 0.000396, 0.00121, 0.004, 0.0116, 0.023, 0.038, 0.06, 0.09098, 0.13902, 0.20802,
        0.323, 0.503, 0.71, 0.862, 0.954, 0.99495, 0.995, 0.952, 0.87, 0.757, 0.631, 0.503,
        0.381, 0.265, 0.175, 0.107, 0.061, 0.032, 0.017, 0.00821, 0.004102, 0.002091, 0.001047, 0.00052,
    ];

    private const Z = [
        0.00645, 0.02005, 0.06785, 0.2074, 0.6456, 1.3856, 1.74706, 1.77211, 1.6692, 1.28764, 0.81295, 0.46518,
        0.272, 0.1582, 0.07825, 0.04216, 0.0203, 0.00875, 0.0039, 0.0021, 0.00165, 0.0011, 0.0008, 0.00034,
        0.00019, 5.0E-5, 2.0E-5, 0, 0, 0, 0, 0, 0, 0, 0, 0,
    ];

    private const D65 = [
        49.9755, 54.6482, 82.7549, 91.486, 93.4318, 86.6823, 104.865, 117.008, 117.812, 114.861, 115.923, 108.811,
        109.354, 107.802, 104.79, 107.689, 104.405, 104.046, 100, 96.3342, 95.788, 88.6856, 90.0062, 89.5991,
        87.6987, 83.2886, 83.6992, 80.0268, 80.2146, 82.2778, 78.2842, 69.7213, 71.6091, 74.349, 61.604, 69.8856,
    ];

    /** @return iterable<string, array{list<float>, list<float>, float}> */
    public static function pairs(): iterable
    {
        foreach (self::PAIRS as $i => $pair) {
            yield 'pair '.($i + 1) => $pair;
        }
    }

    /**
     * @param  list<float>  $from
     * @param  list<float>  $to
     */
    #[DataProvider('pairs')]
    public function test_ciede2000_to_four_decimals_both_ways(array $from, array $to, float $difference): void
    {
        self::assertSame($difference, round(Difference::between(Lab::of(...$from), Lab::of(...$to)), 4));
        self::assertSame($difference, round(Difference::between(Lab::of(...$to), Lab::of(...$from)), 4));
    }

    public function test_there_are_thirty_four_of_them(): void
    {
        self::assertCount(34, self::PAIRS);
    }

    public function test_a_perfect_white_is_100_0_0_and_black_is_0_0_0(): void
    {
        self::assertEqualsWithDelta([100.0, 0.0, 0.0], Observer::lab(array_fill(0, 36, 1.0))->toArray(), 1e-9);
        self::assertEqualsWithDelta([0.0, 0.0, 0.0], Observer::lab(array_fill(0, 36, 0.0))->toArray(), 1e-9);
    }

    public function test_the_weights_are_those_of_the_published_tables(): void
    {
        $norm = array_sum(array_map(static fn (float $y, float $power): float => $y * $power, self::Y, self::D65));
        foreach ([[self::X, Observer::WX], [self::Y, Observer::WY], [self::Z, Observer::WZ]] as [$curve, $weights]) {
            self::assertEqualsWithDelta(
                array_map(static fn (float $value, float $power): float => $value * $power / $norm, $curve, self::D65), $weights, 1e-10,
            );
        }
    }

    public function test_the_white_point_is_that_of_d65(): void
    {
        // CIE 15: X 95.047, Z 108.883 for the full range; to 730 nm at 10 nm a little less in X.
        self::assertEqualsWithDelta([0.9504, 1.0, 1.0888], Observer::WHITE, 0.002);
    }

    public function test_lab_and_xyz_go_both_ways_and_end_on_a_screen(): void
    {
        foreach ([[62.0, 14.0, 22.0], [8.0, 1.0, -2.0], [93.0, -3.0, 40.0]] as $lab) {
            self::assertEqualsWithDelta($lab, Lab::ofXyz(Lab::of(...$lab)->xyz())->toArray(), 1e-9);
        }
        self::assertSame(['#ffffff', '#000000'], [Lab::of(100.0, 0.0, 0.0)->srgb(), Lab::of(0.0, 0.0, 0.0)->srgb()]);
        self::assertSame('#777777', Lab::of(50.0, 0.0, 0.0)->srgb());
    }

    public function test_a_spectrum_made_from_a_colour_looks_like_it_and_stays_a_reflectance(): void
    {
        foreach ([
            [62.0, 14.0, 22.0], [30.0, 35.0, 18.0], [95.0, 0.0, 0.0], [12.0, 0.0, 0.0], [55.0, -20.0, 25.0], [25.0, 8.0, -30.0],
            [80.0, 5.0, 70.0],
        ] as $lab) {
            $spectrum = Spectrum::of(Lab::of(...$lab));
            self::assertLessThan(0.01, Difference::between(Lab::of(...$lab), Observer::lab($spectrum)), json_encode($lab) ?: '');
            self::assertGreaterThan(0.0, min($spectrum));
            self::assertLessThan(1.0, max($spectrum));
        }
    }

    public function test_a_grey_is_flat(): void
    {
        $spectrum = Spectrum::of(Lab::of(60.0, 0.0, 0.0));

        self::assertLessThan(0.01, max($spectrum) - min($spectrum));
    }

    public function test_a_layer_of_nothing_is_its_backing_and_an_endless_one_is_itself(): void
    {
        self::assertSame(0.4, KubelkaMunk::reflectance(0.2, 0.8, 0.0, 0.4));
        // R∞ = a − b: 1 + K/S − √((K/S)² + 2K/S).
        $endless = 1.25 - sqrt(0.25 ** 2 + 0.5);
        self::assertEqualsWithDelta($endless, KubelkaMunk::reflectance(0.2, 0.8, 500.0, 0.9), 1e-9);
        self::assertEqualsWithDelta($endless, KubelkaMunk::reflectance(0.2, 0.8, 500.0, 0.0), 1e-9);
        // Without scattering light goes down and up again: Lambert and Beer.
        self::assertEqualsWithDelta(0.9 * exp(-0.6), KubelkaMunk::reflectance(0.1, 0.0, 3.0, 0.9), 1e-12);
        // Without absorption 1 − R = (1 − Rg)/(1 + SX(1 − Rg)).
        self::assertEqualsWithDelta(1.0 - 0.5 / (1.0 + 2.0 * 0.5), KubelkaMunk::reflectance(0.0, 1.0, 2.0, 0.5), 1e-9);
    }

    public function test_k_and_s_come_back_from_two_backings(): void
    {
        foreach ([[0.05, 0.4, 1.0], [0.6, 0.2, 2.0], [0.01, 1.5, 0.5], [2.0, 0.5, 0.4]] as [$k, $s, $mm]) {
            $found = KubelkaMunk::solve(
                KubelkaMunk::reflectance($k, $s, $mm, 0.85), 0.85, KubelkaMunk::reflectance($k, $s, $mm, 0.03), 0.03, $mm,
            );
            self::assertNotNull($found);
            self::assertEqualsWithDelta([$k, $s], $found, 1e-6);
        }
    }

    public function test_a_thin_edge_is_paler_over_light_and_a_thick_brow_does_not_care_what_is_behind(): void
    {
        $russet = [Palette::pigment('russet', 470, 70, 3.0, 0.8)];
        $over = static fn (float $mm, float $l): Lab => (
            new Mixture(Palette::base(), $mm, Spectrum::of(Lab::of($l, 0.0, 0.0)))
        )->lab($russet, [0.8]);

        self::assertGreaterThan($over(8.0, 95.0)->l + 5.0, $over(0.5, 95.0)->l);
        self::assertLessThan(0.5, Difference::between($over(12.0, 95.0), $over(12.0, 12.0)));
        self::assertGreaterThan(10.0, Difference::between($over(0.5, 95.0), $over(0.5, 12.0)));
    }

    public function test_a_pigment_characterised_from_its_own_drawdowns_predicts_them_again(): void
    {
        $base = Palette::base();
        foreach ([
            Palette::pigment('russet', 470, 70, 3.0, 0.8), Palette::pigment('lichen', 640, 80, 1.2, 0.5),
            Palette::pigment('bone', 420, 60, 0.5, 2.0),
        ] as $true) {
            $drawdowns = [];
            $lab = static fn (
                Colourant $p, float $load, float $l,
            ): Lab => (new Mixture($base, 1.0, Spectrum::of(Lab::of($l, 0.0, 0.0))))->lab([$p], [$load]);
            foreach ([0.5, 1.5] as $load) {
                $drawdowns[] = [
                    'load_pct' => $load, 'thickness_mm' => 1.0, 'over_white' => $lab($true, $load, 95.0)->toArray(),
                    'over_black' => $lab($true, $load, 12.0)->toArray(),
                ];
            }
            $found = Colourant::from(Fields::of(['drawdowns' => $drawdowns]), $true->name, $base);
            foreach ([0.5, 1.5] as $load) {
                foreach ([95.0, 12.0] as $l) {
                    self::assertLessThan(
                        1.0, Difference::between($lab($true, $load, $l), $lab($found, $load, $l)), "{$true->name} at {$load} % over {$l}",
                    );
                }
            }
        }
    }

    public function test_what_cannot_be_characterised_is_refused_with_a_sentence(): void
    {
        $drawdown = ['load_pct' => 1.0, 'thickness_mm' => 1.0, 'over_white' => [60, 10, 10], 'over_black' => [40, 8, 8]];
        foreach ([
            [[], 'never characterised'],
            [['drawdowns' => [[...$drawdown, 'white' => [50, 0, 0], 'black' => [49, 0, 0]]]], 'nearly the same'],
            [['drawdowns' => [[...$drawdown, 'over_white' => [160, 0, 0]]]], 'no colour of a surface'],
            [['drawdowns' => [[...$drawdown, 'over_white' => [60, 0]]]], 'three numbers'],
            [['drawdowns' => [[...$drawdown, 'thickness_mm' => 0]]], 'more than 0'],
            [['ks' => ['k' => [1, 2], 's' => [1, 2]]], '36 numbers'],
        ] as [$in, $says]) {
            try {
                Colourant::from(Fields::of($in), 'russet', Palette::base());
                self::fail("“{$says}” was not said.");
            } catch (BadInput $wrong) {
                self::assertStringContainsString($says, Words::of($wrong));
            }
        }
    }
}
