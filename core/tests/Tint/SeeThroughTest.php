<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Tint;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Tint\Depth;
use Apalos\Core\Tint\KubelkaMunk;
use Apalos\Core\Tint\Lab;
use Apalos\Core\Tint\Observer;
use Apalos\Core\Tint\PigmentLoads;
use Apalos\Core\Tint\Spectrum;
use Apalos\Core\Tint\Tinter;
use Apalos\Core\Tint\TintResult;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A colour with a depth: how much shows through is wanted too, and weighed against the colour. */
final class SeeThroughTest extends TestCase
{
    /** @param  array<string, mixed>  $more */
    private static function ask(array $more): TintResult
    {
        $result = (new Tinter)->ask(Fields::of(Palette::question($more)));
        self::assertInstanceOf(TintResult::class, $result);

        return $result;
    }

    /**
     * The layer by another route: band by band, straight from the formula.
     *
     * @param  array<string, float>  $loads
     * @param  array{float, float, float}  $behind
     */
    private static function layer(array $loads, float $mm, array $behind): Lab
    {
        $backing = Spectrum::of(Lab::of(...$behind));
        $named = [];
        foreach (Palette::dozen() as $pigment) {
            $named[$pigment->name] = $pigment;
        }
        $base = Palette::base();
        $bands = [];
        foreach ($backing as $i => $behindBand) {
            [$k, $s] = [$base->k[$i], $base->s[$i]];
            foreach ($loads as $name => $load) {
                $k += $load * $named[$name]->k[$i];
                $s += $load * $named[$name]->s[$i];
            }
            $bands[] = KubelkaMunk::reflectance($k, $s, $mm, $behindBand);
        }

        return Observer::lab($bands);
    }

    /** @return iterable<string, array{array<string, float>, float}> */
    public static function skins(): iterable
    {
        yield 'a thin wash' => [['fawn' => 0.02, 'oxblood' => 0.01], 3.0];
        yield 'skin' => [['bone' => 0.05, 'russet' => 0.03, 'oxblood' => 0.02], 3.0];
        yield 'deep, and thick' => [['bone' => 0.3, 'soot' => 0.05], 5.0];
        yield 'nearly hides' => [['bone' => 0.6, 'fawn' => 0.2], 4.0];
    }

    /** @param  array<string, float>  $loads */
    #[DataProvider('skins')]
    public function test_what_was_mixed_is_found_again_by_its_colour_and_its_depth(array $loads, float $mm): void
    {
        [$light, $dark] = [self::layer($loads, $mm, Depth::LIGHT), self::layer($loads, $mm, Depth::DARK)];
        $shows = 100.0 * (1.0 - $dark->xyz()[1] / $light->xyz()[1]);
        $seen = ['thickness_mm' => $mm, 'backing_lab' => Depth::LIGHT];
        self::assertEqualsWithDelta(
            $shows,
            self::ask([
                ...$seen, 'loads' => $loads, 'target' => ['lab' => $light->toArray(), 'depth' => ['shows_pct' => 50]],
            ])->recipe->showsPct,
            1e-9, 'The forward model.',
        );

        foreach ([['shows_pct' => $shows], ['over_dark_lab' => $dark->toArray()]] as $depth) {
            $found = self::ask([...$seen, 'target' => ['lab' => $light->toArray(), 'depth' => [...$depth, 'weight' => 5]]]);
            self::assertLessThan(0.7, $found->recipe->deltaE);
            self::assertEqualsWithDelta($shows, $found->recipe->showsPct, 2.0);
            self::assertSame([], array_filter($found->warnings, static fn ($warning): bool => $warning->code === 'depth_out_of_reach'));
        }
    }

    public function test_the_more_the_depth_weighs_the_nearer_it_comes_and_the_further_the_colour(): void
    {
        $target = self::layer(['bone' => 0.2, 'russet' => 0.04], 3.0, Depth::LIGHT);
        $before = null;
        foreach ([0.0, 1.0, 4.0, 16.0] as $weight) {
            $found = self::ask([
                'thickness_mm' => 3, 'backing_lab' => Depth::LIGHT,
                'target' => ['lab' => $target->toArray(), 'depth' => ['shows_pct' => 45, 'weight' => $weight]],
            ])->recipe;
            $off = abs(($found->showsPct ?? 0.0) - 45.0);
            if ($before !== null) {
                self::assertLessThanOrEqual($before['off'] + 0.5, $off);
                self::assertGreaterThanOrEqual($before['delta_e'] - 0.1, $found->deltaE);
            }
            $before = ['off' => $off, 'delta_e' => $found->deltaE];
        }
        self::assertLessThan(4.0, $before['off'] ?? INF);
        $plain = self::ask(['thickness_mm' => 3, 'backing_lab' => Depth::LIGHT, 'target' => ['lab' => $target->toArray()]]);
        self::assertNull($plain->recipe->showsPct, 'Where nobody asks, nothing is said.');
    }

    /** @return iterable<string, array{list<float>, float}> Lab, and what is to show through */
    public static function wishes(): iterable
    {
        foreach ([[61.8, 12.8, 22.4], [40.0, 20.0, 18.0], [75.0, 4.0, 14.0], [30.0, 5.0, 5.0]] as $lab) {
            foreach ([5.0, 30.0, 60.0, 90.0] as $shows) {
                yield implode(' ', $lab)." at {$shows} %" => [$lab, $shows];
            }
        }
    }

    /**
     * Whatever is asked for besides, nothing worse is answered than what was found for the colour alone; on the steps of a scale too.
     *
     * @param  list<float>  $lab
     */
    #[DataProvider('wishes')]
    public function test_what_meets_the_colour_alone_stays_in_the_choice(array $lab, float $shows): void
    {
        $seen = ['thickness_mm' => 4, 'backing_lab' => Depth::LIGHT, 'batch_g' => 100, 'division_g' => 0.1];
        $plain = self::ask([...$seen, 'target' => ['lab' => $lab]])->recipe;
        foreach ([0.5, 2.0, 8.0] as $weight) {
            $target = ['lab' => $lab, 'depth' => ['shows_pct' => $shows, 'weight' => $weight]];
            $found = self::ask([...$seen, 'target' => $target])->recipe;
            $same = self::ask([...$seen, 'target' => $target, 'loads' => $plain->loads])->recipe;
            $off = static fn (PigmentLoads $one): float => hypot($one->deltaE, $weight / 10.0 * (($one->showsPct ?? 0.0) - $shows));
            self::assertLessThanOrEqual($off($same) + 1e-6, $off($found));
        }
    }

    /** The colour alone is looked for as well, and takes no more than its share: the worst that may be asked still comes to its depth. */
    public function test_among_very_many_pigments_the_depth_is_not_left_without_a_search(): void
    {
        [$light, $dark] = [
            self::layer(['bone' => 0.05, 'russet' => 0.03, 'oxblood' => 0.02], 3.0, Depth::LIGHT),
            self::layer(['bone' => 0.05, 'russet' => 0.03, 'oxblood' => 0.02], 3.0, Depth::DARK),
        ];
        $shows = 100.0 * (1.0 - $dark->xyz()[1] / $light->xyz()[1]);
        $many = [];
        foreach (range(0, 4) as $shelf) {
            foreach (Palette::dozen() as $pigment) {
                $many[] = [
                    'name' => $pigment->name.($shelf === 0 ? '' : " {$shelf}"),
                    'ks' => ['k' => array_map(static fn (float $k): float => $k * (1.0 + 0.07 * $shelf), $pigment->k), 's' => $pigment->s],
                ];
            }
        }
        $found = self::ask([
            'pigments' => $many, 'max_pigments' => 6, 'thickness_mm' => 3, 'backing_lab' => Depth::LIGHT,
            'target' => ['lab' => $light->toArray(), 'depth' => ['shows_pct' => $shows, 'weight' => 5]],
        ])->recipe;
        self::assertLessThan(2.5, hypot($found->deltaE, 0.5 * (($found->showsPct ?? 0.0) - $shows)));
    }

    public function test_where_colour_and_depth_pull_apart_it_is_said(): void
    {
        $found = self::ask([
            'thickness_mm' => 3, 'backing_lab' => Depth::LIGHT,
            'target' => ['lab' => [20, 0, 0], 'depth' => ['shows_pct' => 90, 'weight' => 0.5]],
        ]);
        self::assertContains('depth_out_of_reach', array_map(static fn ($warning): string => $warning->code, $found->warnings));
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function wrong(): iterable
    {
        yield 'neither said' => [[], 'target.depth.shows_pct'];
        yield 'more than all' => [['shows_pct' => 101], 'target.depth.shows_pct'];
        yield 'at no thickness' => [['shows_pct' => 40, 'at_mm' => 0], 'target.depth.at_mm'];
        yield 'a weight nobody means' => [['shows_pct' => 40, 'weight' => 50], 'target.depth.weight'];
        yield 'another word' => [['shows_pct' => 40, 'deep' => 2], 'target.depth.deep'];
    }

    /** @param  array<string, mixed>  $depth */
    #[DataProvider('wrong')]
    public function test_nonsense_is_refused_in_its_place(array $depth, string $field): void
    {
        try {
            self::ask(['target' => ['lab' => [60, 10, 10], 'depth' => $depth]]);
            self::fail('It was taken.');
        } catch (BadInput $wrong) {
            self::assertSame($field, $wrong->field);
        }
    }
}
