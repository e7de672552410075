<?php

declare(strict_types=1);

namespace App\Exchange;

use Apalos\Core\Contact\Rule;
use Apalos\Core\Contact\RuleGuard;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Phrasebook;
use App\Contacts\ContactBook;
use App\Library\Library;
use App\Models\Workshop;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Symfony\Component\Yaml\Exception\ParseException;
use Symfony\Component\Yaml\Yaml;

/** Takes in rules and tests of the shop's own, all of a file or nothing of it. */
final readonly class ContactImport
{
    private const MOST_TESTS = 2_000;

    public function __construct(
        private Workshop $workshop,
        private Library $library,
        private ContactBook $contacts,
        private Phrasebook $words,
    ) {}

    /**
     * @return array{rules: int, tests: int} how many were new
     *
     * @throws BadInput
     */
    public function __invoke(string $text): array
    {
        $in = $this->parsed($text)->only('rules', 'tests');
        $library = $this->library->knowledge();
        $known = array_map(static fn (Rule $rule): string => $rule->id, $library->rules);
        [$rules, $read] = [[], []];
        foreach ($in->objects('rules') as $i => $fields) {
            $called = $fields->toArray()['id'] ?? null;
            $rule = $this->named(
                static fn (): Rule => Rule::from($fields), sprintf('Rule %d%s', $i + 1, is_string($called) ? " “{$called}”" : ''),
            );
            if (in_array($rule->id, $known, true) || isset($rules[$rule->id])) {
                throw BadInput::at("rules.{$i}.id", Phrase::of('bench.already_rule_named_give', ['id' => $rule->id]));
            }
            $rules[$rule->id] = $fields->toArray();
            $read[] = $rule;
        }
        (new RuleGuard($library))->admit($read);
        $tests = [];
        foreach ($in->objects('tests', self::MOST_TESTS) as $i => $fields) {
            $tests[] = $this->named(fn (): array => $this->test($fields), sprintf('Test %d', $i + 1));
        }

        return DB::transaction(function () use ($rules, $tests): array {
            $new = ['rules' => 0, 'tests' => 0];
            foreach ($rules as $name => $rule) {
                $new['rules'] += $this->workshop->ownRules()->updateOrCreate(['name' => $name], ['rule' => $rule])->wasRecentlyCreated
                    ? 1
                    : 0;
            }
            foreach ($tests as $test) {
                $known = $this->isThere($test);
                $new['tests'] += $known ? 0 : 1;
                $known || $this->workshop->testPatches()->create(array_diff_key($test, ['dated' => 0]));
            }

            return $new;
        });
    }

    /**
     * Files say seconds, and some no moment at all: then the same words about the same pair are the same test.
     *
     * @param array{
     *     fresh: string, surface: string, passed: bool, base: string|null, sealed_with: string|null, released_with: string|null,
     *     place: string|null, note: string|null, read_at: CarbonImmutable, dated: bool,
     * }  $test
     */
    private function isThere(array $test): bool
    {
        $same = $this->workshop
            ->testPatches()
            ->where('passed', $test['passed'])
            ->where(array_intersect_key($test, [
                'fresh' => 0, 'surface' => 0, 'base' => 0, 'sealed_with' => 0, 'released_with' => 0, 'place' => 0, 'note' => 0,
            ]));

        return $test['dated']
            ? $same
                ->where('read_at', '>=', $test['read_at']->format('Y-m-d H:i:s.v'))
                ->where('read_at', '<', $test['read_at']->addSecond()->format('Y-m-d H:i:s.v'))
                ->exists()
            : $same->exists();
    }

    /**
     * @template T
     *
     * @param  callable(): T  $read
     * @return T
     *
     * @throws BadInput that says which entry, where in it, and why
     */
    private function named(callable $read, string $entry): mixed
    {
        try {
            return $read();
        } catch (BadInput $wrong) {
            throw BadInput::at('file', Phrase::written("{$entry}, {$wrong->field}: {$this->words->say($wrong->says)}"));
        }
    }

    private function parsed(string $text): Fields
    {
        try {
            $read = Yaml::parse($text);
        } catch (ParseException $wrong) {
            throw BadInput::at('file', Phrase::of('bench.neither_yaml_nor_json', ['why' => $wrong->getMessage()]));
        }
        if (! is_array($read) || (array_is_list($read) && $read !== [])) {
            throw BadInput::at('file', Phrase::of('bench.file_needs_rules_and'));
        }

        return Fields::of($read);
    }

    private function sealer(Fields $in): ?string
    {
        $id = $in->textOrNull('sealed_with');

        return $id === null || isset($this->contacts->knowledge()->sealers[$id])
            ? $id
            : throw BadInput::at($in->at('sealed_with'), Phrase::of('bench.no_sealer', ['id' => $id]));
    }

    /**
     * @return array{
     *     fresh: string, surface: string, passed: bool, base: string|null, sealed_with: string|null, released_with: string|null,
     *     place: string|null, note: string|null, put_on_at: CarbonImmutable, due_at: CarbonImmutable, read_at: CarbonImmutable,
     *     dated: bool,
     * }
     */
    private function test(Fields $in): array
    {
        $in->only('fresh', 'surface', 'passed', 'base', 'sealed_with', 'release', 'place', 'note', 'read_at');
        $knowledge = $this->contacts->knowledge();
        $at = (MomentInFile::in($in, 'read_at') ?? CarbonImmutable::now())->startOfSecond();

        return [
            'fresh' => $knowledge->family($in->text('fresh'), $in->at('fresh'))->id,
            'surface' => $knowledge->surface($in->text('surface'), $in->at('surface'))->id,
            'passed' => $in->bool('passed'),
            'base' => $in->textOrNull('base'), 'sealed_with' => $this->sealer($in),
            'released_with' => $in->textOrNull('release') === null ? null : $knowledge->release($in->text('release'))->id,
            'place' => $in->textOrNull('place'), 'note' => $in->textOrNull('note'),
            'put_on_at' => $at, 'due_at' => $at, 'read_at' => $at, 'dated' => $in->has('read_at'),
        ];
    }
}
