<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Volume;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Tests\Words;
use Apalos\Core\Volume\VolumeEstimator;
use Apalos\Core\Volume\VolumeRequest;
use Apalos\Core\Volume\VolumeResult;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class VolumeEstimatorTest extends TestCase
{
    /** @param  array<string, mixed>  $in */
    private static function estimate(array $in): VolumeResult
    {
        return (new VolumeEstimator)->estimate(VolumeRequest::from(Fields::of($in)));
    }

    /** @return iterable<string, array{array<string, mixed>, array{float, float, float}}> low, likely and high in ml, by hand */
    public static function moulds(): iterable
    {
        $box = ['method' => 'box', 'box' => ['l_mm' => 100, 'w_mm' => 80, 'h_mm' => 50]];
        yield 'an empty box' => [$box, [400, 400, 400]];
        yield 'a box around a part of known volume' => [[...$box, 'part' => ['volume_ml' => 100]], [297, 300, 303]];
        yield 'a box around a part that displaced water' => [[...$box, 'part' => ['displaced_ml' => 50]], [348.5, 350, 351.5]];
        yield 'a box around a block' => [[...$box, 'part' => ['l_mm' => 50, 'w_mm' => 40, 'h_mm' => 20, 'form' => 'box']], [360, 360, 362]];
        yield 'a box around a cylinder' => [
            [...$box, 'part' => ['l_mm' => 50, 'w_mm' => 40, 'h_mm' => 40, 'form' => 'cylinder']], [336, 337.2, 340],
        ];
        yield 'a box around an egg' => [
            [...$box, 'part' => ['l_mm' => 50, 'w_mm' => 40, 'h_mm' => 40, 'form' => 'ellipsoid']], [356, 358.08, 360],
        ];
        yield 'a box around a sculpture' => [
            [...$box, 'part' => ['l_mm' => 50, 'w_mm' => 40, 'h_mm' => 40, 'form' => 'sculpted']], [348, 358.4, 368],
        ];
        yield 'a tube' => [['method' => 'cylinder', 'diameter_mm' => 60, 'height_mm' => 100], [282.743, 282.743, 282.743]];
        yield 'rice poured back' => [['method' => 'displacement', 'poured_back_ml' => 250], [240, 250, 260]];
        yield 'clay in a measure, and a funnel' => [['method' => 'blanket', 'clay_ml' => 200, 'pour_up_ml' => 30], [220, 230, 240]];
        yield 'a blanket by area and thickness' => [['method' => 'blanket', 'area_mm2' => 20000, 'thickness_mm' => 10], [170, 200, 230]];
        yield 'three coats' => [
            ['method' => 'coats', 'area_mm2' => 50000, 'coats' => [['thickness_mm' => 1], ['thickness_mm' => 2], ['thickness_mm' => 2]]],
            [212.5, 250, 287.5],
        ];
        yield 'forty pieces of 23 ml' => [['method' => 'pieces', 'pieces' => 40, 'each_ml' => 23], [892.4, 920, 947.6]];
        yield 'with their sprues, and five in a hundred lost' => [
            ['method' => 'pieces', 'pieces' => 40, 'each_ml' => 23, 'spout_ml' => 4, 'allowance_pct' => 5], [1099.98, 1134, 1168.02],
        ];
        yield 'a mesh' => [['method' => 'mesh', 'volume_ml' => 400], [398, 400, 402]];
        yield 'allowance and what was learnt multiply' => [[...$box, 'allowance_pct' => 10, 'correction_pct' => -5], [418, 418, 418]];
    }

    /**
     * @param  array<string, mixed>  $in
     * @param  array{float, float, float}  $expected
     */
    #[DataProvider('moulds')]
    public function test_every_method(array $in, array $expected): void
    {
        $rubber = self::estimate($in)->rubber;

        self::assertEqualsWithDelta($expected, [$rubber->low, $rubber->likely, $rubber->high], 0.001);
    }

    public function test_a_part_known_by_its_outer_box_is_over_estimated_and_the_last_batch_waits(): void
    {
        $result = self::estimate([
            'method' => 'box', 'box' => ['l_mm' => 100, 'w_mm' => 80, 'h_mm' => 50],
            'part' => ['l_mm' => 80, 'w_mm' => 60, 'h_mm' => 40, 'form' => 'sculpted'],
        ]);

        self::assertSame('outer_box', $result->warnings[0]->code);
        self::assertStringContainsString('Mix the last cup only when you see the level', Words::of($result->advice));
    }

    public function test_reconciling_gives_the_part_and_a_correction_that_would_have_been_right(): void
    {
        $in = [
            'method' => 'box', 'box' => ['l_mm' => 100, 'w_mm' => 80, 'h_mm' => 50], 'part' => ['volume_ml' => 120], 'allowance_pct' => 10,
        ];
        $after = self::estimate([...$in, 'used' => ['mass_g' => 324.0, 'sg' => 1.08]]);

        self::assertNotNull($after->reconciliation);
        self::assertEqualsWithDelta(300.0, $after->reconciliation->usedMl, 1e-9);
        self::assertEqualsWithDelta(400.0 - 300.0, $after->reconciliation->partMl, 1e-9);
        self::assertSame('used_differs', $after->warnings[0]->code);
        $next = self::estimate([...$in, 'correction_pct' => $after->reconciliation->correctionPct]);
        self::assertEqualsWithDelta(300.0, $next->needMl, 1e-9);
        self::assertEqualsWithDelta(330.0, $next->rubber->likely, 1e-9, 'the allowance stays what it was');
    }

    public function test_within_five_per_cent_nobody_complains(): void
    {
        $result = self::estimate(['method' => 'mesh', 'volume_ml' => 100, 'used' => ['mass_g' => 103.0, 'sg' => 1.0]]);

        self::assertSame([], $result->warnings);
        self::assertNull($result->reconciliation?->partMl);
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> */
    public static function nonsense(): iterable
    {
        $box = ['method' => 'box', 'box' => ['l_mm' => 100, 'w_mm' => 80, 'h_mm' => 50]];
        yield 'a part larger than its box' => [[...$box, 'part' => ['volume_ml' => 500]], 'part.volume_ml', 'not smaller'];
        yield 'a part longer than its box' => [
            [...$box, 'part' => ['l_mm' => 130, 'w_mm' => 10, 'h_mm' => 10, 'form' => 'box']], 'part.l_mm', '130 mm long',
        ];
        yield 'a part without a size' => [[...$box, 'part' => []], 'part.volume_ml', 'how large'];
        yield 'an unknown method' => [['method' => 'guess'], 'method', 'Choose one of'];
        yield 'a field of another method' => [[...$box, 'clay_ml' => 3], 'clay_ml', 'no field'];
        yield 'clay twice over' => [['method' => 'blanket', 'clay_ml' => 3, 'area_mm2' => 100], 'clay_ml', 'either'];
        yield 'half a piece' => [['method' => 'pieces', 'pieces' => 2.5, 'each_ml' => 3], 'pieces', 'counted whole'];
        yield 'pieces of nothing' => [['method' => 'pieces', 'pieces' => 2, 'each_ml' => 0], 'each_ml', 'more than 0'];
        yield 'no coats' => [['method' => 'coats', 'area_mm2' => 100, 'coats' => []], 'coats', 'at least one coat'];
        yield 'an empty height' => [['method' => 'box', 'box' => ['l_mm' => 100, 'w_mm' => 80, 'h_mm' => null]], 'box.h_mm', 'missing'];
        yield 'a negative height' => [
            ['method' => 'box', 'box' => ['l_mm' => 100, 'w_mm' => 80, 'h_mm' => -50]], 'box.h_mm', 'more than 0',
        ];
    }

    /** @param  array<string, mixed>  $in */
    #[DataProvider('nonsense')]
    public function test_nonsense_is_refused_at_its_field(array $in, string $field, string $says): void
    {
        try {
            self::estimate($in);
            self::fail('This should have been refused.');
        } catch (BadInput $wrong) {
            self::assertSame($field, $wrong->field);
            self::assertStringContainsString($says, Words::of($wrong));
        }
    }
}
