<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Contact;

use Apalos\Core\Contact\Candidate;
use Apalos\Core\Contact\ContactAnswer;
use Apalos\Core\Contact\ContactEngine;
use Apalos\Core\Contact\ContactRequest;
use Apalos\Core\Contact\Way;
use Apalos\Core\Contact\WayKind;
use Apalos\Core\Contact\WaysOut;
use Apalos\Core\Input\Fields;
use Apalos\Core\Tests\Material\SheetsTest;
use Apalos\Core\Tests\Words;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A stop does not end in “overrule?”: it names what would make the contact safe. */
final class WaysOutTest extends TestCase
{
    /**
     * @param  array<string, mixed>  $surface
     * @param  array<string, mixed>  $more
     */
    private static function request(string $family, array $surface, array $more = []): ContactRequest
    {
        return ContactRequest::from(
            Fields::of(['fresh' => ['family' => $family, 'skin_safe' => true], 'surface' => $surface, 'intent' => 'separate', ...$more]),
            Shipped::knowledge(),
        );
    }

    /** @return list<Way> */
    private static function ways(ContactRequest $request): array
    {
        return (
            new WaysOut(
                new ContactEngine(Shipped::knowledge()), Shipped::knowledge(), Candidate::on(SheetsTest::shelf(), Shipped::knowledge()),
            )
        )->of($request);
    }

    /**
     * @param  list<Way>  $ways
     * @return list<string>
     */
    private static function kinds(array $ways): array
    {
        return array_values(
            array_unique(
                array_map(
                    static fn (Way $way): string => implode(
                        '+', array_map(static fn (array $step): string => $step['kind']->value, $way->steps),
                    ),
                    $ways,
                ),
            ),
        );
    }

    public function test_platinum_on_sulphur_clay_is_made_safe_by_a_tin_rubber_or_by_two_links_more(): void
    {
        $ways = self::ways(self::request('silicone-platinum', ['id' => 'clay-oil-sulphur']));

        self::assertContains('tr-25', array_map(static fn (Way $way): string => $way->steps[0]['id'], $ways));
        self::assertContains('link+link', self::kinds($ways));
        self::assertNotContains('barrier', self::kinds($ways), 'A sealer alone leaves it to a test.');
    }

    public function test_silicone_on_silicone_wants_a_release_and_the_quickest_comes_first(): void
    {
        $releases = array_values(
            array_filter(
                self::ways(self::request('silicone-platinum', ['id' => 'silicone-platinum'])),
                static fn (Way $way): bool => $way->steps[0]['kind'] === WayKind::Release,
            ),
        );

        self::assertSame(0.0, $releases[0]->addsMin);
        self::assertNotContains(
            'silicone-oil-spray', array_map(static fn (Way $way): string => $way->steps[0]['id'], $releases), 'Never under fresh silicone.',
        );
        $minutes = array_map(static fn (Way $way): float => $way->addsMin, $releases);
        $sorted = $minutes;
        sort($sorted);
        self::assertSame($sorted, $minutes);
    }

    public function test_young_epoxy_is_waited_for_or_tested(): void
    {
        $pairs = array_filter(
            self::kinds(self::ways(self::request('silicone-platinum', ['id' => 'epoxy', 'hours_since_cure' => 10]))),
            static fn (string $kinds): bool => $kinds !== 'link+link',
        );

        self::assertContains('base', $pairs);
    }

    public function test_solvent_is_waited_out_to_the_minute(): void
    {
        $ways = self::ways(self::request('silicone-platinum', ['id' => 'wax', 'solvent_min_ago' => 4]));
        $wait = array_values(array_filter($ways, static fn (Way $way): bool => $way->steps[0]['kind'] === WayKind::Wait));

        self::assertEqualsWithDelta(11.0, $wait[0]->addsMin, 1e-9, 'Fifteen minutes, of which four are over.');
    }

    public function test_damp_plaster_under_urethane_takes_two_changes(): void
    {
        $ways = self::ways(self::request('urethane-resin', ['id' => 'plaster', 'damp' => true]));

        self::assertNotSame([], $ways);
        foreach ($ways as $way) {
            self::assertTrue($way->result->safe, Words::of($way->what));
        }
        self::assertNotContains('wait', self::kinds($ways), 'Dry alone it still locks into open pores.');
    }

    public function test_what_may_slow_is_tested(): void
    {
        self::assertContains('test', self::kinds(self::ways(self::request('silicone-platinum', ['id' => 'polyester']))));
    }

    public function test_a_contact_that_is_safe_needs_no_way_out(): void
    {
        self::assertSame([], self::ways(self::request('plaster', ['id' => 'silicone-platinum'])));
        $answer = ContactAnswer::to(self::request('plaster', ['id' => 'silicone-platinum']), Shipped::knowledge(), SheetsTest::shelf());
        self::assertSame([[], null], [$answer->toArray()['ways_out'], $answer->note()]);
    }

    public function test_on_skin_no_way_leads_over_a_release_that_is_not_for_skin(): void
    {
        foreach (self::ways(self::request('silicone-platinum', ['id' => 'silicone-platinum'], ['use' => ['skin' => true]])) as $way) {
            foreach ($way->steps as $step) {
                $step['kind'] === WayKind::Release && self::assertTrue(Shipped::knowledge()->releases[$step['id']]->skinSafe, $step['id']);
            }
        }
        self::assertTrue(true);
    }

    /** @return iterable<string, array{string, string}> */
    public static function everyPair(): iterable
    {
        foreach (array_keys(Shipped::knowledge()->families) as $family) {
            foreach (array_keys(Shipped::knowledge()->surfaces) as $surface) {
                yield "{$family} on {$surface}" => [$family, $surface];
            }
        }
    }

    #[DataProvider('everyPair')]
    public function test_every_way_is_judged_safe_by_the_same_engine_and_an_unsafe_contact_without_one_says_so(
        string $family,
        string $surface,
    ): void {
        $answer = ContactAnswer::to(self::request($family, ['id' => $surface]), Shipped::knowledge(), SheetsTest::shelf());
        foreach ($answer->ways as $way) {
            self::assertTrue($way->result->safe, Words::of($way->what));
            self::assertNotSame([], $way->steps);
        }
        self::assertSame(! $answer->result->safe && $answer->ways === [], $answer->note() !== null);
    }
}
