<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Sheet;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Material\AdditiveSheet;
use Apalos\Core\Material\BaseSheet;
use Apalos\Core\Sheet\SheetDoubts;
use Apalos\Core\Sheet\SheetKind;
use Apalos\Core\Tests\Words;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A maker copies a supplier’s data sheet; what the sheet does not say stays unknown. */
final class SheetFormTest extends TestCase
{
    /** The least a rubber can be written down with. */
    private const BARE = ['code' => 'my-12', 'name' => 'Soft platinum', 'family' => 'silicone-platinum', 'ratio' => ['a' => 1, 'b' => 1]];

    public function test_what_is_left_open_stays_out_of_the_sheet(): void
    {
        self::assertSame(
            [
                'kind' => 'base', 'code' => 'my-12', 'name' => 'Soft platinum', 'family' => 'silicone-platinum',
                'ratio' => ['a' => 1.0, 'b' => 1.0],
            ],
            self::read('base', [...self::BARE, 'times' => ['pot_life_min' => null], 'hazards' => [], 'notes' => '', 'sg' => []]),
        );
    }

    public function test_a_bare_sheet_can_be_reckoned_with_and_knows_what_it_leaves_open(): void
    {
        $base = BaseSheet::of(Written::completion()->of(self::read('base', self::BARE)));

        self::assertSame([], $base->times);
        self::assertTrue($base->leavesOpen('sg') && $base->leavesOpen('pot_life_min') && $base->leavesOpen('q10'));
        self::assertFalse($base->leavesOpen('alpha'), 'a silicone does not heat itself');
        self::assertFalse($base->isForSkin());
        self::assertSame(1.08, $base->sgMixed?->gPerMl);
        self::assertContains('silicone-general', $base->hazards, 'the cautions of its chemistry cannot be left out');
    }

    public function test_what_is_said_is_kept_and_nothing_stands_in_for_it(): void
    {
        $said = [
            ...self::BARE, 'sg' => ['a' => 1.1, 'b' => 1.07], 'times' => ['pot_life_min' => 40, 'demould_min' => 360], 'ref_c' => 25,
            'q10' => 2.1, 'hardness' => ['reading' => 12, 'scale' => 'A'], 'skin_safe' => true,
        ];
        $base = BaseSheet::of(Written::completion()->of(self::read('base', $said)));

        self::assertSame(
            [1.1, 1.07, null, 40.0, 25.0, 2.1, 'A 12', true],
            [
                $base->sgA?->gPerMl, $base->sgB?->gPerMl, $base->sgMixed?->gPerMl, $base->times['pot_life_min']->min,
                $base->reference->degrees, $base->q10, $base->shore(), $base->isForSkin(),
            ],
        );
        self::assertFalse($base->leavesOpen('sg') || $base->leavesOpen('pot_life_min') || $base->leavesOpen('hardness'));
    }

    public function test_a_proportion_by_volume_is_weighed_through_the_densities(): void
    {
        $said = [
            'code' => 'my-ur', 'name' => 'Boot rubber', 'family' => 'urethane-rubber', 'ratio_volume' => ['a' => 2, 'b' => 1],
            'sg' => ['a' => 1.05, 'b' => 1.2],
        ];
        $base = BaseSheet::of(Written::completion()->of(self::read('base', $said)));

        // 2 · 1.05 / (2 · 1.05 + 1 · 1.2) = 0.63636…
        self::assertEqualsWithDelta(0.636364, $base->ratio->weightFractionOfA($base->sgA, $base->sgB), 1e-6);
        self::assertTrue($base->leavesOpen('alpha'), 'a large cup of urethane heats itself, by nobody knows how much');
    }

    public function test_one_part_has_no_part_b(): void
    {
        $base = BaseSheet::of(
            Written::completion()->of(self::read('base', [
                'code' => 'my-wax', 'name' => 'Casting wax', 'family' => 'wax', 'ratio' => ['a' => 1, 'b' => 0], 'sg' => ['a' => 0.9],
            ])),
        );

        self::assertTrue($base->ratio->isOnePart());
        self::assertSame(['a' => 'A'], $base->partNames);
        self::assertFalse($base->leavesOpen('sg'));
    }

    public function test_a_softener_that_says_nothing_softens_as_softeners_usually_do(): void
    {
        $said = [
            'code' => 'my-oil', 'name' => 'Softening oil', 'role' => 'softener', 'families' => ['silicone-platinum'], 'basis' => 'pct_of_a',
            'into' => 'after',
        ];
        $sheet = AdditiveSheet::of(Written::completion()->of(self::read('additive', $said)));

        self::assertSame(
            [2.7, true, true, true],
            [$sheet->softening?->k, $sheet->leavesOpen('softening'), $sheet->leavesOpen('max'), $sheet->leavesOpen('sg')],
        );
    }

    public function test_releases_sealers_and_surfaces_are_read_too(): void
    {
        $knowledge = Written::knowledge()->and(
            [
                'my-clay' => Written::completion()->of(self::read('surface', [
                    'code' => 'my-clay', 'name' => 'Brown clay', 'like' => ['clay-oil-sulphur'], 'porous' => false,
                ])),
                'my-thing' => Written::completion()->of(self::read('surface', ['code' => 'my-thing', 'name' => 'Found thing'])),
            ],
            [
                'my-grease' => Written::completion()->of(self::read('release', [
                    'code' => 'my-grease', 'name' => 'Own grease', 'how' => 'Brush on.', 'for' => ['@silicone'], 'on' => ['*'],
                    'coats' => 1, 'between_min' => 0, 'after_min' => 2,
                ])),
            ],
            [
                'my-coat' => Written::completion()->of(self::read('sealer', [
                    'code' => 'my-coat', 'name' => 'Own clear coat', 'text' => 'Mist on.', 'on' => ['@absorbent'], 'coats' => 2,
                    'between_min' => 10, 'dry_min' => 60,
                ])),
            ],
        );

        self::assertSame(['clay-oil-sulphur', 'clay'], $knowledge->surfaces['my-clay']->groups);
        self::assertSame(['unknown'], $knowledge->surfaces['my-thing']->groups);
        self::assertFalse($knowledge->releases['my-grease']->skinSafe, 'nobody said it may touch skin');
        self::assertTrue($knowledge->sealers['my-coat']->isDoubtfulUnder($knowledge->families['silicone-platinum']));
    }

    /** @return iterable<string, array{string, array<string, mixed>, string, string}> kind, what was said, the field, what is answered */
    public static function refused(): iterable
    {
        yield 'no name' => ['base', array_diff_key(self::BARE, ['name' => 0]), 'name', 'Name is needed.'];
        yield 'no proportion' => ['base', array_diff_key(self::BARE, ['ratio' => 0]), 'ratio.a', 'Give the proportion'];
        yield 'half a proportion' => ['base', [...self::BARE, 'ratio' => ['a' => 1]], 'ratio.b', 'needs both numbers'];
        yield 'by volume without densities' => [
            'base',
            ['code' => 'my-12', 'name' => 'Soft', 'family' => 'epoxy', 'ratio_volume' => ['a' => 2, 'b' => 1], 'sg' => ['a' => 1.1]],
            'sg.b', 'density of both parts',
        ];
        yield 'a chemistry nobody knows' => [
            'base', [...self::BARE, 'family' => 'rubber'], 'family', '“rubber” is not known for Chemistry',
        ];
        yield 'a reading without its scale' => [
            'base', [...self::BARE, 'hardness' => ['reading' => 20]], 'hardness.scale', 'needs its scale',
        ];
        yield 'a window that closes before it opens' => [
            'base', [...self::BARE, 'times' => ['recoat_open_min' => 60, 'recoat_close_min' => 40]], 'times.recoat_close_min',
            'closes before it opens',
        ];
        yield 'hours for minutes' => [
            'base', [...self::BARE, 'times' => ['pot_life_min' => 45, 'demould_min' => 6]], 'times.demould_min', 'and their units',
        ];
        yield 'a density in kilograms' => ['base', [...self::BARE, 'sg' => ['a' => 1080, 'b' => 1060]], 'sg.a', '10 at most; it was 1080'];
        yield 'a number in words' => ['base', [...self::BARE, 'ref_c' => 'room'], 'ref_c', '“room”'];
        yield 'a field nobody asked for' => ['base', [...self::BARE, 'price' => 30], 'price', 'Known are'];
        yield 'a house code with a blank' => ['base', [...self::BARE, 'code' => 'my 12'], 'code', 'is no house code'];
        yield 'half of what a softener does' => [
            'additive',
            [
                'code' => 'my-oil', 'name' => 'Oil', 'role' => 'softener', 'families' => ['silicone-tin'], 'basis' => 'pct_of_ab',
                'into' => 'after', 'softening' => ['k' => 2],
            ],
            'softening.tear_k', 'as a whole or not at all',
        ];
        yield 'a caution there are no words for' => [
            'additive',
            [
                'code' => 'my-oil', 'name' => 'Oil', 'role' => 'thinner', 'families' => ['silicone-tin'], 'basis' => 'pct_of_ab',
                'into' => 'after', 'hazards' => ['dragons'],
            ],
            'hazards.0', '“dragons” is not known',
        ];
        yield 'a coat and a half' => [
            'sealer',
            ['code' => 'my-coat', 'name' => 'Coat', 'text' => 'Mist.', 'on' => ['*'], 'coats' => 1.5, 'between_min' => 1, 'dry_min' => 1],
            'coats', 'whole number',
        ];
        yield 'a never without a reason' => [
            'release',
            [
                'code' => 'my-g', 'name' => 'Grease', 'how' => 'Brush.', 'for' => ['*'], 'on' => ['*'], 'coats' => 1, 'between_min' => 0,
                'after_min' => 0, 'never' => [['fresh' => ['latex'], 'surface' => ['*']]],
            ],
            'never.0.text', 'Because is needed',
        ];
    }

    /** @param  array<string, mixed>  $said */
    #[DataProvider('refused')]
    public function test_what_is_wrong_is_said_at_its_field(string $kind, array $said, string $field, string $answer): void
    {
        try {
            self::read($kind, $said);
            self::fail('It was taken.');
        } catch (BadInput $wrong) {
            self::assertSame($field, $wrong->field);
            self::assertStringContainsString($answer, Words::of($wrong->says));
        }
    }

    /** @return iterable<string, array{array<string, mixed>, list<string>}> what the sheet says, and what is asked back */
    public static function doubtful(): iterable
    {
        $sg = ['a' => 1.05, 'b' => 1.2];
        // 1 : 1 by volume of 1.05 and 1.2 weigh 100 : 114.3.
        yield 'by weight and by volume agree' => [
            ['ratio' => ['a' => 100, 'b' => 114], 'ratio_volume' => ['a' => 1, 'b' => 1], 'sg' => $sg], [],
        ];
        yield 'they cannot both be right' => [
            ['ratio' => ['a' => 1, 'b' => 1], 'ratio_volume' => ['a' => 1, 'b' => 1], 'sg' => $sg], ['ratio_against_density'],
        ];
        yield 'measured by volume, weighed the same' => [
            ['ratio' => ['a' => 1, 'b' => 1], 'measured_by_volume_ok' => true, 'sg' => $sg], ['volume_is_not_weight'],
        ];
        yield 'measured by volume, alike' => [
            ['ratio' => ['a' => 1, 'b' => 1], 'measured_by_volume_ok' => true, 'sg' => ['a' => 1.05, 'b' => 1.055]], [],
        ];
        // (1 + 1) / (1/1.05 + 1/1.2) = 1.12 g/ml, 892.9 ml/kg.
        yield 'the yield fits' => [['ratio' => ['a' => 1, 'b' => 1], 'sg' => $sg, 'yield_ml_per_kg' => 893], []];
        yield 'the yield does not' => [['ratio' => ['a' => 1, 'b' => 1], 'sg' => $sg, 'yield_ml_per_kg' => 990], ['yield_against_density']];
        yield 'nothing to compare with' => [
            ['ratio' => ['a' => 1, 'b' => 1], 'ratio_volume' => ['a' => 1, 'b' => 1], 'yield_ml_per_kg' => 900], [],
        ];
    }

    /**
     * @param  array<string, mixed>  $sheet
     * @param  list<string>  $codes
     */
    #[DataProvider('doubtful')]
    public function test_two_figures_that_contradict_each_other_are_questioned(array $sheet, array $codes): void
    {
        $doubts = (new SheetDoubts)->in(self::read('base', [...self::BARE, ...$sheet]));

        self::assertSame($codes, array_column($doubts, 'code'));
        foreach ($doubts as $doubt) {
            self::assertNotSame('', Words::of($doubt['message']));
        }
    }

    public function test_every_field_says_why_and_every_optional_one_what_still_works(): void
    {
        foreach (SheetKind::cases() as $kind) {
            foreach (Written::form($kind)->fields() as $field) {
                self::assertNotSame('', $field->why, "{$kind->value}.{$field->at}");
                self::assertSame($field->needed, $field->open === '', "{$kind->value}.{$field->at}");
            }
        }
    }

    /**
     * @param  array<string, mixed>  $said
     * @return array<string, mixed>
     */
    private static function read(string $kind, array $said): array
    {
        return Written::form(SheetKind::from($kind))->read(Fields::of($said), Written::words());
    }
}
