<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Practice;

use Apalos\Core\Console\Verb;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Tests\Contact\Shipped;
use Apalos\Core\Tests\Words;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What a practised hand says of a pour it has watched. */
final class DebriefTest extends TestCase
{
    /**
     * @param  array<string, mixed>  $asked
     * @return array<string, mixed>
     */
    private static function came(array $asked): array
    {
        return Verb::Debrief->answer(Fields::of($asked), Shipped::shelves());
    }

    /**
     * @param  array<string, mixed>  $came
     * @return list<string>
     */
    private static function codes(array $came, ?bool $good = null): array
    {
        return array_values(
            array_unique(
                array_column(
                    array_filter($came['findings'], static fn (array $one): bool => $good === null || $one['good'] === $good), 'code',
                ),
            ),
        );
    }

    public function test_walked_well_nothing_is_lost_and_all_that_was_done_well_is_said(): void
    {
        $came = self::came(Told::asked(['cups' => ['pour' => ['1' => ['A' => 99.6, 'B' => 100.2]]]]));
        self::assertSame(
            ['good', [], [], ['grams' => 0.0, 'money' => '0.00']], [$came['would'], $came['seen'], $came['causes'], $came['waste']],
        );
        self::assertSame(['gear_on', 'ratio_kept', 'mixed_through', 'poured_in_time', 'opened_in_time'], self::codes($came));
        // In after 4.8 of 22 minutes.
        $text = array_column($came['findings'], 'text', 'code')['poured_in_time'];
        self::assertInstanceOf(Phrase::class, $text);
        self::assertSame('Cup 1 was in with 17.2 min to spare.', Words::of($text));
        self::assertSame(['good' => 1, 'bad' => 0], $came['skills']['weighing']);
    }

    /**
     * @return iterable<string, array{float, float, string, bool}> grams of A and B that are really in, what is found, and whether that is
     *   well done: platinum bears 5 %
     */
    public static function ratios(): iterable
    {
        yield 'to the gram' => [100.0, 100.0, 'ratio_kept', true];
        yield 'two in a hundred' => [102.0, 100.0, 'ratio_kept', true];
        yield 'three in a hundred' => [97.0, 100.0, 'ratio_near', true];
        yield 'seven in a hundred' => [107.5, 100.0, 'off_ratio', false];
        yield 'one alone' => [0.0, 200.0, 'one_part_alone', false];
    }

    #[DataProvider('ratios')]
    public function test_the_ratio_is_that_of_what_is_in_the_cup_and_not_of_what_the_display_said(
        float $a,
        float $b,
        string $code,
        bool $good,
    ): void {
        $came = self::came(Told::asked(['cups' => ['pour' => ['1' => ['A' => $a, 'B' => $b]]]]));
        self::assertContains($code, self::codes($came, $good));
        self::assertSame($good ? 'good' : 'spoilt', $came['would']);
        // All of it is lost, at 32 a kilogram.
        self::assertSame($good ? '0.00' : '6.40', $came['waste']['money']);
    }

    /**
     * @return iterable<string, array{array<string, float>, list<array{from_min: float, c: float}>, float, string}> the truth of the rubber,
     *   the room, when it went in, and what is found
     */
    public static function clocks(): iterable
    {
        $at = static fn (float $c): array => [['from_min' => 0.0, 'c' => $c]];
        yield 'as its sheet says' => [[], $at(23.0), 8.0, 'poured_in_time'];
        yield 'with a breath to spare' => [[], $at(23.0), 24.0, 'poured_close'];
        yield 'after it had gelled' => [[], $at(23.0), 26.0, 'poured_late'];
        // 22 · 2^(-1) = 11 minutes at 33 °C.
        yield 'in a hot room' => [[], $at(33.0), 15.0, 'poured_late'];
        yield 'in a cold one' => [[], $at(13.0), 42.0, 'poured_close'];
        yield 'half as long as it says' => [['pot_life' => 0.5], $at(23.0), 15.0, 'poured_late'];
        // Half of it gone in 11 minutes at 23 °C, the rest in 5.5 at 33 °C: 16.5 after it met at 3.2.
        yield 'a room that warms' => [[], [['from_min' => 0.0, 'c' => 23.0], ['from_min' => 14.2, 'c' => 33.0]], 19.5, 'poured_close'];
        yield 'a room that warms, a minute later' => [
            [], [['from_min' => 0.0, 'c' => 23.0], ['from_min' => 14.2, 'c' => 33.0]], 19.9, 'poured_late',
        ];
    }

    /**
     * @param  array<string, float>  $times
     * @param  list<array{from_min: float, c: float}>  $room
     */
    #[DataProvider('clocks')]
    public function test_the_clock_is_that_of_the_rubber_in_the_room_as_it_was(array $times, array $room, float $in, string $code): void
    {
        self::assertContains(
            $code,
            self::codes(
                self::came(
                    Told::asked(
                        ['times' => $times, 'room' => $room],
                        [6 => ['at_min' => $in], 7 => ['at_min' => 2000.0], 8 => ['at_min' => 2001.0]],
                    ),
                ),
            ),
        );
    }

    /**
     * @return iterable<string, array{array<string, mixed>, array<int, mixed>, array<string, mixed>, string, string}> truth, facts, plan,
     *   what is found, what the cast would be
     */
    public static function slips(): iterable
    {
        yield 'stirred for a minute' => [[], [5 => ['at_min' => 4.2]], [], 'under_mixed', 'usable'];
        yield 'opened at four fifths' => [[], [7 => ['at_min' => 195.2]], [], 'opened_early', 'spoilt'];
        yield 'laid on sulphur' => [['ground' => 'sulphur'], [], [], 'lay_on_bad', 'spoilt'];
        yield 'gear pressed away' => [[], [0 => ['at_min' => 0.01]], [], 'gear_unread', 'good'];
        yield 'leaked for five minutes' => [
            ['spans' => ['leak' => [['from_min' => 8.0, 'to_min' => 13.0, 'by' => 4.0, 'of' => 'pour']]]], [], [], 'let_it_leak', 'spoilt',
        ];
        yield 'stopped at once' => [
            ['spans' => ['leak' => [['from_min' => 8.0, 'to_min' => 9.0, 'by' => 4.0, 'of' => 'pour']]]], [], [], 'stopped_leak', 'good',
        ];
        yield 'weighed in the dark' => [
            ['spans' => ['silent' => [['from_min' => 2.9, 'to_min' => 3.6, 'by' => 0, 'of' => 'pour']]]], [], [], 'weighed_blind', 'good',
        ];
        yield 'weighed after it spoke again' => [
            ['spans' => ['silent' => [['from_min' => 2.6, 'to_min' => 3.1, 'by' => 0, 'of' => 'pour']]]], [], [], 'waited_for_scale',
            'good',
        ];
        yield 'the wrong lid' => [
            ['lids' => [['at_min' => 2.6, 'line' => 2, 'of' => 'pour', 'poured' => true]]], [], [], 'wrong_lid', 'good',
        ];
        yield 'the lid read' => [
            ['lids' => [['at_min' => 2.6, 'line' => 2, 'of' => 'pour', 'poured' => false]]], [], [], 'read_lid', 'good',
        ];
        yield 'left the cup for the door' => [
            ['calls' => [['at_min' => 4.0, 'min' => 12, 'at' => 'mix', 'went' => true]]], [], [], 'left_mid_clock', 'good',
        ];
        yield 'stayed with it' => [
            ['calls' => [['at_min' => 4.0, 'min' => 12, 'at' => 'mix', 'went' => false]]], [], [], 'stayed_at_clock', 'good',
        ];
        yield 'rose over the rim' => [
            ['rose_g' => ['pour' => ['1' => 30.0]]],
            [
                5 => ['at_min' => 6.4], 6 => Told::fact(11.0, 'confirmed', ['step' => '1:degas']),
                7 => Told::fact(12.0, 'confirmed', ['step' => '1:fill']), 8 => Told::fact(300.0, 'opened', ['step' => '0:wait']),
            ],
            ['degas_min' => 4], 'rose_over', 'spoilt',
        ];
        yield 'air drawn for a moment' => [
            [],
            [
                6 => Told::fact(7.0, 'confirmed', ['step' => '1:degas']), 7 => Told::fact(8.0, 'confirmed', ['step' => '1:fill']),
                8 => Told::fact(300.0, 'opened', ['step' => '0:wait']),
            ],
            ['degas_min' => 4], 'deaired_short', 'usable',
        ];
        yield 'told its gel by guess' => [
            [], [7 => Told::fact(60.0, 'gelled'), 8 => Told::fact(300.0, 'opened', ['step' => '0:wait'])], [], 'gel_guessed', 'good',
        ];
        yield 'told its gel as it was' => [
            [], [7 => Told::fact(26.0, 'gelled'), 8 => Told::fact(300.0, 'opened', ['step' => '0:wait'])], [], 'gel_watched', 'good',
        ];
    }

    /**
     * @param  array<string, mixed>  $truth
     * @param  array<int, mixed>  $facts
     * @param  array<string, mixed>  $plan
     */
    #[DataProvider('slips')]
    public function test_each_slip_has_its_name_its_moment_and_what_it_would_have_cost(
        array $truth,
        array $facts,
        array $plan,
        string $code,
        string $would,
    ): void {
        $came = self::came(Told::asked($truth, $facts, $plan));
        self::assertContains($code, self::codes($came));
        self::assertSame($would, $came['would']);
        $finding = array_values(array_filter($came['findings'], static fn (array $one): bool => $one['code'] === $code))[0];
        self::assertNotNull($finding['fact'], 'Whoever tries again knows from where.');
        self::assertGreaterThan(5, strlen(Words::of($finding['text'])));
    }

    public function test_given_up_before_anything_met_on_bad_ground_loses_nothing_and_after_it_gelled_saves_the_mould(): void
    {
        $early = self::came(Told::asked(['ground' => 'tin'], [
            1 => Told::fact(1.0, 'given_up', ['fate' => 'waste']), 2 => null, 3 => null, 4 => null, 5 => null, 6 => null, 7 => null,
            8 => null,
        ]));
        self::assertSame(['nothing', 0.0], [$early['would'], $early['waste']['grams']]);
        self::assertContains('refused_ground', self::codes($early, true));
        self::assertSame(['nothing_poured'], array_column($early['warnings'], 'code'));

        $late = self::came(Told::asked([], [6 => Told::fact(27.0, 'given_up', ['fate' => 'waste']), 7 => null, 8 => null]));
        self::assertContains('left_in_cup', self::codes($late, true));
        self::assertSame(200.0, $late['waste']['grams']);
        self::assertContains(
            'given_up',
            self::codes(self::came(Told::asked([], [6 => Told::fact(12.0, 'given_up', ['fate' => 'waste']), 7 => null, 8 => null])), false),
        );
    }

    public function test_a_wait_of_the_list_that_is_ticked_before_it_is_over_is_found_and_what_it_leads_to(): void
    {
        $list = [
            ['id' => 'release', 'text' => 'Release, dried', 'minutes' => 15, 'care' => 'released', 'mould' => 1],
            ['id' => 'look', 'text' => 'Mould clean', 'minutes' => 0],
        ];
        $walk = static fn (float $after): array => Told::asked([], [
            1 => Told::fact(1.0, 'begun', ['item' => 'release']), 2 => Told::fact(1.0 + $after, 'checked', ['item' => 'release']),
            3 => Told::fact(1.2 + $after, 'checked', ['item' => 'look']),
            4 => Told::fact(1.3 + $after, 'confirmed', ['step' => '0:contacts']),
            5 => Told::fact(1.4 + $after, 'confirmed', ['step' => '1:premix']),
            6 => Told::fact(1.5 + $after, 'confirmed', ['step' => '1:tare']),
            7 => Told::fact(2.0 + $after, 'weighed', ['step' => '1:weigh:0', 'reading_g' => 100.0]),
            8 => Told::fact(3.0 + $after, 'weighed', ['step' => '1:weigh:1', 'reading_g' => 200.0]),
            9 => Told::fact(6.0 + $after, 'confirmed', ['step' => '1:mix']),
            10 => Told::fact(7.0 + $after, 'confirmed', ['step' => '1:fill']),
        ], ['checklist' => $list]);
        self::assertContains('waited_out', self::codes(self::came($walk(15.0)), true));
        $early = self::came($walk(4.0));
        self::assertContains('ticked_early', self::codes($early, false));
        self::assertContains('looked_at_each', self::codes($early, true));
        self::assertSame(['spoilt', ['fused']], [$early['would'], $early['seen']]);
    }

    public function test_what_is_no_practice_is_refused_with_a_sentence(): void
    {
        foreach ([
            [[...Told::asked(), 'runs' => []], 'Nothing was done'],
            [Told::asked([], [], [], ['teaches' => ['whistling']]), 'nothing a scenario teaches'],
            [Told::asked([], [], [], ['goes_wrong' => [['what' => 'ground', 'is' => 'cheese']]]), 'Say what it lies against'],
            [Told::asked([], [], [], ['id' => 'No Name']), 'no name for a scenario'],
            [Told::asked(['wishes' => 1]), 'unknown'],
        ] as [$asked, $says]) {
            try {
                self::came($asked);
                self::fail($says);
            } catch (BadInput $wrong) {
                self::assertMatchesRegularExpression('/'.$says.'|not known|no field/i', Words::of($wrong));
            }
        }
    }

    public function test_none_of_what_is_found_lacks_its_words(): void
    {
        $book = \Symfony\Component\Yaml\Yaml::parseFile(__DIR__.'/../../../library/phrases/en.yaml')['practice'];
        $missing = [];
        foreach (glob(__DIR__.'/../../src/Practice/*.php') ?: [] as $file) {
            preg_match_all(
                "/(?:\\\$say\\(|new Finding\\(|finding\\()(?:\\\$[a-zA-Z]+ \\? )?'([a-z_]+)'(?: : '([a-z_]+)')?/",
                (string) file_get_contents($file), $codes,
            );
            preg_match_all("/->(?:say|once)\\('([a-z_]+)'/", (string) file_get_contents($file), $said);
            $missing = [
                ...$missing, ...array_diff(array_filter([...$codes[1], ...$codes[2]]), array_keys($book)),
                ...array_diff(array_map(static fn (string $one): string => "said_{$one}", $said[1]), array_keys($book)),
            ];
        }
        self::assertSame([], array_values($missing));
    }
}
