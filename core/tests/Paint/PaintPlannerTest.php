<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Paint;

use Apalos\Core\Input\Fields;
use Apalos\Core\Material\Shelf;
use Apalos\Core\Mix\Scale;
use Apalos\Core\Paint\PaintPlanner;
use Apalos\Core\Paint\PaintResult;
use Apalos\Core\Pour\Recipe;
use Apalos\Core\Units\Celsius;
use Apalos\Core\Units\Grams;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Yaml\Yaml;

final class PaintPlannerTest extends TestCase
{
    private static function shelf(): Shelf
    {
        return Shelf::of(array_map(Yaml::parseFile(...), glob(__DIR__.'/../../../library/materials/*.yaml') ?: []));
    }

    /** @param  list<array{string, float, string}>  $additives */
    private static function paint(string $base, array $additives, float $areaMm2 = 20000.0, int $coats = 2, float $waste = 0.0): PaintResult
    {
        $lines = array_map(
            static fn (array $a): array => ['code' => $a[0], 'amount' => $a[1], 'basis' => $a[2], 'into' => 'after'], $additives,
        );

        return (new PaintPlanner)->plan(
            Recipe::from(Fields::of(['base' => $base, 'additives' => $lines]), self::shelf()), $areaMm2, 0.05, $coats, $waste,
            new Scale(Grams::of(0.01), null), Celsius::of(21),
        );
    }

    /**
     * 200 cm², two coats of 0.05 mm: 2 ml dry. Silicone 1 g is 0.9804 ml, 0.1 g of fawn 0.0769: 1.0573 ml, 1.1 g. So 2.0807 g dry, 1.8916 g
     * of it silicone, and 5.6748 g of solvent.
     */
    public function test_a_pot_worked_by_hand(): void
    {
        $pot = self::paint('ax-15', [['pi-fawn', 10, 'pct_of_ab'], ['nv-1', 300, 'pct_of_ab']]);

        self::assertEqualsWithDelta([2.0807, 7.7555], [$pot->dry->g, $pot->mix->mass->g], 0.0005);
        self::assertEqualsWithDelta(['silicone' => 1.0, 'pigment' => 0.1, 'solvent' => 3.0], $pot->ratio, 1e-9);
        self::assertSame(12.0, $pot->flash?->min);
        // 5.6748 g of solvent at 0.75 are 7.5664 ml, and 2 ml dry: 9.5664 ml over two coats of 200 cm².
        self::assertEqualsWithDelta(0.23916, $pot->wetMm, 0.0005);
    }

    public function test_more_solvent_makes_a_thinner_coat_of_the_same_film(): void
    {
        [$thick, $wash] = [
            self::paint('ax-15', [['pi-fawn', 10, 'pct_of_ab'], ['nv-1', 200, 'pct_of_ab']]),
            self::paint('ax-15', [['pi-fawn', 10, 'pct_of_ab'], ['nv-1', 600, 'pct_of_ab']]),
        ];

        self::assertEqualsWithDelta($thick->dry->g, $wash->dry->g, 1e-9);
        self::assertGreaterThan($thick->mix->mass->g, $wash->mix->mass->g);
    }

    public function test_twice_the_area_takes_twice_the_paint(): void
    {
        $paint = [['pi-bone', 6, 'pct_of_ab'], ['cv-1', 400, 'pct_of_ab']];

        self::assertEqualsWithDelta(
            2.0 * self::paint('pr-10', $paint, 12345.0)->mix->mass->g, self::paint('pr-10', $paint, 24690.0)->mix->mass->g, 1e-9,
        );
        self::assertEqualsWithDelta(
            1.3 * self::paint('pr-10', $paint)->mix->mass->g, self::paint('pr-10', $paint, waste: 30.0)->mix->mass->g, 1e-9,
        );
    }

    public function test_what_a_painter_is_told(): void
    {
        $codes = static fn (PaintResult $pot): array => array_map(static fn ($w): string => $w->code, $pot->warnings);

        self::assertSame([], $codes(self::paint('ax-15', [['pi-fawn', 10, 'pct_of_ab'], ['nv-1', 300, 'pct_of_ab']])));
        self::assertSame(['stiff_paint'], $codes(self::paint('ax-15', [['pi-fawn', 10, 'pct_of_ab']])));
        self::assertSame(['starved'], $codes(self::paint('ax-15', [['pi-fawn', 25, 'pct_of_ab'], ['nv-1', 300, 'pct_of_ab']])));
        self::assertSame(['no_pigment'], $codes(self::paint('ax-15', [['nv-1', 300, 'pct_of_ab']])));
        self::assertSame(['soft_paint'], $codes(self::paint('pr-10', [
            ['pi-fawn', 10, 'pct_of_ab'], ['nv-1', 300, 'pct_of_ab'], ['sf-1', 20, 'pct_of_ab'],
        ])));
    }

    public function test_solvent_in_a_cast_is_warned_of(): void
    {
        $cast = Recipe::from(
            Fields::of(['base' => 'pr-10', 'additives' => [['code' => 'nv-1', 'amount' => 5, 'basis' => 'pct_of_ab', 'into' => 'after']]]),
            self::shelf(),
        );

        self::assertContains('paint_only', array_map(static fn ($w): string => $w->code, $cast->warnings()));
        self::assertContains('solvent', $cast->hazards());
    }
}
