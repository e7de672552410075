<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Mould;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Mould\MouldChooser;
use Apalos\Core\Mould\MouldResult;
use Apalos\Core\Mould\PieceRequest;
use Apalos\Core\Mould\RankedMould;
use Apalos\Core\Tests\Contact\Shipped;
use Apalos\Core\Tests\Words;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Yaml\Yaml;

final class MouldChooserTest extends TestCase
{
    /**
     * @param  array<string, mixed>  $more
     * @return array<string, mixed> a grip seen all round, unless said otherwise
     */
    private static function piece(array $more = []): array
    {
        return [...[
            'size_mm' => ['l' => 150, 'w' => 42, 'h' => 42], 'undercuts' => 'slight', 'detail' => 'fine', 'casts' => 24,
            'casting' => ['family' => 'urethane-rubber', 'heat_c' => 25],
            'original' => ['surface' => 'clay-oil-sulphur-free', 'may_be_lost' => true],
            'flat_back' => false, 'hollow' => false, 'skin' => false, 'budget' => 'normal',
        ], ...$more];
    }

    /** @param  array<string, mixed>  $more */
    private static function choose(array $more = []): MouldResult
    {
        $shelves = Shipped::shelves();

        return (new MouldChooser($shelves->moulds, $shelves->contacts))->choose(
            PieceRequest::from(Fields::of(self::piece($more)), $shelves->contacts),
        );
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function pieces(): iterable
    {
        yield 'a grip seen all round' => [[], 'two-part-block'];
        yield 'a coin' => [
            ['size_mm' => ['l' => 40, 'w' => 40, 'h' => 6], 'undercuts' => 'none', 'flat_back' => true, 'casts' => 5, 'detail' => 'plain'],
            'flat',
        ];
        yield 'a button pressed off in minutes' => [
            [
                'size_mm' => ['l' => 30, 'w' => 30, 'h' => 28], 'undercuts' => 'none', 'casts' => 5, 'detail' => 'plain',
                'budget' => 'thrifty',
            ],
            'pressed-putty',
        ];
        yield 'a relief with a flat back' => [
            ['size_mm' => ['l' => 160, 'w' => 120, 'h' => 60], 'undercuts' => 'slight', 'flat_back' => true], 'open-block',
        ];
        yield 'a statue as long as an arm' => [
            ['size_mm' => ['l' => 480, 'w' => 220, 'h' => 200], 'undercuts' => 'deep', 'detail' => 'fine', 'casts' => 8], 'brushed-glove',
        ];
        yield 'a brow worn on skin' => [
            [
                'size_mm' => ['l' => 120, 'w' => 60, 'h' => 30], 'skin' => true,
                'casting' => ['family' => 'silicone-platinum', 'heat_c' => 25], 'detail' => 'hair', 'undercuts' => 'none',
            ],
            'snap',
        ];
        yield 'a hollow boot' => [['size_mm' => ['l' => 180, 'w' => 80, 'h' => 120], 'hollow' => true], 'core-and-shell'];
        yield 'garden plaques in plaster, by the hundred' => [
            [
                'size_mm' => ['l' => 150, 'w' => 100, 'h' => 50], 'undercuts' => 'none', 'casts' => 300,
                'casting' => ['family' => 'plaster', 'heat_c' => 30],
            ],
            'bumper',
        ];
    }

    /** @param  array<string, mixed>  $more */
    #[DataProvider('pieces')]
    public function test_what_makers_would_choose_comes_first(array $more, string $kind): void
    {
        $ranked = self::choose($more)->ranked;

        self::assertSame(
            $kind, $ranked[0]->kind,
            implode(', ', array_map(static fn ($m): string => "{$m->kind} {$m->score}", array_slice($ranked, 0, 4))),
        );
        self::assertNotSame([], $ranked[0]->for);
    }

    public function test_every_kind_is_ranked_with_a_score_one_can_open(): void
    {
        $ranked = self::choose()->ranked;

        self::assertCount(count(Yaml::parseFile(__DIR__.'/../../../library/mould-kinds.yaml')['kinds']), $ranked);
        $scores = array_map(static fn ($m): float => $m->score, $ranked);
        $sorted = $scores;
        rsort($sorted);
        self::assertSame($sorted, $scores);
        foreach ($ranked as $mould) {
            self::assertTrue($mould->score >= 0.0 && $mould->score <= 100.0);
            self::assertNotSame([], [...$mould->for, ...$mould->against], $mould->kind);
            self::assertGreaterThan(0.0, $mould->materialMl);
            self::assertGreaterThan(0.0, $mould->cost);
        }
    }

    public function test_sulphur_clay_moves_the_chemistry_to_tin(): void
    {
        $of = static fn (MouldResult $r, string $kind): string => array_values(
            array_filter($r->ranked, static fn ($m): bool => $m->kind === $kind),
        )[0]->chemistry;

        self::assertSame('silicone-platinum', $of(self::choose(), 'two-part-block'));
        self::assertSame(
            'silicone-tin', $of(self::choose(['original' => ['surface' => 'clay-oil-sulphur', 'may_be_lost' => true]]), 'two-part-block'),
        );
    }

    public function test_deep_undercuts_and_many_casts_push_softer(): void
    {
        $hardness = static fn (MouldResult $r): ?array => array_values(
            array_filter($r->ranked, static fn ($m): bool => $m->kind === 'two-part-block'),
        )[0]->hardness;

        self::assertLessThan($hardness(self::choose())['low'], $hardness(self::choose(['undercuts' => 'deep']))['low']);
        self::assertLessThan($hardness(self::choose())['high'], $hardness(self::choose(['casts' => 200]))['high']);
    }

    public function test_what_a_mesh_measured_outranks_the_word_and_its_stretch_is_held_against_a_third_of_elongation(): void
    {
        $mesh = ['undercut_depth_mm' => 0.2, 'stretch_pct' => 250, 'volume_ml' => 120, 'area_mm2' => 30000];
        $result = self::choose(['undercuts' => 'deep', 'mesh' => $mesh]);

        self::assertStringContainsString(
            'no seam',
            implode(' ', array_map(Words::of(...), array_merge(...array_map(static fn ($m): array => $m->for, $result->ranked)))),
        );
        self::assertSame('stretch', $result->warnings[0]->code);
        self::assertStringContainsString('A 25 rubber bears 187 %', Words::of($result->warnings[0]->message));
    }

    public function test_where_schools_differ_both_are_named(): void
    {
        self::assertSame([], self::choose()->schools);
        self::assertStringContainsString(
            'bumper', Words::of(self::choose(['size_mm' => ['l' => 300, 'w' => 200, 'h' => 200]])->schools[0]),
        );
    }

    public function test_a_block_takes_its_box_less_the_piece(): void
    {
        $result = self::choose(['mesh' => ['volume_ml' => 200]]);
        $block = array_values(array_filter($result->ranked, static fn ($m): bool => $m->kind === 'open-block'))[0];

        self::assertSame(12.0, $result->marginMm);
        self::assertEqualsWithDelta(174 * 66 * 66 / 1000 - 200, $block->materialMl, 1e-9);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function nonsense(): iterable
    {
        yield 'an unknown word' => [['undercuts' => 'some'], 'undercuts'];
        yield 'no size' => [['size_mm' => ['l' => 0, 'w' => 1, 'h' => 1]], 'size_mm.l'];
        yield 'no casts' => [['casts' => 0], 'casts'];
        yield 'an unknown material' => [['casting' => ['family' => 'jam', 'heat_c' => 20]], 'casting.family'];
        yield 'an unknown original' => [['original' => ['surface' => 'moon', 'may_be_lost' => true]], 'original.surface'];
        yield 'a yes that is no yes' => [['skin' => 'perhaps'], 'skin'];
    }

    /** @param  array<string, mixed>  $more */
    #[DataProvider('nonsense')]
    public function test_nonsense_is_refused_at_its_field(array $more, string $field): void
    {
        try {
            self::choose($more);
            self::fail('This should have been refused.');
        } catch (BadInput $wrong) {
            self::assertSame($field, $wrong->field);
        }
    }

    /** The hardness a mould wants depends on its chemistry and its cast. */
    public function test_a_urethane_for_concrete_is_harder_than_a_silicone_for_wax(): void
    {
        $of = static fn (string $kind, array $more): ?array => array_column(
            array_map(static fn ($m): array => ['kind' => $m->kind, 'hardness' => $m->hardness], self::choose($more)->ranked), 'hardness',
            'kind',
        )[$kind] ?? null;
        $concrete = $of('glove-urethane', ['casting' => ['family' => 'cement', 'heat_c' => 25], 'casts' => 20]);
        self::assertSame(
            [30.0, 50.0 + 5.0], [$concrete['low'] ?? null, $concrete['high'] ?? null], 'A 30 to 50, and five more in a jacket.',
        );
        $deep = $of('open-block', ['undercuts' => 'deep', 'casting' => ['family' => 'wax', 'heat_c' => 70], 'casts' => 20]);
        self::assertSame([10.0, 20.0], [$deep['low'] ?? null, $deep['high'] ?? null]);
        $many = $of('open-block', ['undercuts' => 'slight', 'casts' => 200]);
        self::assertSame([20.0, 25.0], [$many['low'] ?? null, $many['high'] ?? null]);
    }

    public function test_no_mould_of_urethane_or_plaster_is_proposed_for_hot_vinyl(): void
    {
        $said = json_encode(
            array_map(
                static fn (RankedMould $one): array => array_map(Words::of(...), $one->against),
                self::choose(['casting' => ['family' => 'urethane-resin', 'heat_c' => 90]])->ranked,
            ),
            JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE,
        );
        self::assertStringContainsString('urethane rubber bears about 70 °C: what is cast comes at 90 °C', $said);
        self::assertStringNotContainsString('silicone bears', $said);
        foreach (self::choose(['casting' => ['family' => 'plastisol', 'heat_c' => 170]])->ranked as $ranked) {
            if (in_array($ranked->chemistry, ['urethane-rubber', 'urethane-resin', 'plaster', 'epoxy', 'alginate'], true)) {
                self::assertNotSame([], $ranked->against, "{$ranked->kind} of {$ranked->chemistry}");
                self::assertNotSame(
                    $ranked->kind, self::choose(['casting' => ['family' => 'plastisol', 'heat_c' => 170]])->ranked[0]->kind,
                );
            }
        }
    }
}
