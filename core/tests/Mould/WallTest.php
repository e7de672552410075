<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Mould;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Mould\PieceRequest;
use Apalos\Core\Mould\Wall;
use Apalos\Core\Tests\Contact\Shipped;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** How much material a kind of mould takes, from how it lies round the piece. */
final class WallTest extends TestCase
{
    private static function piece(float $l, float $w, float $h): PieceRequest
    {
        return PieceRequest::from(Fields::of([
            'size_mm' => ['l' => $l, 'w' => $w, 'h' => $h], 'undercuts' => 'slight', 'detail' => 'fine', 'casts' => 20,
            'casting' => ['family' => 'silicone-platinum', 'heat_c' => 25],
            'original' => ['surface' => 'clay-oil-sulphur-free', 'may_be_lost' => false], 'flat_back' => true, 'hollow' => false,
            'skin' => false, 'budget' => 'normal',
            'mesh' => ['area_mm2' => 10_000, 'volume_ml' => 50],
        ]), Shipped::knowledge());
    }

    /**
     * @return iterable<string, array{array<string, mixed>, float, float}> wall, margin in mm, ml by hand: 100 cm² of surface, 50 ml of
     *   piece, 100 × 50 × 20 mm
     */
    public static function walls(): iterable
    {
        yield 'a glove of 6 mm' => [['mm' => 6], 12.0, 60.0];
        yield 'a shell with its flanges' => [['mm' => 8, 'times' => 1.6, 'rigid' => true], 12.0, 128.0];
        yield 'a print with holes' => [['mm' => 6, 'times' => 0.5, 'rigid' => true], 12.0, 30.0];
        // 124 × 74 × 44 mm less the piece.
        yield 'a full box' => [['tray' => false], 12.0, 403.744 - 50.0];
        // 124 × 74 mm, and 12 mm over the flattest side of 20 mm.
        yield 'a tray' => [['tray' => true], 12.0, 293.632 - 50.0];
        yield 'a tight box is never less than nothing' => [['tray' => false], 0.0, 50.0];
    }

    /** @param  array<string, mixed>  $wall */
    #[DataProvider('walls')]
    public function test_what_it_takes(array $wall, float $margin, float $ml): void
    {
        self::assertEqualsWithDelta($ml, Wall::from(Fields::of($wall))->materialMl(self::piece(100, 50, 20), $margin), 1e-6);
    }

    public function test_thicker_is_never_less(): void
    {
        $piece = self::piece(160, 90, 60);
        foreach ([['tray' => true], ['tray' => false]] as $wall) {
            $before = 0.0;
            foreach (range(0, 40, 4) as $margin) {
                $ml = Wall::from(Fields::of($wall))->materialMl($piece, (float) $margin);
                self::assertGreaterThanOrEqual($before, $ml);
                $before = $ml;
            }
        }
    }

    public function test_a_wall_with_a_slip_in_it_is_refused(): void
    {
        foreach ([['mm' => 0], ['thick' => 6], ['mm' => '6'], ['times' => -1], ['harder_by' => 99]] as $wall) {
            try {
                Wall::from(Fields::of($wall));
                self::fail('It was taken.');
            } catch (BadInput $wrong) {
                self::assertSame(array_key_first($wall), $wrong->field);
            }
        }
    }
}
