<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Contact;

use Apalos\Core\Contact\ContactEngine;
use Apalos\Core\Contact\ContactRequest;
use Apalos\Core\Contact\ContactResult;
use Apalos\Core\Contact\Knowledge;
use Apalos\Core\Input\Fields;
use Apalos\Core\Tests\Words;
use PHPUnit\Framework\TestCase;

/** What holds for every fresh material on every surface, with the knowledge that ships. */
final class ContactInvariantsTest extends TestCase
{
    private const SEVERITY = ['clear' => 0, 'release' => 1, 'seal-and-release' => 2, 'test-first' => 3, 'stop' => 4];

    private static Knowledge $knowledge;

    private static ContactEngine $engine;

    public static function setUpBeforeClass(): void
    {
        self::$knowledge = Shipped::knowledge();
        self::$engine = new ContactEngine(self::$knowledge);
    }

    /** @param  array<string, mixed>  $more */
    private static function judge(string $fresh, string $surface, array $more = []): ContactResult
    {
        return self::$engine->judge(ContactRequest::from(Fields::of(array_replace_recursive(
            [
                'fresh' => ['family' => $fresh, 'skin_safe' => false], 'surface' => ['id' => $surface], 'intent' => 'separate',
                'release' => null,
            ],
            $more,
        )), self::$knowledge));
    }

    /** @param  callable(string, string): void  $holds */
    private static function onTheWholeBoard(callable $holds): void
    {
        foreach (array_keys(self::$knowledge->families) as $fresh) {
            foreach (array_keys(self::$knowledge->surfaces) as $surface) {
                $holds($fresh, $surface);
            }
        }
    }

    private static function severity(ContactResult $result): int
    {
        return self::SEVERITY[$result->verdict->value];
    }

    public function test_every_verdict_says_why_and_only_a_safe_one_may_be_poured(): void
    {
        self::onTheWholeBoard(function (string $fresh, string $surface): void {
            $result = self::judge($fresh, $surface);

            self::assertNotSame([], $result->because, "{$fresh} on {$surface}");
            foreach ($result->because as $reason) {
                self::assertNotSame('', $reason['text']);
                self::assertContains($reason['sure'], ['certain', 'usual', 'disputed']);
            }
            self::assertSame(
                $result->verdict->value === 'clear', $result->safe,
                "{$fresh} on {$surface}: nothing was chosen yet, so only what needs nothing is safe.",
            );
        });
    }

    public function test_latex_on_the_surface_and_skin_under_it_make_nothing_milder(): void
    {
        self::onTheWholeBoard(function (string $fresh, string $surface): void {
            $plain = self::severity(self::judge($fresh, $surface));

            self::assertGreaterThanOrEqual(
                $plain, self::severity(self::judge($fresh, $surface, ['surface' => ['latex_touched' => true]])),
                "{$fresh} on {$surface}, touched with latex gloves",
            );
            self::assertGreaterThanOrEqual(
                $plain, self::severity(self::judge($fresh, $surface, ['use' => ['skin' => true]])), "{$fresh} on {$surface}, worn on skin",
            );
        });
    }

    public function test_a_failed_test_of_the_shop_is_never_poured_over(): void
    {
        self::onTheWholeBoard(function (string $fresh, string $surface): void {
            $test = static fn (bool $passed): array => ['tests' => [['fresh' => $fresh, 'surface' => $surface, 'passed' => $passed]]];

            self::assertSame('stop', self::judge($fresh, $surface, $test(false))->verdict->value, "{$fresh} on {$surface}");
            self::assertLessThanOrEqual(
                self::severity(self::judge($fresh, $surface)), self::severity(self::judge($fresh, $surface, $test(true))),
                "{$fresh} on {$surface}",
            );
        });
    }

    public function test_a_release_that_is_offered_can_be_chosen_and_one_that_ruins_stops(): void
    {
        self::onTheWholeBoard(function (string $fresh, string $surface): void {
            $result = self::judge($fresh, $surface);
            $before = self::severity($result);
            foreach ($result->releases as $offered) {
                $chosen = self::judge($fresh, $surface, ['release' => $offered['release']->id]);
                self::assertLessThanOrEqual(
                    $before, self::severity($chosen), "{$offered['release']->id} is offered for {$fresh} on {$surface}",
                );
            }
            foreach ($result->ruinous as $ruin) {
                self::assertSame(
                    'stop', self::judge($fresh, $surface, ['release' => $ruin['release']->id])->verdict->value,
                    "{$ruin['release']->id} ruins {$fresh} on {$surface}",
                );
            }
        });
    }

    public function test_a_sealer_that_may_stop_the_cure_is_tested_first_and_a_harmless_one_goes_before_it(): void
    {
        foreach (self::$knowledge->families as $fresh) {
            foreach (self::$knowledge->surfaces as $surface) {
                foreach (self::judge($fresh->id, $surface->id)->plan as $step) {
                    if ($step->do !== 'seal') {
                        continue;
                    }
                    $fitting = array_filter(self::$knowledge->sealers, static fn ($sealer): bool => $sealer->isFor($surface));
                    $harmless = array_filter($fitting, static fn ($sealer): bool => ! $sealer->isDoubtfulUnder($fresh));
                    self::assertSame(
                        $harmless === [], str_contains(Words::of($step->note), "Test it under {$fresh->name} first."),
                        Words::of($step->what)." under {$fresh->name} on {$surface->name}",
                    );
                }
            }
        }
    }

    public function test_what_separates_without_any_help_does_not_bond(): void
    {
        self::onTheWholeBoard(function (string $fresh, string $surface): void {
            $apart = self::judge($fresh, $surface);
            if ($apart->adhesion->value === 'lets-go') {
                self::assertFalse(
                    self::judge($fresh, $surface, ['intent' => 'bond'])->safe,
                    "{$fresh} lets go of {$surface}, so it cannot be meant to hold.",
                );
            }
        });
    }
}
