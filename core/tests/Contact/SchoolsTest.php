<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Contact;

use Apalos\Core\Casting\CastingWays;
use Apalos\Core\Contact\ContactAnswer;
use Apalos\Core\Contact\ContactEngine;
use Apalos\Core\Contact\ContactRequest;
use Apalos\Core\Contact\Schools;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Tests\Material\SheetsTest;
use Apalos\Core\Tests\Words;
use Opis\JsonSchema\Helper;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Yaml\Yaml;

/** Where schools differ the shop's own comes first, and says so; nothing is safe for being held. */
final class SchoolsTest extends TestCase
{
    private const LIBRARY = __DIR__.'/../../../library';

    /** @return array<string, array{ask: string, options: array<string, array<string, mixed>>}> */
    private static function read(): array
    {
        return Yaml::parseFile(self::LIBRARY.'/schools.yaml');
    }

    public function test_every_school_is_valid_and_names_what_is_there(): void
    {
        $result = (new Validator)->validate(
            Helper::toJSON(self::read()), json_decode((string) file_get_contents(self::LIBRARY.'/schema/schools.schema.json')),
        );
        self::assertTrue($result->isValid());
        $known = [
            ...array_keys(Shipped::knowledge()->releases), ...array_keys(Shipped::knowledge()->sealers),
            ...array_keys(Yaml::parseFile(self::LIBRARY.'/contacts/waits.yaml')),
        ];
        $ways = array_map(static fn (string $file): string => basename($file, '.yaml'), glob(self::LIBRARY.'/casting/*.yaml') ?: []);
        foreach (self::read() as $id => $school) {
            foreach ($school['options'] as $option => $of) {
                self::assertSame([], array_diff($of['prefer'] ?? [], $known), "{$id}, {$option}");
                self::assertSame(
                    [], array_diff([...array_keys($of['casting'] ?? []), ...array_values($of['casting'] ?? [])], $ways), "{$id}, {$option}",
                );
            }
        }
    }

    public function test_what_a_shop_holds_comes_first_and_says_so_and_makes_nothing_safe(): void
    {
        $knowledge = Shipped::knowledge()->holding(Schools::of(self::read(), ['silicone-release' => 'spray', 'plaster-sealing' => 'glue']));
        $ask = static fn (string $fresh, string $surface): ContactRequest => ContactRequest::from(
            Fields::of(['fresh' => ['family' => $fresh, 'skin_safe' => true], 'surface' => ['id' => $surface]]), $knowledge,
        );
        $own = (new ContactEngine($knowledge))->judge($ask('silicone-platinum', 'silicone-platinum'));
        self::assertSame('wax-spray', $own->releases[0]['release']->id);
        self::assertStringContainsString('as this shop does it', Words::of($own->releases[0]['why']));
        $plaster = (new ContactEngine($knowledge))->judge($ask('silicone-tin', 'plaster'));
        self::assertSame(
            'Film of wood glue',
            Words::of(array_values(array_filter($plaster->plan, static fn ($step): bool => $step->do === 'seal'))[0]->what),
        );

        foreach (Shipped::knowledge()->families as $fresh) {
            foreach (Shipped::knowledge()->surfaces as $surface) {
                self::assertSame(
                    (new ContactEngine(Shipped::knowledge()))->judge($ask($fresh->id, $surface->id))->verdict,
                    (new ContactEngine($knowledge))->judge($ask($fresh->id, $surface->id))->verdict,
                );
            }
        }
    }

    public function test_on_skin_its_own_release_comes_no_sooner_than_one_that_is_for_skin(): void
    {
        $knowledge = Shipped::knowledge()->holding(Schools::of(self::read(), ['silicone-release' => 'spray']));
        $worn = (new ContactEngine($knowledge))->judge(
            ContactRequest::from(
                Fields::of([
                    'fresh' => ['family' => 'silicone-platinum', 'skin_safe' => true], 'surface' => ['id' => 'silicone-platinum'],
                    'use' => ['worn' => true],
                ]),
                $knowledge,
            ),
        );
        self::assertTrue($worn->releases[0]['release']->skinSafe);
    }

    public function test_a_way_out_of_its_own_school_comes_first(): void
    {
        $first = static function (array $held): string {
            $knowledge = Shipped::knowledge()->holding(Schools::of(self::read(), $held));
            $ways = ContactAnswer::to(
                ContactRequest::from(
                    Fields::of(['fresh' => ['family' => 'silicone-platinum', 'skin_safe' => true], 'surface' => ['id' => 'print-resin']]),
                    $knowledge,
                ),
                $knowledge, SheetsTest::shelf(),
            )->ways;

            return implode('+', array_column($ways[0]->steps, 'id'));
        };
        self::assertStringContainsString('post-cure', $first(['prints' => 'warm']));
        self::assertStringNotContainsString('post-cure', $first(['prints' => 'barrier']));
    }

    public function test_putty_plaster_and_pours_are_worked_as_the_shop_does(): void
    {
        $read = [];
        foreach (glob(self::LIBRARY.'/casting/*.yaml') ?: [] as $file) {
            $read[basename($file, '.yaml')] = Yaml::parseFile($file);
        }
        $ways = CastingWays::of($read)->instead(
            Schools::of(self::read(), ['putty' => 'soap', 'plaster-mix' => 'islands', 'air' => 'pressure'])->castings,
        );
        self::assertSame(['soap-putty', []], [
            $ways->choose('starch-putty', 'silicone-acetoxy', true, false)->id,
            $ways->choose('starch-putty', 'silicone-acetoxy', true, false)->with,
        ]);
        self::assertStringContainsString('islands', $ways->choose(null, 'plaster', false, false)->said()->mix['title']);
        self::assertStringContainsString('pot', $ways->choose(null, 'urethane-resin', false, false)->said()->fill['title']);
        self::assertSame(
            'since powder met water', $ways->choose('jacket', 'plaster', false, false)->said()->clock['since'],
            'A jacket is a jacket in every school.',
        );
        self::assertSame(
            'Lay it on', $ways->choose(null, 'silicone-platinum', false, true)->said()->fill['title'], 'What is brushed is brushed.',
        );
    }

    public function test_a_school_nobody_knows_is_refused_and_one_that_is_gone_counts_as_not_held(): void
    {
        self::assertSame([], Schools::of(self::read(), ['moon' => 'full', 'putty' => 'butter'])->held);
        foreach ([['moon' => 'full'], ['putty' => 'butter']] as $said) {
            try {
                Schools::check(self::read(), Fields::of($said, 'schools'));
                self::fail('It was taken.');
            } catch (BadInput $wrong) {
                self::assertSame('schools.'.array_key_first($said), $wrong->field);
            }
        }
    }

    public function test_a_tin_mould_is_baked_or_rests_before_resin_and_nothing_else_is_asked(): void
    {
        $schools = Schools::of(self::read(), ['tin-resin' => 'bake']);
        $knowledge = Shipped::knowledge();
        self::assertCount(1, $schools->before($knowledge->families['urethane-resin'], $knowledge->surfaces['silicone-tin']));
        self::assertSame([], $schools->before($knowledge->families['plaster'], $knowledge->surfaces['silicone-tin']));
        self::assertSame([], $schools->before($knowledge->families['urethane-resin'], $knowledge->surfaces['silicone-platinum']));
    }
}
