<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Fault;

use Apalos\Core\Fault\FaultFinder;
use Apalos\Core\Fault\FaultRequest;
use Apalos\Core\Fault\FaultResult;
use Apalos\Core\Fault\NextQuestion;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Tests\Contact\Shipped;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class FaultFinderTest extends TestCase
{
    /** @param  array<string, mixed>  $asked */
    private static function request(array $asked): FaultRequest
    {
        return FaultRequest::from(Fields::of($asked), Shipped::faults());
    }

    /** @param  array<string, mixed>  $asked */
    private static function found(array $asked): FaultResult
    {
        return (new FaultFinder(Shipped::faults()))->find(self::request($asked));
    }

    /** @param  array<string, mixed>  $asked */
    private static function share(array $asked, string $cause): float
    {
        return array_column(self::found($asked)->causes, 'share', 'id')[$cause];
    }

    /** @return iterable<string, array{array<string, mixed>, string}> what a practised hand would say first */
    public static function cases(): iterable
    {
        yield 'sticky skin over sulphur clay' => [
            ['seen' => ['sticky'], 'where' => 'surface', 'facts' => ['contact' => 'sulphur']], 'inhibited',
        ];
        yield 'sticky all through, a part too much' => [
            ['seen' => ['sticky'], 'where' => 'all', 'facts' => ['ratio_error_pct' => 7, 'contact' => 'none']], 'off-ratio',
        ];
        yield 'wet patches, ratio right' => [
            ['seen' => ['soft-spots'], 'where' => 'patches', 'facts' => ['ratio_error_pct' => 0.3, 'second_cup' => false]], 'under-mixed',
        ];
        yield 'bubbles all through, no vacuum' => [
            ['seen' => ['bubbles'], 'where' => 'all', 'facts' => ['deaired' => false]], 'air-mixed-in',
        ];
        yield 'bubbles in a corner, air drawn out' => [
            ['seen' => ['bubbles'], 'where' => 'edge', 'facts' => ['deaired' => true, 'moisture_sensitive' => false]], 'air-trapped',
        ];
        yield 'flow lines at the end of the pot life' => [['seen' => ['lines'], 'facts' => ['poured_at_share' => 0.95]], 'poured-late'];
        yield 'silicone in silicone without release' => [
            ['seen' => ['fused'], 'facts' => ['release' => 'none', 'mould_casts_share' => 0.1]], 'no-release',
        ];
        yield 'torn, opened at six tenths' => [
            ['seen' => ['tear'], 'facts' => ['opened_at_share' => 0.6, 'softener_pct_of_ab' => 0, 'softener_max_pct' => 60]],
            'opened-early',
        ];
        yield 'sweats, more softener than the sheet bears' => [
            ['seen' => ['sweats'], 'facts' => ['softener_pct_of_ab' => 80, 'softener_max_pct' => 60]], 'softener-over',
        ];
        yield 'foamed urethane' => [['seen' => ['foamed'], 'facts' => ['moisture_sensitive' => true]], 'moisture'];
        yield 'vinyl that never ran clear' => [
            ['seen' => ['lines', 'tear'], 'facts' => ['vinyl_c' => 155, 'hot_vinyl' => true]], 'too-cool',
        ];
        yield 'coats peel apart, laid after the window' => [['seen' => ['delaminated'], 'facts' => ['coat_gap_share' => 1.3]], 'coat-late'];
        yield 'pits, a mould at its end' => [
            ['seen' => ['pits'], 'where' => 'surface', 'facts' => ['mould_casts_share' => 1.1, 'moisture_sensitive' => false]],
            'mould-worn',
        ];
        yield 'small, and flash at the seam' => [['seen' => ['shrunk', 'flash'], 'where' => 'seam'], 'mould-squeezed'];
        yield 'short and nothing wet' => [['seen' => ['short-fill'], 'facts' => ['spout_mm' => 6, 'least_spout_mm' => 12]], 'spout-narrow'];
        yield 'pale at the edge' => [['seen' => ['pale-edge'], 'where' => 'edge'], 'shows-thickness'];
        yield 'another shade all through' => [
            ['seen' => ['colour-off'], 'where' => 'all', 'facts' => ['pigment_weighed' => false]], 'pigment-by-eye',
        ];
        yield 'yellow in the middle' => [['seen' => ['scorched'], 'where' => 'deep', 'facts' => ['batch_g' => 2400]], 'overheated'];
    }

    /** @param  array<string, mixed>  $asked */
    #[DataProvider('cases')]
    public function test_the_likeliest_cause(array $asked, string $first): void
    {
        $found = self::found($asked);
        self::assertSame(
            $first, $found->causes[0]['id'],
            implode(
                ', ',
                array_map(static fn (array $c): string => sprintf('%s %.2f', $c['id'], $c['share']), array_slice($found->causes, 0, 4)),
            ),
        );
        self::assertNotSame([], $found->causes[0]['because']);
    }

    /** By hand: two causes of one book, every factor written out. */
    public function test_shares_are_products_of_what_the_book_says(): void
    {
        $book = \Apalos\Core\Fault\FaultBook::of(['sticky' => [], 'pits' => []], ['unseen' => 0.1, 'elsewhere' => 0.5, 'causes' => [
            'one' => [
                'name' => 'One', 'usual' => 3, 'seen' => ['sticky' => ['times' => 4, 'because' => 'So.']], 'where' => ['seam' => 2],
                'facts' => [['fact' => 'colder_by_c', 'over' => 3, 'times' => 5, 'because' => 'Cold.']], 'look' => 'Look.', 'next' => 'Do.',
            ],
            'two' => [
                'name' => 'Two', 'usual' => 1, 'seen' => ['pits' => ['times' => 2, 'because' => 'So.']], 'where' => [], 'facts' => [],
                'look' => 'Look.', 'next' => 'Do.',
            ],
        ]], []);
        $shares = (new FaultFinder($book))->shares(
            FaultRequest::from(
                Fields::of([
                    'seen' => ['sticky'], 'where' => 'seam', 'facts' => ['room_c' => 16, 'ref_c' => 23], 'confirmed' => ['two' => 75],
                ]),
                $book,
            ),
        );
        // one: 25 · 3/4 · 4 · 2 · 5 = 750; two: (25 · 1/4 + 75) · 0.1 · 0.5 = 4.0625.
        self::assertEqualsWithDelta(750.0 / 754.0625, $shares['one'], 1e-12);
    }

    public function test_shares_sum_to_one_and_stand_best_first_whatever_was_seen(): void
    {
        $random = new \Random\Randomizer(new \Random\Engine\Mt19937(11));
        $book = Shipped::faults();
        for ($i = 0; $i < 60; $i++) {
            $seen = array_values(
                array_intersect_key($book->symptoms, array_flip((array) array_rand($book->symptoms, $random->getInt(1, 4)))),
            );
            $result = self::found([
                'seen' => $seen,
                'facts' => [
                    'ratio_error_pct' => $random->getInt(0, 20), 'room_c' => $random->getInt(5, 35), 'ref_c' => 23,
                    'poured_at_share' => $random->getInt(0, 20) / 10,
                ],
            ]);
            $shares = array_column($result->causes, 'share');
            self::assertEqualsWithDelta(1.0, array_sum($shares), 1e-9);
            $sorted = $shares;
            rsort($sorted);
            self::assertSame($sorted, $shares);
            self::assertCount(count($book->causes), $shares);
        }
    }

    public function test_what_a_shop_confirms_moves_its_own_odds_and_is_said(): void
    {
        $asked = ['seen' => ['sticky'], 'where' => 'all'];
        self::assertGreaterThan(2.0 * self::share($asked, 'old-lot'), self::share([...$asked, 'confirmed' => ['old-lot' => 8]], 'old-lot'));
        $cause = array_values(
            array_filter(
                self::found([...$asked, 'confirmed' => ['old-lot' => 8]])->causes, static fn (array $c): bool => $c['id'] === 'old-lot',
            ),
        )[0];
        self::assertContains(
            'fault.found_here', array_column(array_map(static fn ($p): array => ['code' => $p->code], $cause['because']), 'code'),
        );
    }

    public function test_what_speaks_against_a_cause_is_said_apart(): void
    {
        $late = array_values(
            array_filter(
                self::found(['seen' => ['lines'], 'facts' => ['poured_at_share' => 0.3]])->causes,
                static fn (array $c): bool => $c['id'] === 'poured-late',
            ),
        )[0];
        self::assertSame(['It began to set while it still ran.'], array_map(static fn ($p): mixed => $p->values['text'], $late['because']));
        self::assertSame(
            ['It was poured with half of its pot life left.'], array_map(static fn ($p): mixed => $p->values['text'], $late['against']),
        );
    }

    public function test_each_fact_moves_its_cause_the_way_it_should(): void
    {
        foreach ([
            ['ratio_error_pct', 0.2, 3.0, 9.0, 'off-ratio'], ['poured_at_share', 0.2, 0.8, 1.0, 'poured-late'],
            ['mould_casts_share', 0.1, 0.7, 1.2, 'mould-worn'], ['coat_gap_share', 0.5, 0.9, 1.5, 'coat-late'],
            ['lot_days_open', 10, 200, 500, 'old-lot'],
        ] as [$fact, $low, $some, $much, $cause]) {
            $at = static fn (float $value): float => self::share(['seen' => ['sticky', 'lines'], 'facts' => [$fact => $value]], $cause);
            self::assertLessThan($at($some), $at($low), $fact);
            self::assertLessThan($at($much), $at($some), $fact);
        }
    }

    public function test_the_first_question_is_the_one_that_tells_and_nothing_known_is_asked(): void
    {
        $next = new NextQuestion(Shipped::faults(), new FaultFinder(Shipped::faults()));
        $ask = static fn (array $asked): ?string => $next->after(self::request($asked))['fact'] ?? null;

        self::assertSame('where', $ask(['seen' => ['bubbles'], 'facts' => ['deaired' => false, 'moisture_sensitive' => false]]));
        self::assertSame('release', $ask(['seen' => ['fused'], 'where' => 'all']));
        self::assertContains($ask(['seen' => ['sticky']]), ['where', 'contact']);
        self::assertNotContains($ask(['seen' => ['sticky'], 'where' => 'surface', 'facts' => ['contact' => 'none']]), ['where', 'contact']);
        self::assertNull($ask([
            'seen' => ['foamed'], 'where' => 'all',
            'facts' => [
                'moisture_sensitive' => true, 'contact' => 'none', 'release' => 'wax', 'release_coats' => 1, 'second_cup' => true,
                'deaired' => true, 'pigment_weighed' => true, 'thinnest_mm' => 6, 'past_best_before' => false, 'vinyl_c' => 172,
            ],
        ]));
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function nonsense(): iterable
    {
        yield 'nothing seen' => [['seen' => []], 'seen'];
        yield 'no such symptom' => [['seen' => ['green']], 'seen.0'];
        yield 'no such place' => [['seen' => ['sticky'], 'where' => 'moon'], 'where'];
        yield 'no such fact' => [['seen' => ['sticky'], 'facts' => ['moon' => 1]], 'facts.moon'];
        yield 'a word nobody knows' => [['seen' => ['sticky'], 'facts' => ['contact' => 'honey']], 'facts.contact'];
        yield 'a share that is no number' => [['seen' => ['sticky'], 'facts' => ['poured_at_share' => 'late']], 'facts.poured_at_share'];
        yield 'no such cause' => [['seen' => ['sticky'], 'confirmed' => ['gremlins' => 1]], 'confirmed.gremlins'];
    }

    /** @param  array<string, mixed>  $asked */
    #[DataProvider('nonsense')]
    public function test_nonsense_is_refused_where_it_stands(array $asked, string $field): void
    {
        try {
            self::found($asked);
            self::fail('It was taken.');
        } catch (BadInput $wrong) {
            self::assertSame($field, $wrong->field);
        }
    }

    public function test_every_symptom_has_a_cause_and_every_fact_of_the_book_can_be_said(): void
    {
        $book = Shipped::faults();
        $shown = array_unique(
            array_merge(...array_map(static fn ($cause): array => array_keys($cause->seen), array_values($book->causes))),
        );
        self::assertSame([], array_diff($book->symptoms, $shown));
        self::assertSame([], array_diff($shown, $book->symptoms));
        $asked = self::request([
            'seen' => ['sticky'],
            'facts' => [
                'room_c' => 1, 'ref_c' => 1, 'poured_at_share' => 1, 'batch_g' => 1, 'lot_days_open' => 1, 'release_coats' => 1,
                'opened_at_share' => 1, 'softener_pct_of_ab' => 1, 'softener_max_pct' => 1, 'coat_gap_share' => 1, 'spout_mm' => 1,
                'least_spout_mm' => 1, 'mould_casts_share' => 1, 'thinnest_mm' => 1, 'vinyl_c' => 1, 'deaired' => true,
                'past_best_before' => true, 'moisture_sensitive' => true, 'pigment_weighed' => true, 'second_cup' => true,
                'hot_vinyl' => true, 'contact' => 'none', 'release' => 'none', 'vacuum_share' => 1, 'remelts' => 1, 'casts_since_wash' => 1,
                'mould_damp' => true, 'print_coat' => true, 'undercut' => true, 'gloves' => 'vinyl', 'parts' => 'both',
            ],
        ])->told();
        // Off the ratio is told as it is, or as a share of what its chemistry bears.
        $asked += ['ratio_error_pct' => 1.0]
            + self::request(['seen' => ['sticky'], 'facts' => ['family' => 'epoxy', 'ratio_error_pct' => 1]])->told();
        foreach ($book->causes as $cause) {
            foreach ($cause->tellings as $telling) {
                self::assertArrayHasKey($telling->fact, $asked, "{$cause->id} rests on a fact nobody can say.");
            }
        }
    }

    /** @return iterable<string, array{array<string, mixed>, string}> by chemistry, what a practised hand would say first */
    public static function chemistries(): iterable
    {
        yield 'vinyl pitted over plaster' => [
            ['seen' => ['steam-pits'], 'facts' => ['family' => 'plastisol', 'mould_damp' => true]], 'damp-mould',
        ];
        yield 'vinyl that crumbles' => [
            ['seen' => ['cracked', 'tear'], 'facts' => ['family' => 'plastisol', 'vinyl_c' => 155]], 'under-fused',
        ];
        yield 'vinyl yellow and hard, melted often' => [
            ['seen' => ['too-hard', 'scorched'], 'facts' => ['family' => 'plastisol', 'remelts' => 8, 'vinyl_c' => 172]], 'remelted',
        ];
        yield 'vinyl that sweats' => [
            [
                'seen' => ['sweats', 'paint-peels'],
                'facts' => ['family' => 'plastisol', 'softener_pct_of_ab' => 10, 'softener_max_pct' => 30],
            ],
            'plasticiser-out',
        ];
        yield 'platinum that never set' => [
            [
                'seen' => ['never-set'], 'where' => 'all',
                'facts' => ['family' => 'silicone-platinum', 'parts' => 'one', 'contact' => 'none'],
            ],
            'wrong-part',
        ];
        yield 'finger marks in platinum' => [
            [
                'seen' => ['soft-spots'], 'where' => 'patches',
                'facts' => ['family' => 'silicone-platinum', 'gloves' => 'latex', 'second_cup' => true, 'ratio_error_pct' => 0.2],
            ],
            'glove-or-tool',
        ];
        yield 'resin with a white bloom' => [
            ['seen' => ['bloom'], 'facts' => ['family' => 'urethane-resin', 'moisture_sensitive' => true]], 'moisture',
        ];
        yield 'plaster soft as chalk' => [
            ['seen' => ['too-soft'], 'facts' => ['family' => 'plaster', 'ratio_error_pct' => 20]], 'plaster-watery',
        ];
        yield 'held round one corner' => [
            ['seen' => ['fused', 'tear'], 'where' => 'one_side', 'facts' => ['undercut' => true, 'release' => 'wax']], 'locked',
        ];
        yield 'detail gone, never washed' => [
            ['seen' => ['detail-lost'], 'where' => 'surface', 'facts' => ['casts_since_wash' => 20, 'print_coat' => true]],
            'release-built-up',
        ];
        yield 'pits where it is fine' => [
            ['seen' => ['pits'], 'where' => 'surface', 'facts' => ['print_coat' => false, 'mould_casts_share' => 0.1]], 'no-print-coat',
        ];
        yield 'half as soft as meant' => [
            [
                'seen' => ['too-hard'], 'where' => 'all',
                'facts' => [
                    'family' => 'silicone-platinum', 'room_c' => 23, 'ref_c' => 23, 'softener_pct_of_ab' => 45, 'softener_max_pct' => 60,
                    'ratio_error_pct' => 0.1,
                ],
            ],
            'softener-basis',
        ];
        yield 'set in the chamber' => [
            ['seen' => ['lines', 'bubbles'], 'facts' => ['family' => 'urethane-resin', 'vacuum_share' => 0.8, 'deaired' => true]],
            'vacuum-too-long',
        ];
    }

    /** @param  array<string, mixed>  $asked */
    #[DataProvider('chemistries')]
    public function test_the_likeliest_cause_of_a_chemistry(array $asked, string $first): void
    {
        $this->test_the_likeliest_cause($asked, $first);
    }

    public function test_a_cause_that_cannot_be_has_no_share_and_says_nothing(): void
    {
        $cannot = [
            'plastisol' => ['inhibited', 'off-ratio', 'under-mixed', 'cold', 'moisture', 'poured-late'],
            'urethane-rubber' => ['inhibited', 'too-cool', 'glove-or-tool'], 'silicone-tin' => ['inhibited', 'moisture', 'remelted'],
            'silicone-acetoxy' => ['off-ratio', 'under-mixed', 'wrong-part'],
            'silicone-platinum' => ['moisture', 'damp-mould', 'under-fused', 'plaster-watery'],
            'plaster' => ['inhibited', 'softener-over', 'glove-or-tool'],
        ];
        foreach ($cannot as $family => $causes) {
            $found = array_column(
                self::found([
                    'seen' => ['sticky', 'never-set', 'foamed', 'steam-pits'],
                    'facts' => ['family' => $family, 'contact' => 'sulphur', 'ratio_error_pct' => 9, 'gloves' => 'latex'],
                ])->causes,
                null, 'id',
            );
            foreach ($causes as $cause) {
                self::assertSame(
                    [0.0, [], []], [$found[$cause]['share'], $found[$cause]['because'], $found[$cause]['against']], "{$cause} in {$family}",
                );
            }
            self::assertEqualsWithDelta(1.0, array_sum(array_column($found, 'share')), 1e-9);
        }
    }

    public function test_five_per_cent_are_little_in_a_platinum_and_much_in_a_urethane(): void
    {
        $odds = static fn (float $share): float => $share / (1.0 - $share);
        $moved = static fn (string $family): float => $odds(
            self::share(['seen' => ['sticky'], 'where' => 'all', 'facts' => ['family' => $family, 'ratio_error_pct' => 4.9]], 'off-ratio'),
        ) / $odds(self::share(['seen' => ['sticky'], 'where' => 'all', 'facts' => ['family' => $family]], 'off-ratio'));
        self::assertEqualsWithDelta(1.0, $moved('silicone-platinum'), 0.05);
        self::assertEqualsWithDelta(12.0, $moved('urethane-rubber'), 0.5);
    }

    /** A factor under one speaks for a cause where it speaks less for all the others. */
    public function test_for_and_against_are_measured_against_the_other_causes(): void
    {
        $fused = array_column(
            self::found(['seen' => ['fused'], 'facts' => ['family' => 'silicone-platinum']])->causes, null, 'id',
        )['inhibited'];
        self::assertSame(['An uncured skin clings.'], array_map(static fn ($p): mixed => $p->values['text'], [
            ...$fused['because'], ...$fused['against'],
        ]));
        $book = Shipped::faults();
        $times = $book->causes['inhibited']->seen['fused']['times'];
        $others = array_filter($book->causes, static fn ($cause): bool => $cause->id !== 'inhibited' && $cause->canBe('silicone-platinum'));
        $mean = array_sum(
            array_map(static fn ($cause): float => $cause->usual * ($cause->seen['fused']['times'] ?? $book->unseen), $others),
        ) / array_sum(array_map(static fn ($cause): float => $cause->usual, $others));
        self::assertSame($times >= $mean, $fused['because'] !== []);
    }

    public function test_a_family_nobody_knows_is_refused(): void
    {
        try {
            self::found(['seen' => ['sticky'], 'facts' => ['family' => 'jam']]);
            self::fail('It was taken.');
        } catch (BadInput $wrong) {
            self::assertSame('facts.family', $wrong->field);
        }
    }
}
