<?php

declare(strict_types=1);

namespace Apalos\Core\Tests\Contact;

use Apalos\Core\Contact\Findings;
use Apalos\Core\Contact\Knowledge;
use Apalos\Core\Contact\Rule;
use Apalos\Core\Contact\SurfaceState;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Practice\Scenario;
use Apalos\Core\Tests\Words;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Helper;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Yaml\Yaml;

final class KnowledgeTest extends TestCase
{
    /** @return iterable<string, SurfaceState> states in which rules differ */
    private static function states(): iterable
    {
        foreach ([null, 'shellac'] as $sealed) {
            foreach ([false, true] as $damp) {
                foreach ([null, 1.0, 48.0, 500.0] as $hours) {
                    yield json_encode([$sealed, $damp, $hours]) ?: '' => new SurfaceState($hours, $damp, null, $sealed);
                }
            }
        }
    }

    /** @return iterable<string, array{string}> */
    public static function files(): iterable
    {
        foreach ([
            'contacts/families', 'contacts/surfaces', 'contacts/rules', 'contacts/releases', 'contacts/sealers', 'contacts/waits',
            'mould-kinds', 'cautions', 'faults/symptoms', 'faults/causes', 'faults/questions', 'wear', 'care', 'usual', 'ways',
            'piece-care',
        ] as $file) {
            yield $file => [$file];
        }
    }

    public function test_everything_to_practise_is_valid_and_can_be_read(): void
    {
        $library = __DIR__.'/../../../library';
        $schema = json_decode((string) file_get_contents("{$library}/schema/practice.schema.json"));
        $files = glob("{$library}/practice/*.yaml") ?: [];
        self::assertGreaterThanOrEqual(20, count($files));
        foreach ($files as $file) {
            $read = Yaml::parseFile($file);
            $result = (new Validator)->validate(Helper::toJSON($read), $schema);
            self::assertTrue(
                $result->isValid(),
                $file.($result->error() === null ? '' : (string) json_encode((new ErrorFormatter)->format($result->error()))),
            );
            $scenario = Scenario::from(Fields::of(['id' => basename($file, '.yaml'), ...$read]));
            self::assertEquals($scenario, Scenario::from(Fields::of($scenario->toArray())), $file);
        }
    }

    #[DataProvider('files')]
    public function test_a_file_of_the_library_is_valid(string $file): void
    {
        $library = __DIR__.'/../../../library';
        $schema = json_decode((string) file_get_contents("{$library}/schema/{$file}.schema.json"));
        $result = (new Validator)->validate(Helper::toJSON(Yaml::parseFile("{$library}/{$file}.yaml")), $schema);

        self::assertTrue(
            $result->isValid(), $result->error() === null ? '' : (string) json_encode((new ErrorFormatter)->format($result->error())),
        );
    }

    public function test_every_id_that_is_spoken_of_exists(): void
    {
        $k = Shipped::knowledge();
        /** @var array{base: string, casting: string, original: string, painted: string} $read */
        $read = Yaml::parseFile(__DIR__.'/../../../library/usual.yaml');
        self::assertArrayHasKey($read['base'], Shipped::shelves()->materials->bases);
        self::assertArrayHasKey($read['casting'], $k->families);
        self::assertArrayHasKey($read['original'], $k->surfaces);
        self::assertArrayHasKey($read['painted'], $k->surfaces);
        foreach ($k->families as $family) {
            self::assertArrayHasKey($family->curesTo, $k->surfaces);
            foreach ($family->hazards as $hazard) {
                self::assertArrayHasKey($hazard, $k->cautions);
            }
        }
        $things = [...array_keys($k->families), ...array_keys($k->surfaces)];
        $groups = array_merge(...array_map(static fn ($thing): array => $thing->groups, [
            ...array_values($k->families), ...array_values($k->surfaces),
        ]));
        foreach (['rules', 'releases', 'sealers'] as $file) {
            preg_match_all(
                '/(?:fresh|surface|for|on): \[([^\]]*)\]/', (string) file_get_contents(__DIR__."/../../../library/contacts/{$file}.yaml"),
                $lists,
            );
            foreach ($lists[1] as $list) {
                foreach (array_map(static fn (string $word): string => trim($word, " '"), explode(',', $list)) as $word) {
                    self::assertTrue(
                        $word === '*' || in_array($word, $things, true) || in_array(substr($word, 1), $groups, true),
                        "{$file} speaks of “{$word}”, which is nothing.",
                    );
                }
            }
        }
    }

    public function test_every_pair_in_every_state_has_an_answer_with_a_reason_and_none_contradicts_itself(): void
    {
        $knowledge = Shipped::knowledge();
        $pairs = 0;
        foreach ($knowledge->families as $fresh) {
            foreach ($knowledge->surfaces as $surface) {
                foreach (self::states() as $name => $state) {
                    $found = Findings::on($fresh, $surface, $state, $knowledge);
                    $where = "{$fresh->id} on {$surface->id} {$name}";
                    self::assertSame(
                        [], array_map(static fn (Rule $rule): string => $rule->id, $found->contradictions),
                        "{$where}: contradicts {$found->adhesion->id}",
                    );
                    self::assertNotSame('', $found->adhesion->text, $where);
                    self::assertNotSame('', $found->cure->text, $where);
                }
                $pairs++;
            }
        }
        self::assertSame(count($knowledge->families) * count($knowledge->surfaces), $pairs);
    }

    public function test_every_rule_speaks_of_something_that_exists_and_decides_somewhere(): void
    {
        $knowledge = Shipped::knowledge();
        $used = [];
        foreach ($knowledge->families as $fresh) {
            foreach ($knowledge->surfaces as $surface) {
                foreach ([...self::states(), new SurfaceState(solventMinAgo: 3.0), new SurfaceState(latexTouched: true)] as $state) {
                    $found = Findings::on($fresh, $surface, $state, $knowledge);
                    foreach ([$found->adhesion, $found->cure, ...$found->inhibitors, ...$found->doubts, ...$found->forbidden] as $rule) {
                        $used[$rule->id] = true;
                    }
                }
            }
        }
        self::assertSame(
            [], array_values(array_diff(array_map(static fn (Rule $rule): string => $rule->id, $knowledge->rules), array_keys($used))),
        );
    }

    public function test_a_pair_that_no_rule_speaks_of_would_be_noticed(): void
    {
        $bare = Knowledge::of(
            [
                'jam' => [
                    'name' => 'jam', 'like' => [], 'makes' => 'rubber', 'serves' => [], 'cures_to' => 'toast', 'wear' => 0,
                    'wear_text' => 'none', 'hazards' => [],
                ],
            ],
            ['toast' => ['name' => 'toast', 'like' => [], 'porous' => true]], [], [], [], [],
        );

        $this->expectException(BadInput::class);
        Findings::on($bare->family('jam'), $bare->surface('toast'), new SurfaceState, $bare);
    }

    public function test_a_contradiction_would_be_noticed(): void
    {
        $knowledge = Shipped::knowledge()->with(Rule::from(Fields::of([
            'id' => 'x', 'kind' => 'adhesion', 'fresh' => ['@silicone'], 'surface' => ['@cured-silicone'], 'gives' => 'lets-go',
            'sure' => 'usual', 'text' => 'Wishful.',
        ])));

        self::assertCount(
            1,
            Findings::on(
                $knowledge->family('silicone-tin'), $knowledge->surface('silicone-tin'), new SurfaceState, $knowledge,
            )->contradictions,
        );
    }

    public function test_two_rules_of_one_name_and_a_condition_nobody_knows_are_refused(): void
    {
        $rule = [
            'id' => 'r', 'kind' => 'adhesion', 'fresh' => ['*'], 'surface' => ['*'], 'gives' => 'grips', 'sure' => 'usual', 'text' => 'So.',
        ];
        try {
            Knowledge::of([], [], [$rule, $rule], [], [], []);
            self::fail('Two rules of one name passed.');
        } catch (BadInput $wrong) {
            self::assertStringContainsString('two rules named “r”', Words::of($wrong));
        }
        $this->expectExceptionMessage('contact.unknown_condition');
        Rule::from(Fields::of([...$rule, 'when' => ['moonlight' => true]]));
    }
}
