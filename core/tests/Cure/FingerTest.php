<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Cure;

use Apalos\Core\Cure\CureModel;
use Apalos\Core\Cure\CureSheet;
use Apalos\Core\Cure\Gauss;
use Apalos\Core\Cure\Milestone;
use Apalos\Core\Cure\Observation;
use Apalos\Core\Cure\Watched;
use Apalos\Core\Input\Fields;
use Apalos\Core\Units\Celsius;
use Apalos\Core\Units\Minutes;
use PHPUnit\Framework\TestCase;

final class FingerTest extends TestCase
{
    private static function sheet(): CureSheet
    {
        return CureSheet::from(Fields::of([
            'pot_life_min' => 25, 'recoat_open_min' => 40, 'recoat_close_min' => 110, 'ref_c' => 23, 'q10' => 2, 'alpha' => 0,
        ]));
    }

    /** @param  list<array{Watched, float}>  $felt */
    private static function opens(array $felt, Milestone $milestone = Milestone::RecoatOpen): float
    {
        $logs = array_map(static fn (array $one): Observation => new Observation(Celsius::of(23), $one[0], Minutes::of($one[1])), $felt);

        return (float) CureModel::learnt(self::sheet(), $logs)->band($milestone, Celsius::of(23), null)?->likely->min;
    }

    public function test_a_finger_that_says_what_the_clock_says_hardly_moves_it(): void
    {
        self::assertEqualsWithDelta(40.0, self::opens([[Watched::ComesOff, 20.0]]), 0.1);
        self::assertEqualsWithDelta(40.0, self::opens([[Watched::Tacky, 75.0]]), 1.5);
        self::assertEqualsWithDelta(110.0, self::opens([[Watched::Dry, 220.0]], Milestone::RecoatClose), 0.5);
    }

    public function test_a_coat_that_still_comes_off_after_its_time_slows_the_clock_and_a_dry_one_before_it_quickens_it(): void
    {
        self::assertGreaterThan(46.0, self::opens([[Watched::ComesOff, 48.0]]));
        self::assertLessThan(38.0, self::opens([[Watched::Tacky, 32.0]]));
        self::assertLessThan(100.0, self::opens([[Watched::Dry, 85.0]], Milestone::RecoatClose));
        // All its times move with it: it is one offset.
        self::assertGreaterThan(115.0, self::opens([[Watched::ComesOff, 48.0]], Milestone::RecoatClose));
    }

    public function test_the_same_said_again_and_again_wins(): void
    {
        $often = self::opens(array_fill(0, 12, [Watched::ComesOff, 52.0]));

        self::assertGreaterThan(self::opens([[Watched::ComesOff, 52.0]]), $often);
        self::assertGreaterThan(52.0, $often);
        self::assertLessThan(75.0, $often);
    }

    /** The mean and spread of what is left, by summing over a fine grid instead of by formula. */
    public function test_what_is_left_after_the_cut_is_that_of_a_grid(): void
    {
        $at = log(48.0 / 40.0);
        [$mass, $mean] = [0.0, 0.0];
        for ($offset = -1.2; $offset <= 1.2; $offset += 0.001) {
            // The sheet's prior, times the chance that the moment comes later than the touch, give or take a tenth.
            $weight = exp(-$offset ** 2 / (2 * 0.18 ** 2)) * Gauss::below(($offset - $at) / 0.10);
            $mass += $weight;
            $mean += $weight * $offset;
        }

        self::assertEqualsWithDelta(40.0 * exp($mean / $mass), self::opens([[Watched::ComesOff, 48.0]]), 0.05);
    }

    public function test_the_normal_distribution_is_that_of_the_tables(): void
    {
        foreach ([[0.0, 0.5], [1.0, 0.8413447], [-1.0, 0.1586553], [1.96, 0.9750021], [-3.0, 0.0013499]] as [$z, $p]) {
            self::assertEqualsWithDelta($p, Gauss::below($z), 3e-7);
        }
        self::assertEqualsWithDelta(sqrt(2 / M_PI), Gauss::hazard(0.0), 1e-6);
        self::assertEqualsWithDelta(Gauss::hazard(-11.999), Gauss::hazard(-12.001), 0.01);
    }
}
