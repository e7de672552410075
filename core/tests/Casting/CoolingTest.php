<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Casting;

use Apalos\Core\Casting\Cooling;
use Apalos\Core\Cure\CureModel;
use Apalos\Core\Cure\CureSheet;
use Apalos\Core\Cure\Milestone;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Units\Celsius;
use Apalos\Core\Units\Minutes;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A hot cast opens by its thickest place. */
final class CoolingTest extends TestCase
{
    /** @return array<string, array{float, float, float}> sheet’s place and the cast’s, mm; times as long */
    public static function places(): array
    {
        return [
            'as on the sheet' => [12.0, 12.0, 1.0],
            'twice as thick takes four times' => [12.0, 24.0, 4.0],
            'a thin tail' => [12.0, 3.0, 0.0625],
            'a fat belly' => [10.0, 35.0, 12.25],
        ];
    }

    #[DataProvider('places')]
    public function test_it_goes_with_the_square(float $sheet, float $cast, float $times): void
    {
        self::assertEqualsWithDelta($times, Cooling::from(Fields::of(['at_mm' => $sheet]))->times($cast), 1e-12);
        self::assertSame(1.0, Cooling::from(Fields::of(['at_mm' => $sheet]))->times(null), 'Nobody measured it.');
    }

    /** The same by following the heat: a plate between two cold faces, cut into slices, until its middle is down to a fifth. */
    public function test_a_plate_cooled_slice_by_slice_has_the_same_ratio(): void
    {
        $until = static function (float $thick): float {
            [$n, $diffusivity] = [41, 0.09];
            $dx = $thick / ($n - 1);
            $dt = 0.4 * $dx ** 2 / $diffusivity;
            $warm = array_fill(0, $n, 1.0);
            $warm[0] = $warm[$n - 1] = 0.0;
            for ($t = 0.0; $warm[20] > 0.2; $t += $dt) {
                $next = $warm;
                for ($i = 1; $i < $n - 1; $i++) {
                    $next[$i] = $warm[$i] + $diffusivity * $dt / $dx ** 2 * ($warm[$i - 1] - 2.0 * $warm[$i] + $warm[$i + 1]);
                }
                $warm = $next;
            }

            return $t;
        };
        $cooling = Cooling::from(Fields::of(['at_mm' => 12.0]));
        foreach ([5.0, 18.0, 40.0] as $thick) {
            self::assertEqualsWithDelta($cooling->times($thick), $until($thick) / $until(12.0), 1e-6 * $cooling->times($thick));
        }
    }

    public function test_what_opens_moves_and_what_pours_does_not(): void
    {
        $times = [
            'pot_life_min' => Minutes::of(6.0), 'demould_min' => Minutes::of(8.0), 'service_min' => Minutes::of(30.0),
            'full_cure_min' => Minutes::of(60.0),
        ];
        $model = CureModel::learnt(new CureSheet($times, Celsius::of(23.0), 1.0), []);
        $thick = $model->cooling(4.0);
        $at = static fn (CureModel $model, Milestone $one): float => round(
            $model->band($one, Celsius::of(23.0), null)->likely->min ?? -1.0, 6,
        );
        self::assertSame(
            [6.0, 32.0, 120.0, 240.0],
            array_map(static fn (Milestone $one): float => $at($thick, $one), [
                Milestone::PotLife, Milestone::Demould, Milestone::Service, Milestone::FullCure,
            ]),
        );
        self::assertSame(8.0, $at($model, Milestone::Demould));
        // Softener and thickness each move their own.
        self::assertSame([12.0, 32.0], [$at($thick->pouring(2.0), Milestone::PotLife), $at($thick->pouring(2.0), Milestone::Demould)]);
    }

    /** @return iterable<string, array{mixed}> */
    public static function nonsense(): iterable
    {
        yield 'nothing' => [0];
        yield 'less than nothing' => [-12];
        yield 'a metre' => [1000];
        yield 'a word' => ['thick'];
    }

    #[DataProvider('nonsense')]
    public function test_a_sheet_says_how_thick(mixed $at): void
    {
        $this->expectException(BadInput::class);
        Cooling::from(Fields::of(['at_mm' => $at]));
    }
}
