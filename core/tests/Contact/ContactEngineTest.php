<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Contact;

use Apalos\Core\Contact\ContactEngine;
use Apalos\Core\Contact\ContactRequest;
use Apalos\Core\Contact\ContactResult;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Tests\Words;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class ContactEngineTest extends TestCase
{
    /** @param  array<string, mixed>  $more */
    private static function judge(string $fresh, string $surface, array $more = []): ContactResult
    {
        $in = [
            'fresh' => ['family' => $fresh, 'skin_safe' => false], 'surface' => ['id' => $surface], 'intent' => 'separate',
            'release' => null,
        ];
        foreach ($more as $path => $value) {
            $keys = explode('.', $path);
            isset($keys[1]) ? $in[$keys[0]][$keys[1]] = $value : $in[$path] = $value;
        }
        $knowledge = Shipped::knowledge();

        return (new ContactEngine($knowledge))->judge(ContactRequest::from(Fields::of($in), $knowledge));
    }

    /** @return iterable<string, array{string, string, array<string, mixed>, string, string}> verdict, and the rule that decides */
    public static function pairs(): iterable
    {
        $sealed = ['surface.sealed_with' => 'shellac'];
        foreach ([
            // Silicone on silicone: always something between.
            ['silicone-platinum', 'silicone-platinum', [], 'release', 'a-silicone-fuses'],
            ['silicone-tin', 'silicone-tin', [], 'release', 'a-silicone-fuses'],
            ['silicone-tin', 'silicone-platinum', [], 'release', 'a-silicone-fuses'],
            ['silicone-acetoxy', 'silicone-platinum', [], 'release', 'a-silicone-fuses'],
            ['silicone-platinum', 'silicone-tin', [], 'stop', 'i-pt-tin'],
            ['silicone-platinum', 'silicone-acetoxy', [], 'test-first', 'i-pt-acetoxy'],
            ['silicone-platinum', 'silicone-platinum', ['release' => 'silicone-oil-spray'], 'stop', 'never-silicone-oil-spray'],
            ['silicone-platinum', 'silicone-platinum', ['release' => 'talc'], 'stop', 'never-talc'],
            ['silicone-platinum', 'silicone-platinum', ['release' => 'pva-film'], 'stop', 'never-pva-film'],
            ['silicone-platinum', 'silicone-platinum', ['release' => 'paste-wax'], 'stop', 'never-paste-wax'],
            ['silicone-platinum', 'silicone-platinum', ['release' => 'warm-jelly'], 'release', 'a-silicone-fuses'],
            ['silicone-platinum', 'silicone-platinum', ['intent' => 'bond', 'surface.hours_since_cure' => 3], 'clear', 'a-silicone-fuses'],
            ['silicone-platinum', 'silicone-platinum', ['intent' => 'bond'], 'test-first', 'd-bond-old'],
            ['silicone-platinum', 'silicone-platinum', ['intent' => 'bond', 'release' => 'petroleum-jelly'], 'stop', 'bond-greased'],
            ['urethane-rubber', 'silicone-platinum', ['intent' => 'bond'], 'stop', 'bond-nothing-holds'],
            // What stops platinum.
            ['silicone-platinum', 'clay-oil-sulphur', [], 'stop', 'i-pt-sulphur'],
            ['silicone-platinum', 'clay-oil-sulphur', $sealed, 'test-first', 'i-pt-sulphur-sealed'],
            ['silicone-platinum', 'clay-oil-sulphur-free', [], 'clear', 'a-silicone-smooth'],
            ['silicone-platinum', 'latex', [], 'stop', 'i-pt-latex'],
            ['silicone-platinum', 'epoxy', ['surface.hours_since_cure' => 20], 'stop', 'i-pt-epoxy-fresh'],
            ['silicone-platinum', 'epoxy', ['surface.hours_since_cure' => 200], 'test-first', 'i-pt-epoxy'],
            ['silicone-platinum', 'print-resin', ['surface.post_cured' => true], 'test-first', 'i-pt-print'],
            ['silicone-platinum', 'print-resin', [], 'stop', 'i-pt-print-fresh'],
            ['silicone-platinum', 'print-resin', ['surface.hours_since_cure' => 2], 'stop', 'i-pt-print-fresh'],
            ['silicone-platinum', 'clay-polymer', [], 'test-first', 'i-pt-polymer'],
            ['silicone-platinum', 'plastisol', [], 'test-first', 'i-pt-vinyl'],
            ['silicone-platinum', 'polyester', [], 'test-first', 'i-pt-polyester'],
            ['silicone-platinum', 'wood', [], 'test-first', 'i-pt-wood'],
            ['silicone-platinum', 'wood', $sealed, 'clear', 'a-pores-closed'],
            ['silicone-platinum', 'painted', [], 'test-first', 'i-pt-painted'],
            ['silicone-platinum', 'acrylic', ['surface.latex_touched' => true], 'stop', 'i-pt-latex-touched'],
            ['silicone-platinum', 'metal', ['surface.solvent_min_ago' => 5], 'test-first', 'i-pt-solvent'],
            ['silicone-platinum', 'metal', ['surface.solvent_min_ago' => 30], 'clear', 'a-silicone-smooth'],
            // Tin goes over everything, and not on skin.
            ['silicone-tin', 'clay-oil-sulphur', [], 'clear', 'a-silicone-smooth'],
            ['silicone-tin', 'latex', [], 'clear', 'a-silicone-smooth'],
            ['silicone-tin', 'skin', [], 'stop', 'f-tin-skin'],
            // Silicone elsewhere.
            ['silicone-platinum', 'glass', [], 'release', 'a-silicone-silica'],
            ['silicone-platinum', 'acrylic', [], 'clear', 'a-silicone-smooth'],
            ['silicone-platinum', 'pp-sheet', [], 'clear', 'a-silicone-smooth'],
            ['silicone-platinum', 'wax', [], 'clear', 'a-silicone-smooth'],
            ['silicone-platinum', 'abs-brick', [], 'clear', 'a-silicone-smooth'],
            ['silicone-platinum', 'clay-water', [], 'clear', 'a-silicone-smooth'],
            ['silicone-platinum', 'plaster', [], 'seal-and-release', 'a-pores'],
            ['silicone-platinum', 'plaster', $sealed, 'clear', 'a-pores-closed'],
            ['silicone-tin', 'foam-board', [], 'seal-and-release', 'a-pores'],
            ['silicone-platinum', 'foam-block', [], 'seal-and-release', 'a-pores'],
            ['silicone-platinum', 'skin', ['fresh.skin_safe' => true], 'release', 'a-silicone-skin'],
            // Urethane, epoxy, polyester.
            ['urethane-rubber', 'silicone-platinum', [], 'clear', 'a-clinging-silicone'],
            ['urethane-resin', 'metal', [], 'release', 'a-clinging'],
            ['urethane-resin', 'urethane', [], 'release', 'a-clinging'],
            ['epoxy', 'plaster', $sealed, 'test-first', 'i-clinging-holds-water'],
            ['epoxy', 'plaster', ['surface.proved_dry' => true], 'seal-and-release', 'a-pores'],
            ['epoxy', 'plaster', [...$sealed, 'surface.proved_dry' => true], 'release', 'a-clinging-sealed'],
            ['polyester', 'wax', [], 'clear', 'a-clinging-slick'],
            ['polyester', 'pp-sheet', [], 'clear', 'a-clinging-slick'],
            ['urethane-foam', 'skin', [], 'stop', 'f-clinging-skin'],
            ['urethane-resin', 'alginate', [], 'stop', 'i-urethane-wet'],
            ['urethane-rubber', 'plaster', ['surface.damp' => true], 'stop', 'i-urethane-damp'],
            ['urethane-rubber', 'silicone-tin', [], 'test-first', 'i-urethane-tin-kind'],
            ['urethane-rubber', 'silicone-platinum', ['surface.hours_since_cure' => 4], 'test-first', 'i-urethane-tin'],
            ['epoxy', 'metal', ['release' => 'talc'], 'stop', 'wrong-talc'],
            // Plaster, latex, alginate.
            ['plaster', 'plaster', [], 'release', 'a-mineral-on-mineral'],
            ['plaster', 'plaster', $sealed, 'release', 'a-mineral-on-mineral-sealed'],
            ['plaster', 'alginate', [], 'clear', 'a-alginate-plaster'],
            ['plaster', 'silicone-platinum', [], 'clear', 'a-default'],
            ['latex', 'plaster', [], 'clear', 'a-latex-plaster'],
            ['latex', 'plaster', ['release' => 'soap'], 'stop', 'never-soap'],
            ['latex', 'plaster', ['release' => 'petroleum-jelly'], 'stop', 'never-petroleum-jelly'],
            ['latex', 'plaster', $sealed, 'test-first', 'i-latex-sealed'],
            ['latex', 'silicone-platinum', [], 'test-first', 'i-latex-nonporous'],
            // Heat.
            ['plastisol', 'wax', [], 'stop', 'f-vinyl-melts'],
            ['plastisol', 'print-fdm', [], 'stop', 'f-vinyl-melts'],
            ['plastisol', 'abs-brick', [], 'stop', 'f-vinyl-melts'],
            ['plastisol', 'acrylic', [], 'stop', 'f-vinyl-melts'],
            ['plastisol', 'foam-block', [], 'stop', 'f-vinyl-melts'],
            ['plastisol', 'silicone-platinum', [], 'clear', 'a-default'],
            ['plastisol', 'silicone-platinum', ['surface.damp' => true], 'stop', 'f-vinyl-damp'],
            ['plastisol', 'plastisol', [], 'release', 'a-vinyl-vinyl'],
            ['clay-melt', 'alginate', [], 'stop', 'f-clay-alginate'],
            ['wax', 'skin', [], 'stop', 'f-vinyl-skin'],
            // Cap plastic.
            ['cap-plastic', 'silicone-platinum', [], 'clear', 'a-cap-silicone'],
            ['cap-plastic', 'acrylic', [], 'release', 'a-cap-solvent'],
        ] as $pair) {
            yield "{$pair[0]} on {$pair[1]} ".json_encode($pair[2]) => $pair;
        }
    }

    /** @param  array<string, mixed>  $more */
    #[DataProvider('pairs')]
    public function test_the_verdict_and_the_rule_that_decides(
        string $fresh,
        string $surface,
        array $more,
        string $verdict,
        string $rule,
    ): void {
        $result = self::judge($fresh, $surface, $more);

        self::assertSame($verdict, $result->verdict->value);
        self::assertContains($rule, array_column($result->because, 'rule'));
        self::assertSame(in_array($verdict, ['clear'], true) || ($verdict === 'release' && isset($more['release'])), $result->safe);
    }

    public function test_there_are_more_than_sixty_pairs_in_that_table(): void
    {
        self::assertGreaterThan(60, count([...self::pairs()]));
    }

    public function test_a_passed_test_outranks_what_is_usual_but_never_what_is_certain(): void
    {
        $passed = static fn (string $fresh, string $surface): array => [
            'tests' => [['fresh' => $fresh, 'surface' => $surface, 'passed' => true]],
        ];

        $polymer = self::judge('silicone-platinum', 'clay-polymer', $passed('silicone-platinum', 'clay-polymer'));
        self::assertSame('clear', $polymer->verdict->value);
        self::assertContains('own-test', array_column($polymer->because, 'rule'));
        self::assertSame('stop', self::judge('silicone-platinum', 'latex', $passed('silicone-platinum', 'latex'))->verdict->value);
        self::assertSame(
            'test-first', self::judge('silicone-platinum', 'painted', $passed('silicone-platinum', 'clay-polymer'))->verdict->value,
            'A test of another pair says nothing.',
        );
    }

    public function test_a_failed_test_stops_and_the_last_test_counts(): void
    {
        $tests = static fn (bool ...$passed): array => [
            'tests' => array_map(
                static fn (bool $p): array => ['fresh' => 'silicone-platinum', 'surface' => 'painted', 'passed' => $p], $passed,
            ),
        ];

        self::assertSame('stop', self::judge('silicone-platinum', 'painted', $tests(true, false))->verdict->value);
        self::assertSame('clear', self::judge('silicone-platinum', 'painted', $tests(false, true))->verdict->value);
    }

    public function test_the_plan_comes_in_the_order_of_work(): void
    {
        $damp = self::judge('silicone-platinum', 'plaster', ['surface.damp' => true]);
        self::assertSame(['dry', 'seal', 'release'], array_map(static fn ($p): string => $p->do, $damp->plan));
        self::assertSame('Shellac', Words::of($damp->plan[1]->what), 'Of sealers that fit plaster one that platinum bears comes first.');

        $wood = self::judge('silicone-platinum', 'wood', ['surface.solvent_min_ago' => 5]);
        self::assertSame(['wait', 'seal', 'test', 'release'], array_map(static fn ($p): string => $p->do, $wood->plan));
        self::assertEqualsWithDelta(10.0, $wood->plan[0]->minutes, 1e-9);
    }

    public function test_urethane_on_metal_is_released_twice(): void
    {
        self::assertGreaterThanOrEqual(2, self::judge('urethane-resin', 'metal')->plan[0]->coats);
    }

    public function test_on_skin_only_what_is_for_skin_is_offered(): void
    {
        $ids = static fn (ContactResult $r): array => array_map(static fn (array $e): string => $e['release']->id, $r->releases);
        $worn = self::judge('silicone-platinum', 'silicone-platinum', ['use' => ['skin' => true]]);

        self::assertNotContains('wax-spray', $ids($worn));
        self::assertNotContains('jelly-in-naphtha', $ids($worn));
        self::assertContains('warm-jelly', $ids($worn));
        self::assertSame('stop', self::judge('silicone-platinum', 'skin', ['use' => ['skin' => true]])->verdict->value);
    }

    public function test_fine_detail_ranks_what_hides_it_lower_and_disputed_ones_come_last(): void
    {
        $ids = array_map(
            static fn (array $e): string => $e['release']->id,
            self::judge('silicone-platinum', 'silicone-platinum', ['use' => ['fine_detail' => true]])->releases,
        );

        self::assertLessThan(array_search('petroleum-jelly', $ids, true), array_search('warm-jelly', $ids, true));
        self::assertSame(['cooking-oil', 'detergent-film'], array_slice($ids, -2));
    }

    public function test_wear_of_the_mould_by_what_is_cast_in_it(): void
    {
        foreach ([
            'plaster' => 0, 'cement' => 1, 'latex' => 0, 'wax' => 0, 'silicone-platinum' => 1, 'urethane-rubber' => 1,
            'urethane-resin' => 2, 'urethane-foam' => 2, 'plastisol' => 2, 'epoxy' => 2, 'polyester' => 3,
        ] as $family => $wear) {
            self::assertSame($wear, self::judge($family, 'silicone-platinum')->wear, $family);
        }
    }

    public function test_cautions_come_with_the_material_and_the_release(): void
    {
        $said = implode(
            ' ',
            array_map(Words::of(...), self::judge('silicone-platinum', 'silicone-platinum', ['release' => 'jelly-in-naphtha'])->cautions),
        );

        self::assertStringContainsString('no flame', $said);
        self::assertStringContainsString('never latex', $said);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function nonsense(): iterable
    {
        yield 'an unknown material' => [['fresh.family' => 'jam'], 'fresh.family'];
        yield 'an unknown surface' => [['surface.id' => 'moon'], 'surface.id'];
        yield 'an unknown release' => [['release' => 'hope'], 'release'];
        yield 'an unknown sealer' => [['surface.sealed_with' => 'butter'], 'surface.sealed_with'];
        yield 'an unknown intent' => [['intent' => 'marry'], 'intent'];
        yield 'a test of nothing' => [['tests' => [['fresh' => 'jam', 'surface' => 'wax', 'passed' => true]]], 'tests.0.fresh'];
        yield 'hours that are negative' => [['surface.hours_since_cure' => -1], 'surface.hours_since_cure'];
    }

    /** @param  array<string, mixed>  $more */
    #[DataProvider('nonsense')]
    public function test_nonsense_is_refused_at_its_field(array $more, string $field): void
    {
        try {
            self::judge('silicone-platinum', 'silicone-platinum', $more);
            self::fail('This should have been refused.');
        } catch (BadInput $wrong) {
            self::assertSame($field, $wrong->field);
        }
    }
}
