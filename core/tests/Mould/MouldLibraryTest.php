<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Mould;

use Apalos\Core\Tests\Contact\Shipped;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** The mould kinds that ship with the application, as a whole. */
final class MouldLibraryTest extends TestCase
{
    public function test_every_material_a_kind_can_be_made_of_has_a_weight_and_a_price(): void
    {
        $library = Shipped::shelves()->moulds;
        foreach ($library->kinds as $kind) {
            foreach ($kind->chemistry as $material) {
                self::assertGreaterThan(900.0, $library->grams($material, 1000.0), "{$kind->id} of {$material}");
                self::assertLessThan(2500.0, $library->grams($material, 1000.0), "{$kind->id} of {$material}");
                self::assertGreaterThan(0.0, $library->price($material, 1000.0), "{$kind->id} of {$material}");
            }
        }
    }

    #[TestWith([20.0, 6.0])]
    #[TestWith([60.0, 6.0])]
    #[TestWith([61.0, 12.0])]
    #[TestWith([250.0, 12.0])]
    #[TestWith([400.0, 25.0])]
    #[TestWith([9000.0, 25.0])]
    public function test_larger_pieces_get_more_rubber_round_them(float $longestMm, float $margin): void
    {
        self::assertSame($margin, Shipped::shelves()->moulds->margin($longestMm));
    }

    public function test_softer_rubber_stretches_farther_and_only_a_third_of_what_tears_it_is_safe(): void
    {
        $safe = Shipped::shelves()->moulds->safeStretch();
        $sorted = $safe;
        arsort($sorted);

        self::assertSame($sorted, $safe);
        self::assertEqualsWithDelta(1000.0 / 3.0, $safe['A 10'], 1e-9);
    }

    public function test_schools_speak_of_kinds_that_exist(): void
    {
        $library = Shipped::shelves()->moulds;
        foreach ($library->schools as $school) {
            self::assertSame([], array_diff($school['kinds'], array_keys($library->kinds)), $school['reason']->text);
        }
    }
}
