<?php

declare(strict_types=1);

namespace App\Actions;

use Apalos\Core\Contact\Findings;
use Apalos\Core\Contact\Knowledge;
use Apalos\Core\Contact\Rule;
use Apalos\Core\Contact\Sure;
use Apalos\Core\Contact\SurfaceState;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use App\Models\Workshop;
use App\Workshop\ContactBook;
use App\Workshop\Library;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Symfony\Component\Yaml\Exception\ParseException;
use Symfony\Component\Yaml\Yaml;

/** Takes in rules and tests of the shop's own, all of a file or nothing of it. */
final readonly class ImportContacts
{
    public function __construct(private Workshop $workshop, private Library $library, private ContactBook $contacts) {}

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
        $rules = [];
        foreach ($in->objects('rules') as $i => $fields) {
            $rule = Rule::from($fields);
            if (in_array($rule->id, $known, true) || isset($rules[$rule->id])) {
                throw BadInput::at("rules.{$i}.id", "There is already a rule named “{$rule->id}”. Give yours a name of its own.");
            }
            $this->refuseOverrulingCertain($rule, $library, "rules.{$i}");
            $rules[$rule->id] = $fields->toArray();
        }
        $this->refuseContradictions($library->with(...array_map(static fn (array $rule): Rule => Rule::from(Fields::of($rule)), array_values($rules))), $rules);
        $tests = array_map($this->test(...), $in->objects('tests'));

        return DB::transaction(function () use ($rules, $tests): array {
            $new = ['rules' => 0, 'tests' => 0];
            foreach ($rules as $name => $rule) {
                $new['rules'] += $this->workshop->ownRules()->updateOrCreate(['name' => $name], ['rule' => $rule])->wasRecentlyCreated ? 1 : 0;
            }
            foreach ($tests as $test) {
                $known = $this->workshop->testPatches()->where('fresh', $test['fresh'])->where('surface', $test['surface'])->where('read_at', $test['read_at']->format('Y-m-d H:i:s.v'))->exists();
                $new['tests'] += $known ? 0 : 1;
                $known || $this->workshop->testPatches()->create($test);
            }

            return $new;
        });
    }

    private function parsed(string $text): Fields
    {
        try {
            $read = Yaml::parse($text);
        } catch (ParseException $wrong) {
            throw BadInput::at('file', "This is neither YAML nor JSON: {$wrong->getMessage()}");
        }
        if (! is_array($read) || (array_is_list($read) && $read !== [])) {
            throw BadInput::at('file', 'The file needs “rules” and “tests” at the top. See docs/formats.md.');
        }

        return Fields::of($read);
    }

    /** @return array{fresh: string, surface: string, passed: bool, base: string|null, place: string|null, note: string|null, put_on_at: CarbonImmutable, due_at: CarbonImmutable, read_at: CarbonImmutable} */
    private function test(Fields $in): array
    {
        $in->only('fresh', 'surface', 'passed', 'base', 'place', 'note', 'read_at');
        $knowledge = $this->contacts->knowledge();
        $at = CarbonImmutable::parse($in->textOrNull('read_at') ?? 'now')->startOfSecond();

        return [
            'fresh' => $knowledge->family($in->text('fresh'), $in->at('fresh'))->id,
            'surface' => $knowledge->surface($in->text('surface'), $in->at('surface'))->id,
            'passed' => $in->bool('passed'),
            'base' => $in->textOrNull('base'), 'place' => $in->textOrNull('place'), 'note' => $in->textOrNull('note'),
            'put_on_at' => $at, 'due_at' => $at, 'read_at' => $at,
        ];
    }

    /** A rule of the shop may say more than the library, never less where the library is certain. */
    private function refuseOverrulingCertain(Rule $rule, Knowledge $library, string $field): void
    {
        foreach ($library->families as $fresh) {
            foreach ($library->surfaces as $surface) {
                foreach ([new SurfaceState, new SurfaceState(hoursSinceCure: 1.0), new SurfaceState(damp: true), new SurfaceState(sealedWith: 'shellac'), new SurfaceState(latexTouched: true), new SurfaceState(solventMinAgo: 5.0), new SurfaceState(hoursSinceCure: 48.0)] as $state) {
                    if ($rule->speaksOf($fresh, $surface, $state) === null) {
                        continue;
                    }
                    $before = Findings::on($fresh, $surface, $state, $library);
                    $after = Findings::on($fresh, $surface, $state, $library->with($rule));
                    if ($before->adhesion->sure === Sure::Certain && $after->adhesion === $rule && $rule->gives !== $before->adhesion->gives) {
                        throw BadInput::at($field, "“{$rule->id}” would overrule “{$before->adhesion->id}” for {$fresh->name} on {$surface->name}, and that is certain: {$before->adhesion->text} Narrow your rule, or leave it out.");
                    }
                }
            }
        }
    }

    /** @param  array<string, mixed>  $own */
    private function refuseContradictions(Knowledge $knowledge, array $own): void
    {
        foreach ($knowledge->families as $fresh) {
            foreach ($knowledge->surfaces as $surface) {
                $found = Findings::on($fresh, $surface, new SurfaceState, $knowledge);
                foreach ($found->contradictions as $other) {
                    if (isset($own[$other->id], $own[$found->adhesion->id])) {
                        throw BadInput::at('rules', "“{$found->adhesion->id}” and “{$other->id}” contradict each other for {$fresh->name} on {$surface->name}. Leave one out, or say when each holds.");
                    }
                }
            }
        }
    }
}
