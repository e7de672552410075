<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Build;

use Apalos\Core\Build\BrushedMould;
use Apalos\Core\Build\BrushedMouldRequest;
use Apalos\Core\Build\BrushedMouldResult;
use Apalos\Core\Build\Coat;
use Apalos\Core\Day\DayOperation;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Result\Warning;
use Apalos\Core\Tests\Words;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class BrushedMouldTest extends TestCase
{
    private const GLOVE = [
        'area_mm2' => 96000, 'flange_mm2' => 24000, 'thickness_mm' => ['least' => 6, 'most' => 8], 'print_mm' => 0.8, 'coat_mm' => 2.2,
        'fill_ml' => 35, 'loss_pct' => 12, 'sg' => 1.1,
        'times' => ['pot_life_min' => 18, 'recoat_open_min' => 30, 'recoat_close_min' => 70, 'demould_min' => 240], 'mix_min' => 1.5,
        'brush_ml_per_min' => 50,
        'thickener_pct_of_ab' => 0.3, 'tints' => ['white', 'red'], 'keys' => ['count' => 12, 'each_ml' => 4, 'set_min' => 90],
        'jacket' => ['wait_min' => 120, 'hands_min' => 45],
    ];

    /** @param  array<string, mixed>  $changes */
    private static function planned(array $changes = []): BrushedMouldResult
    {
        return (new BrushedMould)->plan(BrushedMouldRequest::from(Fields::of([...self::GLOVE, ...$changes])));
    }

    public function test_a_glove_of_four_coats(): void
    {
        $glove = self::planned();
        $of = static fn (callable $what): array => array_map($what, $glove->coats);

        self::assertEqualsWithDelta(7.0, $glove->wall, 1e-12);
        self::assertEqualsWithDelta([118.3, 348.7, 305.5, 305.5], $of(static fn (Coat $coat): float => $coat->mass->g), 0.05);
        self::assertEqualsWithDelta([0, 1.05, 0.92, 0.92], $of(static fn (Coat $coat): float => $coat->thickener->g), 0.005);
        self::assertEqualsWithDelta([3.65, 7.84, 7.06, 7.06], $of(static fn (Coat $coat): float => $coat->hands), 0.005);
        self::assertSame(['white', 'red', 'white', 'red'], $of(static fn (Coat $coat): ?string => $coat->tint));
        self::assertSame([1, 1, 1, 1], $of(static fn (Coat $coat): int => $coat->cups));
        self::assertEqualsWithDelta(
            [1078.0, 48.0, 59.1, 7.3], [$glove->mass()->g, $glove->keys?->ml, $glove->keysMass?->g, $glove->embedWithin], 0.05,
        );
        self::assertSame([], $glove->warnings);
    }

    public function test_its_coats_wait_for_each_other_and_the_last_for_the_keys_too(): void
    {
        $operations = array_map(static fn (DayOperation $one): array => $one->toArray(), self::planned()->operations);

        self::assertSame(['keys', 'print', 'coat2', 'coat3', 'coat4', 'jacket'], array_column($operations, 'id'));
        self::assertSame([['op' => 'coat2', 'from_min' => 30.0, 'until_min' => 70.0]], $operations[3]['after']);
        self::assertSame(
            [['op' => 'coat3', 'from_min' => 30.0, 'until_min' => 70.0], ['op' => 'keys', 'from_min' => 90.0, 'until_min' => null]],
            $operations[4]['after'],
        );
        self::assertSame([['op' => 'coat4', 'from_min' => 120.0, 'until_min' => null]], $operations[5]['after']);
        self::assertSame(
            ['print', 'coat2', 'coat3'],
            array_map(
                static fn (DayOperation $one): string => $one->id,
                self::planned(['keys' => null, 'jacket' => null, 'thickness_mm' => ['least' => 3, 'most' => 4]])->operations,
            ),
        );
    }

    /** What the coats hold is the wall times what it covers, whatever it is divided into. */
    public function test_the_coats_add_up_to_the_wall(): void
    {
        foreach ([
            [2.0, 3.0, 0.5, 1.0], [6.0, 8.0, 0.8, 2.2], [9.0, 15.0, 1.2, 3.1], [4.0, 4.0, 0.3, 0.4],
        ] as [$least, $most, $print, $coat]) {
            $glove = self::planned(['thickness_mm' => ['least' => $least, 'most' => $most], 'print_mm' => $print, 'coat_mm' => $coat]);
            $volumes = array_map(static fn (Coat $one): float => $one->volume->ml, $glove->coats);

            self::assertEqualsWithDelta(120.0 * ($least + $most) / 2.0 + 35.0, array_sum($volumes), 1e-9);
            self::assertGreaterThanOrEqual(3, count($volumes));
            foreach (array_slice($glove->coats, 1) as $one) {
                self::assertLessThanOrEqual($coat + 1e-9, $one->thickness);
            }
        }
    }

    public function test_a_cup_holds_what_can_be_brushed_in_time(): void
    {
        // 0.8 × 5 − 1.5 = 2.5 min at 50 ml: 125 ml a cup; 120 000 mm² × 2.0667 mm and loss are 277.8 ml: three cups.
        $glove = self::planned(['times' => ['pot_life_min' => 5, 'recoat_open_min' => 8, 'recoat_close_min' => 15], 'fill_ml' => 0]);

        self::assertSame(3, $glove->coats[1]->cups);
        self::assertEqualsWithDelta(3 * 1.5 + 277.76 / 50, $glove->coats[1]->hands, 1e-6);
        self::assertSame(0.0, $glove->embedWithin);
        self::assertEqualsCanonicalizing(
            ['window_shut', 'many_cups'], array_map(static fn (Warning $one): string => $one->code, $glove->warnings),
        );
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function doubts(): iterable
    {
        yield 'a wall that is a block' => [['thickness_mm' => ['least' => 12, 'most' => 16]], 'too_thick'];
        yield 'a coat that sags' => [['coat_mm' => 6, 'thickness_mm' => ['least' => 10, 'most' => 12]], 'too_thick'];
        yield 'one tint' => [['tints' => ['white']], 'one_tint'];
        yield 'the same tint twice' => [['tints' => ['white', 'white']], 'one_tint'];
        yield 'no tint' => [['tints' => []], 'one_tint'];
    }

    /** @param  array<string, mixed>  $changes */
    #[DataProvider('doubts')]
    public function test_what_makes_a_doubtful_glove_is_said(array $changes, string $code): void
    {
        self::assertContains($code, array_map(static fn (Warning $one): string => $one->code, self::planned($changes)->warnings));
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> */
    public static function nonsense(): iterable
    {
        yield 'no time to brush' => [['mix_min' => 15], 'times.pot_life_min', 'no time is left'];
        yield 'thinner than a brush leaves' => [['print_mm' => 0.1], 'print_mm', 'thinner than a brush'];
        yield 'thicker than holds' => [['coat_mm' => 12], 'coat_mm', 'does not stay'];
        yield 'a print coat that is all' => [['print_mm' => 7], 'print_mm', 'whole wall'];
        yield 'no room for two coats' => [
            ['thickness_mm' => ['least' => 1, 'most' => 1], 'print_mm' => 0.8], 'thickness_mm', 'thinner than a brush',
        ];
        yield 'a window the wrong way round' => [
            ['times' => ['pot_life_min' => 18, 'recoat_open_min' => 70, 'recoat_close_min' => 30]], 'times.recoat_close_min',
            'turn the two round',
        ];
        yield 'most below least' => [['thickness_mm' => ['least' => 8, 'most' => 6]], 'thickness_mm.most', '8'];
        yield 'half a key' => [['keys' => ['count' => 1.5, 'each_ml' => 4, 'set_min' => 90]], 'keys.count', 'whole'];
        yield 'no recoat window' => [['times' => ['pot_life_min' => 18]], 'times.recoat_open_min', ''];
    }

    /** @param  array<string, mixed>  $changes */
    #[DataProvider('nonsense')]
    public function test_what_no_brush_can_do_is_refused_at_its_field(array $changes, string $field, string $says): void
    {
        try {
            self::planned($changes);
            self::fail('It was taken.');
        } catch (BadInput $wrong) {
            self::assertSame($field, $wrong->field);
            self::assertStringContainsString($says, Words::of($wrong->says));
        }
    }
}
