<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Contact;

use Apalos\Core\Casting\Heat;
use Apalos\Core\Contact\ContactAnswer;
use Apalos\Core\Contact\ContactEngine;
use Apalos\Core\Contact\ContactRequest;
use Apalos\Core\Contact\ContactResult;
use Apalos\Core\Contact\Overruling;
use Apalos\Core\Contact\Verdict;
use Apalos\Core\Contact\WayKind;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Tests\Material\SheetsTest;
use Apalos\Core\Tests\Words;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Yaml\Yaml;

/** What a practitioner would say of contacts, line by line; C certain, L likely. */
final class CraftTest extends TestCase
{
    private const SEVERITY = ['clear' => 0, 'release' => 1, 'seal-and-release' => 2, 'test-first' => 3, 'stop' => 4];

    /** @param  array<string, mixed>  $more */
    private static function request(string $fresh, string $surface, array $more = []): ContactRequest
    {
        $in = [
            'fresh' => ['family' => $fresh, 'skin_safe' => $more['skin_safe'] ?? false],
            'surface' => ['id' => $surface, ...$more['is'] ?? []], 'intent' => $more['intent'] ?? 'separate',
            'release' => $more['release'] ?? null, 'use' => $more['use'] ?? [], 'tests' => $more['tests'] ?? [],
        ];

        return ContactRequest::from(Fields::of($in), Shipped::knowledge());
    }

    /** @param  array<string, mixed>  $more */
    private static function judge(string $fresh, string $surface, array $more = []): ContactResult
    {
        return (new ContactEngine(Shipped::knowledge()))->judge(self::request($fresh, $surface, $more));
    }

    /** @return iterable<string, array{string, string, array<string, mixed>, string}> */
    public static function hurts(): iterable
    {
        $is = static fn (mixed ...$state): array => ['is' => $state];
        foreach ([
            ['C day-old plaster under hot vinyl', 'plastisol', 'plaster', $is(hours_since_cure: 24), 'stop'],
            ['C shellac does not make it dry', 'plastisol', 'plaster', $is(hours_since_cure: 24, sealed_with: 'shellac'), 'stop'],
            ['C nor does glue', 'plastisol', 'plaster', $is(sealed_with: 'wood-glue'), 'stop'],
            ['C nor six days', 'plastisol', 'plaster', $is(hours_since_cure: 150), 'stop'],
            ['C of unknown age', 'plastisol', 'plaster', [], 'stop'],
            ['C cement too', 'plastisol', 'cement', $is(hours_since_cure: 100), 'stop'],
            ['C and concrete', 'plastisol', 'stone', [], 'stop'],
            ['C proved dry it wants its pores closed', 'plastisol', 'plaster', $is(proved_dry: true), 'seal-and-release'],
            ['C shellac burns off', 'plastisol', 'plaster', $is(proved_dry: true, sealed_with: 'shellac'), 'stop'],
            ['C acrylic too', 'plastisol', 'plaster', $is(proved_dry: true, sealed_with: 'acrylic-spray'), 'stop'],
            ['C what got damp again is not proved', 'plastisol', 'plaster', $is(proved_dry: true, damp: true), 'stop'],
            ['C damp silicone', 'plastisol', 'silicone-platinum', $is(damp: true), 'stop'],
            ['C water clay', 'plastisol', 'clay-water', [], 'stop'],
            ['C wiped with solvent half an hour ago', 'plastisol', 'metal', $is(solvent_min_ago: 30), 'stop'],
            ['C more than an hour ago', 'plastisol', 'metal', $is(solvent_min_ago: 61), 'clear'],
            ['C polypropylene', 'plastisol', 'pp-sheet', [], 'stop'],
            ['C foam', 'plastisol', 'foam-polystyrene', [], 'stop'],
            ['C wax', 'plastisol', 'wax', [], 'stop'],
            ['C oil clay', 'plastisol', 'clay-oil-sulphur-free', [], 'stop'],
            ['C paint', 'plastisol', 'painted', [], 'stop'],
            ['C wood', 'plastisol', 'wood', [], 'stop'],
            ['C sealed wood no less', 'plastisol', 'wood', $is(sealed_with: 'wood-glue'), 'stop'],
            ['C latex', 'plastisol', 'latex', [], 'stop'],
            ['C urethane, a test at best', 'plastisol', 'urethane', [], 'test-first'],
            [
                'C and a test that passed does not make it more', 'plastisol', 'urethane',
                ['tests' => [['fresh' => 'plastisol', 'surface' => 'urethane', 'passed' => true]]], 'test-first',
            ],
            ['C what nobody can name', 'plastisol', 'unknown', [], 'stop'],
            ['C clay nobody can name', 'plastisol', 'clay-unknown', [], 'stop'],
            ['C cured silicone bears it', 'plastisol', 'silicone-platinum', [], 'clear'],
            ['C plaster on skin', 'plaster', 'skin', ['skin_safe' => true], 'stop'],
            ['C cement on skin', 'cement', 'skin', ['skin_safe' => true], 'stop'],
            ['C alginate is another thing', 'alginate', 'skin', ['skin_safe' => true], 'release'],
            ['C skin demands what is for skin, without a flag', 'silicone-platinum', 'skin', [], 'stop'],
            ['C and takes it', 'silicone-platinum', 'skin', ['skin_safe' => true], 'release'],
            [
                'C a release that is not for skin does not go on it', 'silicone-platinum', 'skin',
                ['skin_safe' => true, 'release' => 'wax-spray'], 'stop',
            ],
            ['C film while it is wet', 'cap-plastic', 'skin', ['skin_safe' => true], 'stop'],
            ['C hot wax on skin', 'wax', 'skin', ['skin_safe' => true], 'stop'],
        ] as $line) {
            yield $line[0] => array_slice($line, 1);
        }
    }

    /** @return iterable<string, array{string, string, array<string, mixed>, string}> */
    public static function ruins(): iterable
    {
        $is = static fn (mixed ...$state): array => ['is' => $state];
        foreach ([
            ['C talc is no release for urethane', 'urethane-rubber', 'silicone-platinum', ['release' => 'talc'], 'stop'],
            ['C nor for epoxy', 'epoxy', 'metal', ['release' => 'talc'], 'stop'],
            ['C nor for polyester', 'polyester', 'metal', ['release' => 'talc'], 'stop'],
            ['C nor for plaster', 'plaster', 'plaster', ['release' => 'talc'], 'stop'],
            ['C for latex it is', 'latex', 'latex', ['release' => 'talc'], 'release'],
            ['C alginate is wet for epoxy', 'epoxy', 'alginate', [], 'stop'],
            ['C and for polyester', 'polyester', 'alginate', [], 'stop'],
            ['C water clay for urethane', 'urethane-resin', 'clay-water', [], 'stop'],
            ['C sealed it is a test', 'urethane-resin', 'clay-water', $is(sealed_with: 'shellac'), 'test-first'],
            ['C polystyrene under polyester', 'polyester', 'foam-polystyrene', [], 'stop'],
            ['C which foam, it asks', 'polyester', 'foam-block', [], 'test-first'],
            ['C lacquer melts it', 'plaster', 'foam-polystyrene', $is(sealed_with: 'lacquer'), 'stop'],
            ['C latex on damp plaster', 'latex', 'plaster', $is(damp: true), 'stop'],
            ['C latex on dry plaster', 'latex', 'plaster', [], 'clear'],
            ['C latex on oil clay', 'latex', 'clay-oil-sulphur-free', [], 'stop'],
            ['C acetic silicone glues glass', 'silicone-acetoxy', 'glass', [], 'release'],
            ['C it corrodes copper', 'silicone-acetoxy', 'copper', [], 'test-first'],
            ['C it etches marble', 'silicone-acetoxy', 'stone', [], 'test-first'],
            ['C paint is tested', 'silicone-acetoxy', 'painted', [], 'test-first'],
            ['C a fresh print stops platinum', 'silicone-platinum', 'print-resin', [], 'stop'],
            ['C age alone is no cure', 'silicone-platinum', 'print-resin', $is(hours_since_cure: 5000), 'stop'],
            ['L a clear barrier helps: test', 'silicone-platinum', 'print-resin', $is(sealed_with: 'shellac'), 'test-first'],
            ['C washed, lit and warmed', 'silicone-platinum', 'print-resin', $is(post_cured: true), 'test-first'],
            [
                'C young silicone bonds', 'silicone-platinum', 'silicone-platinum', ['intent' => 'bond', 'is' => ['hours_since_cure' => 2]],
                'clear',
            ],
            [
                'C old silicone: test or prime', 'silicone-platinum', 'silicone-platinum',
                ['intent' => 'bond', 'is' => ['hours_since_cure' => 400]], 'test-first',
            ],
            [
                'C tin on platinum: test or prime', 'silicone-tin', 'silicone-platinum',
                ['intent' => 'bond', 'is' => ['hours_since_cure' => 2]], 'test-first',
            ],
            ['L tin on a print that is not cured through', 'silicone-tin', 'print-resin', [], 'test-first'],
            ['C vulcanised rubber stops platinum', 'silicone-platinum', 'rubber-vulcanised', [], 'stop'],
            ['C superglue is tested', 'silicone-platinum', 'superglue', [], 'test-first'],
            ['C tape glue is tested', 'silicone-platinum', 'tape-glue', [], 'test-first'],
            ['C polyester filler is tested', 'silicone-platinum', 'filler-polyester', [], 'test-first'],
            ['C copper ruins latex', 'latex', 'copper', [], 'stop'],
            ['C glazed ceramic is like glass', 'silicone-platinum', 'ceramic', [], 'release'],
            ['C concrete is glass-like and drinks', 'silicone-platinum', 'stone', [], 'seal-and-release'],
            ['C urethane on plaster nobody proved dry', 'urethane-rubber', 'plaster', $is(sealed_with: 'shellac'), 'test-first'],
            ['C proved dry, the test is lifted', 'urethane-rubber', 'plaster', $is(sealed_with: 'shellac', proved_dry: true), 'release'],
            [
                'C a test of its own lifts it as well', 'urethane-rubber', 'plaster',
                [
                    'is' => ['sealed_with' => 'shellac'],
                    'tests' => [['fresh' => 'urethane-rubber', 'surface' => 'plaster', 'passed' => true]],
                ],
                'release',
            ],
        ] as $line) {
            yield $line[0] => array_slice($line, 1);
        }
    }

    /** @param  array<string, mixed>  $more */
    #[DataProvider('hurts')]
    #[DataProvider('ruins')]
    public function test_a_line_of_the_craft(string $fresh, string $surface, array $more, string $verdict): void
    {
        $result = self::judge($fresh, $surface, $more);
        self::assertSame($verdict, $result->verdict->value, Words::of($result->because[0]['text']));
        self::assertSame($verdict === 'clear' || ($verdict === 'release' && isset($more['release'])), $result->safe);
    }

    /** @param  array<string, mixed>  $more */
    #[DataProvider('hurts')]
    public function test_no_test_no_reason_and_no_way_out_talks_a_stop_that_hurts_round(
        string $fresh,
        string $surface,
        array $more,
        string $verdict,
    ): void {
        if ($verdict !== 'stop' || isset($more['release'])) {
            self::assertTrue(true);

            return;
        }
        $passed = ['tests' => [['fresh' => $fresh, 'surface' => $surface, 'passed' => true]]];
        self::assertSame('stop', self::judge($fresh, $surface, [...$more, ...$passed])->verdict->value);
        $request = self::request($fresh, $surface, $more);
        $result = self::judge($fresh, $surface, $more);
        try {
            Overruling::of('I have always done it so, and it went well', true, $request, $result);
            self::fail('Nobody overrules what scalds.');
        } catch (BadInput $wrong) {
            self::assertSame('overruled', $wrong->field);
        }
        foreach (ContactAnswer::to($request, Shipped::knowledge(), SheetsTest::shelf())->ways as $way) {
            self::assertTrue($way->result->safe, Words::of($way->what));
            self::assertNotContains(
                'dry',
                array_map(
                    static fn (array $step): string => $step['id'],
                    array_filter($way->steps, static fn (array $step): bool => $step['kind'] === WayKind::Wait && $surface === 'plaster'),
                ),
                'A night does not dry a plaster.',
            );
            foreach ($way->steps as $step) {
                $copy = $step['kind'] === WayKind::Link ? SheetsTest::shelf()->bases[$step['id']] : null;
                self::assertFalse(
                    $fresh === 'plastisol' && $copy !== null && str_starts_with($copy->family, 'urethane') && $step === end($way->steps),
                    'No copy in urethane under hot vinyl.',
                );
            }
        }
    }

    /** A surface that is worse in one thing is never judged better for it, whatever else is so of it. */
    public function test_a_worse_state_never_makes_a_verdict_better(): void
    {
        $worse = [
            'damp' => [true, false], 'latex_touched' => [true, false], 'proved_dry' => [false, true], 'post_cured' => [false, true],
            'solvent_min_ago' => [2, 5000],
        ];
        foreach (Shipped::knowledge()->families as $fresh) {
            foreach (Shipped::knowledge()->surfaces as $surface) {
                foreach ([
                    [], ['sealed_with' => 'wood-glue'], ['hours_since_cure' => 4], ['proved_dry' => true, 'sealed_with' => 'wood-glue'],
                ] as $else) {
                    foreach ($worse as $what => [$bad, $good]) {
                        $severity = static fn (mixed $value): int => self::SEVERITY[
                            self::judge($fresh->id, $surface->id, ['is' => [...$else, $what => $value]])->verdict->value
                        ];
                        self::assertGreaterThanOrEqual(
                            $severity($good), $severity($bad), "{$fresh->id} on {$surface->id}, {$what} ".json_encode($else),
                        );
                    }
                }
            }
        }
    }

    /** What a way out promises is asked again with all that it changes, and is safe then. */
    public function test_a_way_out_asked_again_is_safe(): void
    {
        foreach ([
            ['plastisol', 'plaster', []], ['urethane-rubber', 'plaster', []], ['silicone-platinum', 'print-resin', []],
            ['epoxy', 'cement', []], ['plastisol', 'metal', ['solvent_min_ago' => 10]],
        ] as [$fresh, $surface, $is]) {
            $answer = ContactAnswer::to(self::request($fresh, $surface, ['is' => $is]), Shipped::knowledge(), SheetsTest::shelf());
            $asked = 0;
            foreach ($answer->ways as $way) {
                $again = ['is' => $is];
                $same = true;
                foreach ($way->steps as $step) {
                    match ($step['kind']) {
                        WayKind::Seal, WayKind::Barrier => $again['is']['sealed_with'] = $step['id'],
                        WayKind::Release => $again['release'] = $step['id'],
                        WayKind::Wait => $again['is'] = [
                            ...$again['is'],
                            ...[
                                'prove-dry' => ['proved_dry' => true, 'damp' => false], 'post-cure' => ['post_cured' => true],
                                'solvent_below' => ['solvent_min_ago' => 5000],
                            ][$step['id']] ?? [],
                        ],
                        WayKind::Test => $again['tests'] = [['fresh' => $fresh, 'surface' => $surface, 'passed' => true]],
                        default => $same = false,
                    };
                }
                if ($same) {
                    $asked++;
                    self::assertTrue(self::judge($fresh, $surface, $again)->safe, "{$fresh} on {$surface}: ".Words::of($way->what));
                }
            }
            self::assertGreaterThan(0, $asked, "{$fresh} on {$surface} has a way of its own.");
        }
    }

    public function test_nothing_that_bears_less_than_vinyl_comes_at_is_clear_under_it(): void
    {
        $hot = Heat::from(Fields::of(Yaml::parseFile(__DIR__.'/../../../library/casting/hot.yaml')['heat']));
        $bears = 0;
        foreach (Shipped::knowledge()->surfaces as $id => $surface) {
            // Vinyl is poured onto vinyl to weld to it: that is how a second colour is cast.
            if ($id !== 'plastisol' && $surface->bears !== null && $surface->bears->degrees < $hot->from->degrees) {
                $verdict = self::judge('plastisol', $id)->verdict;
                self::assertContains($verdict, [Verdict::Stop, Verdict::TestFirst], "{$id} bears {$surface->bears->degrees} °C.");
                $bears++;
            }
        }
        self::assertGreaterThan(25, $bears);
    }

    public function test_hot_vinyl_on_plaster_is_led_to_the_scale_and_nowhere_else(): void
    {
        $ways = ContactAnswer::to(
            self::request('plastisol', 'plaster', ['is' => ['hours_since_cure' => 24, 'sealed_with' => 'shellac']]), Shipped::knowledge(),
            SheetsTest::shelf(),
        )->ways;
        self::assertSame([], array_filter($ways, static fn ($way): bool => $way->result->verdict === Verdict::Stop));
        $bare = ContactAnswer::to(self::request('plastisol', 'plaster'), Shipped::knowledge(), SheetsTest::shelf())->ways;
        $own = array_values(
            array_filter(
                $bare, static fn ($way): bool => $way->steps[0]['kind'] !== WayKind::Link && $way->steps[0]['kind'] !== WayKind::Base,
            ),
        );
        self::assertNotSame([], $own);
        foreach ($own as $way) {
            self::assertContains('prove-dry', array_column($way->steps, 'id'));
        }
    }

    /** A surface of the shop's own that only says that it drinks is no less wet for that. */
    public function test_a_porous_surface_of_ones_own_is_a_stop_for_hot_vinyl_until_it_is_proved_dry(): void
    {
        $knowledge = Shipped::knowledge()->and(
            [
                'our-cast' => [
                    'name' => 'our casting stone', 'like' => ['plaster', 'absorbent', 'mineral', 'holds-water'], 'porous' => true,
                ],
                'our-board' => ['name' => 'our board', 'like' => ['absorbent'], 'porous' => true],
            ],
            [], [],
        );
        foreach (['our-cast', 'our-board'] as $surface) {
            $judge = static fn (array $is): ContactResult => (new ContactEngine($knowledge))->judge(
                ContactRequest::from(
                    Fields::of(['fresh' => ['family' => 'plastisol', 'skin_safe' => false], 'surface' => ['id' => $surface, ...$is]]),
                    $knowledge,
                ),
            );
            self::assertSame('stop', $judge(['sealed_with' => 'wood-glue'])->verdict->value);
            self::assertNotSame('stop', $judge(['sealed_with' => 'wood-glue', 'proved_dry' => true])->verdict->value);
            $request = ContactRequest::from(
                Fields::of(['fresh' => ['family' => 'plastisol', 'skin_safe' => false], 'surface' => ['id' => $surface]]), $knowledge,
            );
            $own = array_filter(
                ContactAnswer::to($request, $knowledge, SheetsTest::shelf())->ways,
                static fn ($way): bool => $way->steps[0]['kind'] === WayKind::Wait,
            );
            self::assertNotSame([], $own, 'It is led to the scale.');
        }
    }
}
