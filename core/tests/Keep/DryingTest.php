<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Keep;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Keep\Drying;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class DryingTest extends TestCase
{
    /**
     * @param  list<float>  $hours
     * @return list<array{hours: float, mass_g: float}>
     */
    private static function plaster(float $dry, float $water, float $tau, array $hours, float $off = 0.0): array
    {
        return array_map(static fn (float $h, int $i): array => ['hours' => $h, 'mass_g' => $dry + $water * exp(-$h / $tau) + ($i % 2 === 0 ? $off : -$off)], $hours, array_keys($hours));
    }

    /** @return iterable<string, array{float, float, float}> dry mass, water, hours in which two thirds are lost */
    public static function plasters(): iterable
    {
        yield 'a thin shell' => [420.0, 90.0, 3.0];
        yield 'a thick block' => [5200.0, 1400.0, 38.0];
        yield 'a cellar' => [900.0, 250.0, 160.0];
    }

    #[DataProvider('plasters')]
    public function test_it_finds_what_the_curve_was_made_of(float $dry, float $water, float $tau): void
    {
        $hours = array_map(static fn (float $share): float => $share * $tau, [0.0, 0.2, 0.5, 0.9, 1.4]);
        $told = (new Drying)->ask(Fields::of(['weighings' => self::plaster($dry, $water, $tau, $hours), 'until_pct' => 0.5]));

        self::assertEqualsWithDelta($tau, $told->tau ?? 0.0, 0.002 * $tau);
        self::assertEqualsWithDelta($dry, $told->dryMass ?? 0.0, 0.002 * $dry);
        self::assertEqualsWithDelta($tau * log($water / (0.005 * $dry)), $told->dryAt ?? 0.0, 0.01 * $tau);
        self::assertEqualsWithDelta(100.0 * $water * exp(-1.4) / $dry, $told->leftPct ?? 0.0, 0.1);
    }

    public function test_a_scale_that_steps_moves_it_little_and_weighing_on_makes_it_surer(): void
    {
        $hours = [0.0, 6.0, 12.0, 24.0, 36.0, 48.0, 72.0];
        $told = (new Drying)->ask(Fields::of(['weighings' => self::plaster(2000.0, 500.0, 20.0, $hours, 0.5)]));
        self::assertEqualsWithDelta(20.0, $told->tau ?? 0.0, 0.6);
        self::assertSame([], $told->warnings);

        $early = (new Drying)->ask(Fields::of(['weighings' => self::plaster(2000.0, 500.0, 20.0, [0.0, 2.0, 4.0])]));
        self::assertSame(['early'], array_column($early->warnings, 'code'));
    }

    public function test_what_grows_and_two_weighings_tell_nothing(): void
    {
        foreach ([[[0.0, 1.0], [100.0, 99.0]], [[0.0, 1.0, 2.0], [100.0, 101.0, 102.0]], [[0.0, 0.0, 0.0], [100.0, 99.0, 98.0]]] as [$hours, $masses]) {
            try {
                (new Drying)->ask(Fields::of(['weighings' => array_map(static fn (float $h, float $m): array => ['hours' => $h, 'mass_g' => $m], $hours, $masses)]));
                self::fail('It was answered.');
            } catch (BadInput $wrong) {
                self::assertSame('weighings', $wrong->field);
            }
        }
        // Falling ever faster is no drying.
        $told = (new Drying)->ask(Fields::of(['weighings' => [['hours' => 0, 'mass_g' => 100], ['hours' => 1, 'mass_g' => 99], ['hours' => 2, 'mass_g' => 90]]]));
        self::assertNotSame([], $told->warnings);
    }
}
