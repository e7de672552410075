<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Ways;

use Apalos\Core\Console\Verb;
use Apalos\Core\Contact\Verdict;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Tests\Contact\Shipped;
use Apalos\Core\Tests\Words;
use Apalos\Core\Ways\Front;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** From a piece to whole ways: each as the engines that stand have it, none beaten by another. */
final class WaysTest extends TestCase
{
    /** @return iterable<string, array{array<string, mixed>}> */
    public static function pieces(): iterable
    {
        yield 'thirty grips in vinyl' => [[]];
        yield 'ten of them with a mould on the rack and bought in' => [
            [
                'casts' => ['count' => 10],
                'rack' => [
                    ['id' => 7, 'kind' => 'two-part-block', 'base' => 'pr-25', 'left' => ['low' => 30, 'likely' => 70, 'high' => 120]],
                ],
                'buy_in' => ['price' => '14.50', 'lead_h' => 96],
            ],
        ];
        yield 'urethane in silicone, as soon as can be' => [['casts' => ['count' => 24, 'code' => 'ur-35', 'ready_by_h' => 120]]];
        yield 'a bust in a glove' => [
            [
                'piece' => ['size_mm' => ['l' => 420, 'w' => 260, 'h' => 240], 'volume_ml' => 9000, 'undercuts' => 'deep'],
                'casts' => ['count' => 3, 'code' => 'cp-70'], 'hands' => ['days' => Thirty::days(40)],
            ],
        ];
        yield 'a brow on skin, of a sulphur clay' => [
            [
                'piece' => [
                    'size_mm' => ['l' => 110, 'w' => 50, 'h' => 22], 'volume_ml' => 24, 'undercuts' => 'none', 'flat_back' => true,
                    'skin' => true, 'original' => ['surface' => 'clay-oil-sulphur'],
                ],
                'casts' => ['count' => 6, 'code' => 'pr-10'],
            ],
        ];
        yield 'one thing off a plaster' => [
            [
                'piece' => ['original' => ['surface' => 'plaster']], 'casts' => ['count' => 1, 'code' => 'ur-35'],
                'hands' => ['days' => Thirty::days(60)],
            ],
        ];
        yield 'printed' => [
            [
                'gear' => ['printer' => true], 'shelf' => ['ur-35', 'hv-08', 'rf-70', 'cp-70', 'cp-70', 'cp-70'],
                'casts' => ['code' => 'ur-35', 'count' => 8],
            ],
        ];
    }

    /** @param  array<string, mixed>  $more */
    #[DataProvider('pieces')]
    public function test_whoever_asks_again_gets_the_same(array $more): void
    {
        $asked = Thirty::asked($more);
        $answer = Thirty::told($asked);
        self::assertNotSame([], $answer['ways'], json_encode($answer['left_out'], JSON_PRETTY_PRINT | JSON_THROW_ON_ERROR));
        foreach ($answer['ways'] as $way) {
            $again = static fn (Verb $verb, array $question): array => json_decode(
                json_encode(Words::book()->tell($verb->answer(Fields::of($question), Shipped::shelves())), JSON_THROW_ON_ERROR), true,
            );
            $cost = $again(Verb::Cost, $way['asked']['cost']);
            self::assertSame(
                [$way['per_piece'], $way['total'], $way['cash']], [$cost['per_piece'], $cost['total'], $cost['cash']], $way['id'],
            );
            $day = $again(Verb::Schedule, $way['asked']['schedule']);
            self::assertTrue($day['feasible'], $way['id']);
            self::assertEqualsWithDelta($way['done_min'], $day['end_min'], 1e-6, $way['id']);
            self::assertEqualsWithDelta($way['late_min'], $day['late_min'], 1e-6, $way['id']);
            $tests = array_filter($way['stages'], static fn (array $stage): bool => $stage['stage'] === 'test');
            foreach ($way['asked']['contact'] as $contact) {
                $judged = $again(Verb::Contact, $contact);
                self::assertTrue(
                    $judged['safe'] || ($judged['verdict'] === Verdict::TestFirst->value && $tests !== []),
                    $way['id'].' '.json_encode($contact, JSON_THROW_ON_ERROR),
                );
            }
            if ($way['asked']['life'] !== null) {
                $low = $again(Verb::Life, $way['asked']['life'])['left']['low'];
                self::assertGreaterThanOrEqual(
                    (int) ceil(ceil($asked['casts']['count'] / ($way['gang'] ?? 1)) / max(1, $low)), $way['moulds'], $way['id'],
                );
            }
            if ($way['asked']['mould'] !== null) {
                $kinds = array_column($again(Verb::Mould, $way['asked']['mould'])['ranked'], null, 'kind');
                self::assertArrayHasKey($way['kind'], $kinds);
            }
            if ($way['asked']['sprue'] !== null) {
                self::assertNotNull($again(Verb::Sprue, $way['asked']['sprue'])['fill_min'], $way['id']);
            }
            if ($way['asked']['gang'] !== null) {
                self::assertGreaterThan(0.0, $again(Verb::Gang, $way['asked']['gang'])['rubber_ml']);
            }
            if ($way['asked']['build'] !== null) {
                $mass = $again(Verb::Build, $way['asked']['build'])['mass_g'];
                self::assertEqualsWithDelta($mass * $way['moulds'], $way['asked']['cost']['materials'][1]['used_g'], 1e-6);
            }
        }
    }

    /** @param  array<string, mixed>  $more */
    #[DataProvider('pieces')]
    public function test_no_way_beats_another_and_there_are_at_most_eight(array $more): void
    {
        $ways = Thirty::answer($more)['ways'];
        $measures = static fn (array $way): array => [(float) $way['per_piece'], $way['done_min'], $way['hands_min'], $way['chance']];
        self::assertLessThanOrEqual(8, count($ways));
        self::assertCount(count($ways), array_unique(array_column($ways, 'id')));
        foreach ($ways as $one) {
            foreach ($ways as $other) {
                self::assertFalse($one !== $other && Front::beats($measures($one), $measures($other)), "{$one['id']} beats {$other['id']}");
            }
        }
    }

    public function test_the_chance_is_what_the_page_says_worked_by_hand(): void
    {
        // Twenty of 24 just so, and 40 of 50 with the rubber and the cast alone the same: a quarter each.
        $past = [
            ['kind' => 'open-block', 'base' => 'pr-25', 'cast' => 'hv-08', 'good' => 20, 'all' => 24],
            ['kind' => 'cut-block', 'base' => 'pr-25', 'cast' => 'hv-08', 'good' => 40, 'all' => 50],
            ['kind' => 'open-block', 'base' => 'pr-10', 'cast' => 'ur-35', 'good' => 0, 'all' => 90],
        ];
        $answer = Thirty::answer(['past' => $past, 'why_not' => ['kind' => 'open-block', 'base' => 'pr-25']]);
        $way = $answer['why_not']['way'];
        $share = (4 * 0.92 + 20 + 0.25 * 40) / (4 + 24 + 0.25 * 50);
        // With vacuum; pr-25 pours for an hour, the vinyl for six minutes at 0.8, and takes half a minute: both met for sure.
        self::assertEqualsWithDelta($share, $way['chance'], 2e-3);
        self::assertSame([24, 50], [(int) $way['rests_on']['same'], (int) $way['rests_on']['alike']]);
        self::assertLessThan($way['chance'], $way['chance_band']['low']);
        self::assertGreaterThan($way['chance'], $way['chance_band']['high']);

        // A log that says of which family counts as one that says of which sheet.
        $families = array_map(
            static fn (array $case): array => [
                ...$case, 'cast' => $case['cast'] === 'hv-08' ? 'plastisol' : $case['cast'],
                'base' => $case['base'] === 'pr-25' ? 'silicone-platinum' : $case['base'],
            ],
            $past,
        );
        self::assertEqualsWithDelta(
            $way['chance'],
            Thirty::answer(['past' => $families, 'why_not' => ['kind' => 'open-block', 'base' => 'pr-25']])['why_not']['way']['chance'],
            1e-9,
        );

        $without = Thirty::answer([
            'past' => $past, 'gear' => ['vacuum' => false], 'why_not' => ['kind' => 'open-block', 'base' => 'pr-25'],
        ])['why_not']['way'];
        self::assertEqualsWithDelta(0.92 * $way['chance'], $without['chance'], 1e-9, 'Thick mould rubber without vacuum.');
        self::assertStringContainsString('without vacuum', implode(' ', $without['against']));
    }

    public function test_moulds_are_as_many_as_life_and_due_want_and_no_more(): void
    {
        $ask = static fn (array $more): array => Thirty::answer([
            'why_not' => ['kind' => 'open-block', 'base' => 'pr-25'], ...$more,
        ])['why_not']['way'];
        $slow = $ask(['casts' => ['code' => 'ur-35', 'count' => 30, 'ready_by_h' => null], 'hands' => ['days' => Thirty::days(80)]]);
        $low = Shipped::shelves();
        $life = Verb::Life->answer(Fields::of($slow['asked']['life']), $low)['left']['low'];
        self::assertSame((int) ceil(30 / $life), $slow['moulds']);
        // Sixteen hours in the mould: a cast a day and a mould. By the tenth day it takes more of them.
        $soon = $ask(['casts' => ['code' => 'ur-35', 'count' => 30, 'ready_by_h' => 24 * 11], 'hands' => ['days' => Thirty::days(80)]]);
        self::assertGreaterThan($slow['moulds'], $soon['moulds']);
        self::assertLessThan($slow['done_min'], $soon['done_min']);
    }

    public function test_what_cannot_be_says_why_what_forbids_most_first(): void
    {
        $answer = Thirty::answer();
        $why = array_column($answer['left_out'], 'why', 'what');
        self::assertSame('There is no printer.', $why['printed-rigid']);
        self::assertSame('Too deep for a tray.', $why['flat']);
        self::assertStringContainsString('too soft', $why['open-block in pr-10']);
        $counts = array_column($answer['left_out'], 'count');
        $sorted = $counts;
        rsort($sorted);
        self::assertSame($sorted, $counts);

        $heat = Thirty::answer(['shelf' => ['pr-10', 'pr-25', 'ur-35', 'hv-08', 'cp-70', 'cp-70']]);
        self::assertStringContainsString('175 °C', implode(' ', array_column($heat['left_out'], 'why')), 'Urethane bears no hot vinyl.');
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function whyNots(): iterable
    {
        yield 'a bumper of urethane under hot vinyl' => [['kind' => 'bumper', 'base' => 'ur-35'], 'bears about'];
        yield 'silicone oil under fresh silicone' => [
            ['kind' => 'open-block', 'base' => 'pr-25', 'cast' => 'pr-10', 'release' => 'silicone-oil-spray'], 'drunk in',
        ];
        yield 'nothing between silicone and silicone' => [['kind' => 'open-block', 'base' => 'ur-35'], 'not made of'];
        yield 'a tray for something so deep' => [['kind' => 'flat', 'base' => 'pr-25'], 'Too deep'];
        yield 'without a printer' => [['kind' => 'printed-rigid'], 'no printer'];
    }

    /** @param  array<string, mixed>  $combination */
    #[DataProvider('whyNots')]
    public function test_why_not_gets_the_first_thing_that_forbids_it(array $combination, string $says): void
    {
        $answer = Thirty::answer(['why_not' => $combination])['why_not'];
        self::assertTrue($answer['forbidden']);
        self::assertStringContainsString($says, $answer['why']);
    }

    public function test_with_nothing_known_it_still_answers_and_asks_what_would_narrow_it_most(): void
    {
        $bare = Thirty::answer(['piece' => ['volume_ml' => null], 'money' => ['prices' => null]]);
        self::assertNotSame([], $bare['ways']);
        $narrows = array_column($bare['ask'], 'narrows', 'about');
        self::assertArrayHasKey('volume_ml', $narrows);
        self::assertArrayHasKey('price:hv-08', $narrows);
        $sorted = $narrows;
        arsort($sorted);
        self::assertSame(array_values($sorted), array_values($narrows));
        self::assertStringContainsString('usual price', implode(' ', $bare['ways'][0]['against']));
        // What is said is asked no more.
        self::assertNotContains('volume_ml', array_column(Thirty::answer()['ask'], 'about'));
    }

    public function test_a_patch_that_cleared_is_tested_no_more_and_one_of_another_rubber_says_nothing(): void
    {
        $ask = static fn (array $tests): array => Thirty::answer([
            'piece' => ['original' => ['surface' => 'clay-unknown']], 'tests' => $tests,
            'why_not' => ['kind' => 'open-block', 'base' => 'pr-25'],
        ])['why_not']['way'];
        $cleared = [
            'fresh' => 'silicone-platinum', 'surface' => 'clay-unknown', 'base' => 'pr-25', 'sealed_with' => null, 'release' => null,
            'passed' => true,
        ];
        self::assertSame('test', $ask([])['stages'][0]['stage']);
        self::assertNotSame('test', $ask([$cleared])['stages'][0]['stage']);
        self::assertSame('test', $ask([[...$cleared, 'base' => 'pr-10']])['stages'][0]['stage']);
    }

    public function test_no_release_is_taken_that_is_not_on_the_shelf_where_the_shelf_names_any(): void
    {
        $silicone = ['casts' => ['code' => 'pr-10', 'ready_by_h' => null], 'hands' => ['days' => Thirty::days(60)]];
        $only = Thirty::told([...$asked = Thirty::asked($silicone), 'shelf' => [...$asked['shelf'], 'warm-jelly', 'shellac']]);
        self::assertNotSame([], $only['ways']);
        self::assertSame(['warm-jelly'], array_values(array_unique(array_column($only['ways'], 'release'))));
        self::assertGreaterThan(
            1, count(array_unique(array_column(Thirty::answer($silicone)['ways'], 'release'))) + count(Thirty::answer($silicone)['ways']),
        );
    }

    public function test_a_test_comes_first_with_its_hours_and_its_odds(): void
    {
        $answer = Thirty::answer([
            'piece' => ['original' => ['surface' => 'clay-unknown']], 'why_not' => ['kind' => 'open-block', 'base' => 'pr-25'],
        ]);
        $way = $answer['why_not']['way'];
        self::assertSame('test', $way['stages'][0]['stage']);
        self::assertStringContainsString('First of all a patch', $way['first']);
        $sure = Thirty::answer(['why_not' => ['kind' => 'open-block', 'base' => 'pr-25']])['why_not']['way'];
        self::assertEqualsWithDelta(0.7 * $sure['chance'], $way['chance'], 1e-9);
        // The patch has to stand as long as its rubber takes to open before anything is poured.
        $starts = array_column($way['stages'], 'start_min', 'id');
        self::assertGreaterThanOrEqual($starts['test-1'] + 15 + 900, $starts['prepare-1'] ?? $starts['mould-1-1']);
        self::assertGreaterThanOrEqual($sure['done_min'], $way['done_min']);
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> */
    public static function nonsense(): iterable
    {
        yield 'a piece of no size' => [['piece' => ['size_mm' => ['l' => 0]]], 'piece.size_mm.l', ''];
        yield 'more than its box holds' => [['piece' => ['volume_ml' => 400]], 'piece.volume_ml', ''];
        yield 'a day gone by' => [['casts' => ['ready_by_h' => -3]], 'casts.ready_by_h', 'That day has gone by.'];
        yield 'half a piece' => [['casts' => ['count' => 1.5]], 'casts.count', 'whole numbers'];
        yield 'a rubber nobody knows' => [['shelf' => ['xx-99']], 'shelf.0', ''];
        yield 'no hands' => [['hands' => ['pairs' => 0]], 'hands.pairs', ''];
        yield 'money in words' => [['money' => ['hour_rate' => 'a lot']], 'money.hour_rate', ''];
        yield 'an unknown kind' => [['why_not' => ['kind' => 'lost-wax']], 'why_not.kind', 'lost-wax'];
    }

    /** @param  array<string, mixed>  $more */
    #[DataProvider('nonsense')]
    public function test_nonsense_gets_a_sentence(array $more, string $field, string $says): void
    {
        try {
            Thirty::answer($more);
            self::fail('It passed.');
        } catch (BadInput $wrong) {
            self::assertSame($field, $wrong->field);
            self::assertStringContainsString($says, Words::book()->say($wrong->says));
        }
    }

    public function test_an_empty_shelf_and_too_few_hours_are_said(): void
    {
        $empty = Thirty::told([...Thirty::asked(), 'shelf' => []]);
        self::assertSame([], $empty['ways']);
        self::assertSame(['empty_shelf', 'no_way'], array_column($empty['warnings'], 'code'));
        $short = Thirty::told([...Thirty::asked(), 'hands' => ['pairs' => 1, 'days' => [[480, 600]]]]);
        self::assertSame([], $short['ways']);
        self::assertStringContainsString('The hours that are there are too few', implode(' ', array_column($short['left_out'], 'why')));
        self::assertSame([], Thirty::told([...Thirty::asked(), 'hands' => ['pairs' => 1, 'days' => []]])['ways']);
        // What is larger than a bath says so in words, as anything does.
        $huge = Thirty::told([...Thirty::asked(['piece' => ['volume_ml' => null, 'size_mm' => ['l' => 5000, 'w' => 5000, 'h' => 5000]]])]);
        self::assertSame(['no_way'], array_column($huge['warnings'], 'code'));
        $late = Thirty::answer(['casts' => ['ready_by_h' => 20]]);
        self::assertContains('all_late', array_column($late['warnings'], 'code'));
        self::assertStringContainsString('late.', $late['ways'][0]['against'][0]);
    }
}
