<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Pour;

use Apalos\Core\Cure\CureModel;
use Apalos\Core\Input\Fields;
use Apalos\Core\Pour\PourReckoner;
use Apalos\Core\Pour\PourReckoning;
use Apalos\Core\Tests\Material\SheetsTest;
use Apalos\Core\Units\Celsius;
use PHPUnit\Framework\TestCase;

final class PourReckonerTest extends TestCase
{
    /** @return array<string, mixed> */
    private static function sheet(): array
    {
        return [
            'volume' => ['method' => 'blanket', 'clay_ml' => 46, 'pour_up_ml' => 6, 'allowance_pct' => 15],
            'target' => ['waste_pct' => 0],
            'formula' => [
                'base' => 'pr-10',
                'additives' => [
                    ['code' => 'pi-fawn', 'amount' => 0.8, 'basis' => 'pct_of_total', 'into' => 'b'],
                    ['code' => 'sf-1', 'amount' => 60, 'basis' => 'pct_of_ab', 'into' => 'after'],
                ],
            ],
            'plan' => [
                'scale' => ['division_g' => 0.1, 'capacity_g' => 3000],
                'vessel' => ['capacity_ml' => 500, 'tare_g' => 12, 'degas' => true, 'rise_factor' => 3], 'mix_min' => 3, 'degas_min' => 4,
                'pour_g_per_min' => 60,
            ],
        ];
    }

    /** @param  array<string, mixed>  $sheet */
    private static function reckon(array $sheet, float $room = 20.0): PourReckoning
    {
        return (new PourReckoner)->reckon(
            Fields::of($sheet), SheetsTest::shelf(), Celsius::of($room),
            isset($sheet['formula']['base'], SheetsTest::shelf()->bases[$sheet['formula']['base']])
                ? CureModel::learnt(SheetsTest::shelf()->bases[$sheet['formula']['base']]->forCuring(), [])
                : null,
        );
    }

    public function test_a_sheet_is_answered_from_volume_to_clock(): void
    {
        $answer = self::reckon(self::sheet());

        self::assertTrue($answer->isPourable());
        self::assertEqualsWithDelta(59.8, $answer->volume?->rubber->likely, 1e-9);
        self::assertEqualsWithDelta(59.8, $answer->mix?->volume->ml, 1e-6);
        self::assertSame(['A', 'B', 'pi-fawn', 'sf-1'], array_keys($answer->mix->parts ?? []));
        // The sheet's 22 min, in a room three degrees cooler, and softener keeps it fluid: e^(0.22 · 0.6).
        self::assertEqualsWithDelta(22.0 * 2.0 ** 0.3 * exp(0.22 * 0.6), $answer->mix?->potLife?->min, 1e-9);
        self::assertSame(
            $answer->mix?->potLife?->min, $answer->cure?->bands['pot_life_min']->likely->min, 'The plan and the clock know one pot life.',
        );
        self::assertSame(['silicone-general', 'skin-contact'], $answer->recipe?->hazards());
    }

    public function test_a_slip_in_the_volume_leaves_formula_and_clock_answered(): void
    {
        $sheet = self::sheet();
        $sheet['volume']['clay_ml'] = 'a cupful';
        $answer = self::reckon($sheet);

        self::assertFalse($answer->isPourable());
        self::assertNull($answer->mix);
        self::assertNotNull($answer->recipe);
        self::assertNotNull($answer->cure);
        self::assertSame(['volume.clay_ml'], array_map(static fn ($e): string => $e->field, $answer->errors));
    }

    public function test_an_empty_box_is_missing_and_not_wrong(): void
    {
        $sheet = self::sheet();
        $sheet['volume']['clay_ml'] = null;
        $sheet['volume']['area_mm2'] = 100;
        $sheet['volume']['thickness_mm'] = null;

        self::assertTrue(self::reckon($sheet)->errors[0]->isMissing);
    }

    public function test_a_mass_can_be_asked_for_without_a_volume(): void
    {
        $sheet = self::sheet();
        $sheet['volume'] = null;
        $sheet['target'] = ['mass_g' => 100, 'waste_pct' => 5];

        self::assertEqualsWithDelta(105.0, self::reckon($sheet)->mix?->mass->g, 1e-9);
    }

    public function test_an_additive_of_another_family_is_questioned_and_a_percentage_on_another_basis_is_not(): void
    {
        $sheet = self::sheet();
        $sheet['formula']['additives'] = [
            ['code' => 'vs-1', 'amount' => 5, 'basis' => 'pct_of_a', 'into' => 'a'],
            ['code' => 'sf-1', 'amount' => 60, 'basis' => 'pct_of_a', 'into' => 'after'],
        ];
        $codes = array_column(self::reckon($sheet)->warnings(), 'code');

        self::assertContains('not_for_this_base', $codes);
        // 60 % of A is 30 % of A+B, well within its limit.
        self::assertNotContains('other_basis', $codes);
        self::assertNotContains('over_max', $codes);
    }

    public function test_a_one_part_base_has_no_b_to_put_anything_into(): void
    {
        $sheet = self::sheet();
        $sheet['formula'] = [
            'base' => 'hv-08', 'additives' => [['code' => 'pi-soot', 'amount' => 1, 'basis' => 'pct_of_total', 'into' => 'b']],
        ];

        self::assertSame('formula.additives.0.into', self::reckon($sheet)->errors[0]->field);
    }

    public function test_a_room_too_hot_to_pour_in_is_said_at_the_room(): void
    {
        self::assertSame('room_c', self::reckon(self::sheet(), 40.0)->errors[0]->field);
    }

    public function test_an_unknown_base_is_said_at_the_base(): void
    {
        $sheet = self::sheet();
        $sheet['formula']['base'] = 'pr-99';

        self::assertSame('formula.base', self::reckon($sheet)->errors[0]->field);
    }
}
